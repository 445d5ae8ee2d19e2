import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normalFrom } from '../../../tests/support/scenario';
import { STEADY_LIGHT } from './allowances';
import { median } from '../units/quantile';
import { unsteadiness } from './unsteadiness';

const known = 0.01;
/** Currents of one series in light that moves by `light` from reading to reading. */
const series = (count: number, light: number, seed: number) => {
	const normal = normalFrom(seed);
	return Array.from({ length: count }, () => ({
		relative: Math.hypot(light, known) * normal(),
		known
	}));
};

describe('how steady the light was', () => {
	it('is taken as usual where too few currents are read to tell', () => {
		expect(unsteadiness([])).toBe(STEADY_LIGHT);
		expect(unsteadiness(series(3, 0.2, 1))).toBe(STEADY_LIGHT);
	});

	it('stays as usual in steady sun and follows the scatter in clouds', () => {
		const over = (light: number) =>
			median(Array.from({ length: 60 }, (_, i) => unsteadiness(series(24, light, i + 1))));
		expect(over(0)).toBeLessThan(1.3 * STEADY_LIGHT);
		expect(over(0.03)).toBeGreaterThan(0.022);
		expect(over(0.03)).toBeLessThan(0.034);
	});

	it('is not moved by a few strings that are broken', () => {
		const healthy = series(12, 0, 3);
		const broken = [
			...healthy.slice(0, 9),
			...[-0.3, -0.6, -0.12].map((relative) => ({ relative, known }))
		];
		expect(unsteadiness(broken)).toBeLessThan(0.016);
	});

	it('does not ask which way all currents lie, and never runs away', () => {
		fc.assert(
			fc.property(
				fc.array(fc.double({ min: -0.9, max: 3, noNaN: true }), { minLength: 4, maxLength: 40 }),
				fc.double({ min: -0.5, max: 0.5, noNaN: true }),
				(misses, shift) => {
					const as = (by: number) => unsteadiness(misses.map((m) => ({ relative: m + by, known })));
					expect(as(shift)).toBeCloseTo(as(0), 9);
					expect(as(0)).toBeGreaterThanOrEqual(STEADY_LIGHT);
					expect(as(0)).toBeLessThanOrEqual(0.06);
				}
			)
		);
	});
});

describe('the median', () => {
	it('is the middle, or half way between the two middles', () => {
		expect(median([3])).toBe(3);
		expect(median([9, 1, 5])).toBe(5);
		expect(median([4, 1, 9, 6])).toBe(5);
	});

	it('leaves its input as it was, and does not care for its order', () => {
		fc.assert(
			fc.property(fc.array(fc.double({ noNaN: true }), { minLength: 1 }), (values) => {
				const copy = [...values];
				expect(median(values)).toBe(median([...values].reverse()));
				expect(values).toEqual(copy);
			})
		);
	});
});
