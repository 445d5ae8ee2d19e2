import { describe, expect, it } from 'vitest';
import { SALTMARSH } from '../../../tests/support/sites';
import { labelRanges, rangesOfIds } from './label-ranges';

const { record } = SALTMARSH;

describe('labels of strings in a sentence', () => {
	it.each([
		[['A1'], 'A1'],
		[['A1', 'A2'], 'A1, A2'],
		[['A1', 'A2', 'A3', 'A4'], 'A1 to A4'],
		[['A4', 'A2', 'A3'], 'A2 to A4'],
		[['A1', 'A3', 'B1', 'B3'], 'A1, A3, B1, B3'],
		[['A1', 'A2', 'A3', 'B2', 'B2'], 'A1 to A3, B2'],
		[['Roof', 'A1'], 'A1, Roof'],
		[[], '']
	])('writes %j as %j', (labels, words) => {
		expect(labelRanges(record, labels)).toBe(words);
	});

	it('takes ids as well', () => {
		const ids = record.strings.slice(0, 3).map(({ id }) => id);
		expect(rangesOfIds(record, [...ids, 'not there'])).toBe('A1 to A3');
	});
});
