import { describe, expect, it } from 'vitest';
import { USUAL_RATES } from '../faults';
import { messageFactor, pointedAt, ratesAfterMessage } from './message';

describe('what the inverter says', () => {
	it('makes the causes it points at likelier, and leaves all others', () => {
		const rates = ratesAfterMessage({}, 'Riso low');
		expect(rates['earth-fault']).toBeCloseTo((40 * 4e-4) / (1 - 4e-4 + 40 * 4e-4), 9);
		expect(rates['fuse-blown']).toBeUndefined();
		expect(messageFactor('cable-damaged', 'Riso low')).toBeGreaterThan(1);
		expect(messageFactor('inverter-no-ac', 'Riso low')).toBe(1);
	});

	it('says nothing where it is silent, or says what nobody knows', () => {
		for (const says of ['', '   ', 'Have a nice day']) {
			expect(ratesAfterMessage({ soiling: 0.1 }, says)).toEqual({ soiling: 0.1 });
			expect(pointedAt(says).size).toBe(0);
		}
	});

	it('goes from the site’s own rates where it has any, and never makes certain', () => {
		const rates = ratesAfterMessage({ 'inverter-no-ac': 0.5 }, 'No grid');
		expect(rates['inverter-no-ac']).toBeCloseTo(40 / 41, 9);
		for (const rate of Object.values(ratesAfterMessage({}, 'No grid')))
			expect(rate).toBeLessThan(1);
	});

	it.each([
		['GFDI fuse', ['gfdi-fuse-blown', 'earth-fault']],
		['Arc detected', ['arc-fault', 'connector-resistive']],
		['Rapid shutdown active', ['rsd-no-signal']],
		['PV over voltage', ['module-extra']],
		['String 2 low', ['fuse-blown', 'disconnect-open']]
	])('“%s” points at %s', (says, codes) => {
		for (const code of codes) {
			expect([...pointedAt(says)]).toContain(code);
			expect(USUAL_RATES).toHaveProperty(code);
		}
	});
});
