import { describe, expect, it } from 'vitest';
import { densityNodes, densityUnder } from './density-nodes';
import { rightDensity, RIGHT, spreadWith } from './evidence';

const scatter = { values: [0.4, 1.1, 2.6], weights: [0.5, 0.35, 0.15] };
const sigma = Float64Array.from([1.2, 0.3]);
const unit = Float64Array.from([1.1, 0]);

describe('densities of many classes at once', () => {
	it('are those of one reading at a time', () => {
		const nodes = densityNodes(sigma, unit, scatter);
		for (const c of [0, 1]) {
			const spread = spreadWith(sigma[c]!, unit[c]!, scatter);
			for (const deviation of [-4, -0.7, 0, 2.2, 30]) {
				const predicted = { value: 460, sigma: 1, scale: 600, spread };
				expect(RIGHT * densityUnder(nodes, c, deviation)).toBeCloseTo(
					rightDensity(460 + deviation, predicted),
					12
				);
			}
		}
	});

	it('add up to one over all deviations', () => {
		const nodes = densityNodes(sigma, unit, scatter);
		let sum = 0;
		for (let x = -60; x < 60; x += 0.01) sum += 0.01 * densityUnder(nodes, 0, x);
		expect(sum).toBeCloseTo(1, 4);
		expect(nodes.widest[0]).toBeCloseTo(Math.hypot(1.2, 1.1 * 2.6), 12);
	});
});
