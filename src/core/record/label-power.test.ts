import { describe, expect, it } from 'vitest';
import { arrayRecord } from '../../../tests/support/scenario';
import { labelPower } from './label-power';

describe('label power', () => {
	it('is label times count, over all strings', () => {
		expect(labelPower(arrayRecord())).toBe(8 * 12 * 335);
	});

	it('counts a string whose type is not recorded as nothing', () => {
		expect(labelPower({ ...arrayRecord(), moduleTypes: [] })).toBe(0);
	});
});
