import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { nothingToShow } from './temper';

describe('the chance that nothing is wrong that the readings can show', () => {
	it('is none where there is none, and certain where that is', () => {
		expect(nothingToShow(0)).toBe(0);
		expect(nothingToShow(1)).toBe(1);
		expect(nothingToShow(0.25)).toBeCloseTo(0.66, 9);
	});

	it('never falls as the posterior rises', () => {
		const chance = fc.double({ min: 0, max: 1, noNaN: true });
		fc.assert(
			fc.property(chance, chance, (a, b) => {
				const [low, high] = a < b ? [a, b] : [b, a];
				expect(nothingToShow(low)).toBeLessThanOrEqual(nothingToShow(high) + 1e-12);
			})
		);
	});
});
