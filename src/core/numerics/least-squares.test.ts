import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { solveBounded } from './least-squares';

const wide = [-1e6, -1e6];
const high = [1e6, 1e6];
const figure = fc.double({ min: -50, max: 50, noNaN: true });

describe('bounded least squares', () => {
	it('walks the curved valley of Rosenbrock to its end', () => {
		// Rosenbrock, Computer Journal 3 (1960): minimum 0 at (1, 1), from the usual start.
		const { point, residuals } = solveBounded(
			([x, y]) => [10 * (y! - x! * x!), 1 - x!],
			[-1.2, 1],
			wide,
			high
		);
		expect(point[0]).toBeCloseTo(1, 8);
		expect(point[1]).toBeCloseTo(1, 8);
		expect(Math.hypot(...residuals)).toBeLessThan(1e-8);
	});

	it('solves two straight lines wherever they cross', () => {
		fc.assert(
			fc.property(figure, figure, fc.double({ min: 0.2, max: 5, noNaN: true }), (x0, y0, skew) => {
				const { point } = solveBounded(
					([x, y]) => [x! - x0 + skew * (y! - y0), skew * (x! - x0) - 3 * (y! - y0)],
					[0, 0],
					wide,
					high
				);
				expect(point[0]).toBeCloseTo(x0, 5);
				expect(point[1]).toBeCloseTo(y0, 5);
			})
		);
	});

	it('ends at a wall where the answer lies behind it, and on the best place of that wall', () => {
		const { point, residuals } = solveBounded(
			([x, y]) => [x! - 3, 2 * (y! + x! - 4)],
			[0, 0],
			[-1, -1],
			[2, 5]
		);
		expect(point[0]).toBe(2);
		expect(point[1]).toBeCloseTo(2, 6);
		expect(residuals[0]).toBeCloseTo(-1, 9);
	});

	it('never leaves its box, whatever the function', () => {
		fc.assert(
			fc.property(figure, figure, figure, (a, b, c) => {
				const seen: number[][] = [];
				const { point } = solveBounded(
					(p) => {
						seen.push([...p]);
						return [Math.sin(p[0]! + a) + b * p[1]!, p[1]! * p[0]! - c];
					},
					[0.5, 0.5],
					[0, -1],
					[2, 1]
				);
				for (const [x, y] of [...seen, point]) {
					expect(x).toBeGreaterThanOrEqual(0);
					expect(x).toBeLessThanOrEqual(2);
					expect(y).toBeGreaterThanOrEqual(-1);
					expect(y).toBeLessThanOrEqual(1);
				}
			})
		);
	});

	it('starts inside even where it is told to start outside', () => {
		const { point } = solveBounded(([x]) => [x! - 1], [40], [0], [2]);
		expect(point[0]).toBeCloseTo(1, 9);
	});
});
