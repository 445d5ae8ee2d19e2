import { describe, expect, it } from 'vitest';
import { normalQuantile, normalTail } from '../numerics';
import { surprise } from './surprise';

describe('the tail of the normal distribution', () => {
	it('is as tabulated, far out too', () => {
		// Abramowitz and Stegun, table 26.1 and 26.2 (from memory, not verified).
		expect(normalTail(0)).toBeCloseTo(0.5, 7);
		expect(normalTail(1)).toBeCloseTo(0.1586553, 6);
		expect(normalTail(1.959964)).toBeCloseTo(0.025, 7);
		expect(normalTail(5) / 2.866516e-7).toBeCloseTo(1, 5);
	});

	it('is undone by the quantile', () => {
		for (const z of [0.1, 1, 2.5, 4, 7]) expect(-normalQuantile(normalTail(z))).toBeCloseTo(z, 5);
	});
});

describe('how far out a reading lies', () => {
	const one = { without: 1, unit: 1, scatter: { values: [0], weights: [1] } };

	it('is the plain ratio where its uncertainty is known', () => {
		expect(surprise(-3, one)).toBeCloseTo(-3, 5);
		expect(surprise(50, one)).toBeCloseTo(50, 5);
	});

	it('is less where the scatter may be large', () => {
		const unsure = { ...one, scatter: { values: [0, 3], weights: [0.8, 0.2] } };
		expect(Math.abs(surprise(-5, unsure))).toBeLessThan(2.5);
		expect(Math.abs(surprise(-5, unsure))).toBeGreaterThan(1);
	});
});
