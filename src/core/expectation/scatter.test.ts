import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normalFrom } from '../../../tests/support/scenario';
import { IRRADIANCE_SCATTER, TEMPERATURE_SCATTER } from './allowances';
import { coarse, estimateScatter, priorScatter, rmsOf } from './scatter';

const drawn = (count: number, scatter: number, known: number, seed: number) => {
	const normal = normalFrom(seed);
	return Array.from({ length: count }, () => ({
		miss: Math.hypot(scatter, known) * normal(),
		known
	}));
};
const weightOf = (weights: readonly number[]) => weights.reduce((sum, weight) => sum + weight, 0);

describe('the scatter of comparable readings', () => {
	it('is the prior where nothing is read', () => {
		expect(estimateScatter([], TEMPERATURE_SCATTER).all).toEqual(priorScatter(TEMPERATURE_SCATTER));
	});

	it('comes out near the true one where many are read', () => {
		for (const truth of [0.6, 1.5, 3]) {
			const found = Array.from({ length: 20 }, (_, seed) =>
				rmsOf(estimateScatter(drawn(24, truth, 0.6, seed), TEMPERATURE_SCATTER).all)
			);
			const mean = found.reduce((sum, value) => sum + value, 0) / found.length;
			expect(mean / truth).toBeGreaterThan(0.7);
			expect(mean / truth).toBeLessThan(1.4);
		}
	});

	it('is hardly widened by a faulty string, and its own reading not at all', () => {
		const healthy = drawn(12, 1, 0.5, 4);
		const faulty = [...healthy, { miss: -11, known: 0.5 }];
		const before = rmsOf(estimateScatter(healthy, TEMPERATURE_SCATTER).all);
		const { all, without } = estimateScatter(faulty, TEMPERATURE_SCATTER);
		expect(rmsOf(all) / before).toBeLessThan(1.15);
		expect(rmsOf(without.at(-1)!) / before).toBeCloseTo(1, 1);
	});

	it('follows the readings wherever their common value lies', () => {
		fc.assert(
			fc.property(fc.double({ min: -30, max: 30, noNaN: true }), (shift) => {
				const here = drawn(8, 1, 0.5, 7);
				const there = here.map((one) => ({ ...one, miss: one.miss + shift }));
				expect(rmsOf(estimateScatter(there, TEMPERATURE_SCATTER).all)).toBeCloseTo(
					rmsOf(estimateScatter(here, TEMPERATURE_SCATTER).all),
					3
				);
			}),
			{ numRuns: 30 }
		);
	});

	it('is a distribution, also in few values with the same mean square', () => {
		const { all } = estimateScatter(drawn(6, 0.02, 0.006, 2), IRRADIANCE_SCATTER);
		expect(weightOf(all.weights)).toBeCloseTo(1, 12);
		const few = coarse(all);
		expect(few.values).toHaveLength(3);
		expect(weightOf(few.weights)).toBeCloseTo(1, 12);
		expect(rmsOf(few)).toBeCloseTo(rmsOf(all), 9);
	});
});
