import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normalFrom } from '../../../tests/support/scenario';
import { calibrated, fitSteepness, posteriorBehind } from './calibration';

const probability = fc.double({ min: 0, max: 1, noNaN: true });

describe('calibrated probabilities', () => {
	it('keep their order, and are never surer than the posterior', () => {
		fc.assert(
			fc.property(probability, probability, (a, b) => {
				const [low, high] = a < b ? [a, b] : [b, a];
				expect(calibrated(low)).toBeLessThanOrEqual(calibrated(high));
				expect(calibrated(high)).toBeLessThanOrEqual(high);
				if (high >= 0.5) expect(calibrated(high)).toBe(high);
			})
		);
	});

	it('lead back to the posterior', () => {
		for (const p of [0.01, 0.1, 0.3, 0.49, 0.5, 0.97]) {
			expect(posteriorBehind(calibrated(p))).toBeCloseTo(p, 9);
		}
	});

	it('are fitted to what was right: lines drawn at a steepness give it back', () => {
		const normal = normalFrom(3);
		// A normal deviate through its own distribution is even between 0 and 1, near enough by the logistic.
		const even = () => 1 / (1 + Math.exp(-1.702 * normal()));
		const lines = Array.from({ length: 20_000 }, () => {
			const said = 0.02 + 0.46 * even();
			return { said, right: even() < calibrated(said, 1.6) };
		});
		expect(fitSteepness(lines)).toBeCloseTo(1.6, 0);
	});
});
