import { describe, expect, it } from 'vitest';
import { joinMessage, meaningsOf, splitMessage } from './inverter-message';

describe('a message of one of several inverters', () => {
	it('keeps which of them displays it', () => {
		const stored = joinMessage('INV 2', ' Riso low ');
		expect(splitMessage(stored, ['INV 1', 'INV 2'])).toEqual({
			inverter: 'INV 2',
			message: 'Riso low'
		});
		expect(meaningsOf(stored)).toEqual(meaningsOf('Riso low'));
	});

	it('is as it was where nobody states the inverter, or where there is none', () => {
		expect(splitMessage(joinMessage('', 'Riso low'), ['INV 1'])).toEqual({
			inverter: null,
			message: 'Riso low'
		});
		expect(joinMessage('INV 1', ' ')).toBe('');
		expect(splitMessage('Error 3: fan', ['INV 1']).inverter).toBeNull();
	});
});
