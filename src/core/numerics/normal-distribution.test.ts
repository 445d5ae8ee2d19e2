import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { logNormalDensity, normalQuantile } from './normal-distribution';

/** Share of the standard normal distribution below z, by Simpson's rule over its density. */
function below(z: number): number {
	const steps = 4000;
	const from = -9;
	const width = (z - from) / steps;
	let sum = 0;
	for (let i = 0; i <= steps; i++) {
		const weight = i === 0 || i === steps ? 1 : i % 2 === 1 ? 4 : 2;
		sum += weight * Math.exp(logNormalDensity(from + i * width, 1));
	}
	return (sum * width) / 3;
}

describe('the quantile of the normal distribution', () => {
	// Tables of the normal distribution.
	it.each([
		[0.5, 0],
		[0.841344746, 1],
		[0.975, 1.959963985],
		[0.99, 2.326347874],
		[0.998650102, 3],
		[0.001, -3.090232306]
	])('of %d is %d', (share, z) => {
		expect(normalQuantile(share)).toBeCloseTo(z, 6);
	});

	it('is the z below which that share lies', () => {
		fc.assert(
			fc.property(fc.double({ min: 1e-4, max: 1 - 1e-4, noNaN: true }), (share) => {
				expect(below(normalQuantile(share))).toBeCloseTo(share, 7);
			}),
			{ numRuns: 40 }
		);
	});

	it('lies as far on the other side for what is left', () => {
		fc.assert(
			fc.property(fc.double({ min: 1e-9, max: 0.5, noNaN: true }), (share) => {
				expect(normalQuantile(1 - share)).toBeCloseTo(-normalQuantile(share), 5);
			})
		);
	});

	it('rises with the share', () => {
		const shares = Array.from({ length: 200 }, (_, i) => (i + 0.5) / 200);
		const z = shares.map(normalQuantile);
		expect(z).toEqual([...z].sort((a, b) => a - b));
	});
});

describe('the density of the normal distribution', () => {
	it('is greatest in its middle, falls alike on both sides and is wide by its sigma', () => {
		expect(logNormalDensity(0, 1)).toBeCloseTo(Math.log(1 / Math.sqrt(2 * Math.PI)), 12);
		expect(logNormalDensity(2, 1)).toBe(logNormalDensity(-2, 1));
		expect(logNormalDensity(0, 2) - logNormalDensity(0, 1)).toBeCloseTo(-Math.log(2), 12);
		expect(logNormalDensity(3, 3) - logNormalDensity(0, 3)).toBeCloseTo(-0.5, 12);
	});
});
