import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fallingRoot } from './falling-root';

describe('the root of a falling function', () => {
	it('is found wherever it lies in the bracket', () => {
		fc.assert(
			fc.property(
				fc.double({ min: -90, max: 90, noNaN: true }),
				fc.double({ min: 0.01, max: 20, noNaN: true }),
				(root, steepness) => {
					const found = fallingRoot(
						(x) => -steepness * (x - root) - (x - root) ** 3,
						-100,
						100,
						1e-10
					);
					expect(found).toBeCloseTo(root, 6);
				}
			)
		);
	});

	it('copes with a knee as steep as a diode’s', () => {
		const knee = (x: number) => 8 - 1e-9 * Math.expm1(x / 0.026);
		const root = 0.026 * Math.log1p(8e9);
		expect(fallingRoot(knee, -5, 1, 1e-12)).toBeCloseTo(root, 9);
	});

	it('ends at the wall that is nearest where the bracket holds no root', () => {
		expect(fallingRoot((x) => 5 - x, 0, 3, 1e-9)).toBe(3);
		expect(fallingRoot((x) => -5 - x, 0, 3, 1e-9)).toBe(0);
	});

	it('asks the function nothing outside the bracket', () => {
		const asked: number[] = [];
		fallingRoot((x) => (asked.push(x), 1 - x ** 5), -2, 4, 1e-9);
		expect(Math.min(...asked)).toBeGreaterThanOrEqual(-2);
		expect(Math.max(...asked)).toBeLessThanOrEqual(4);
	});
});
