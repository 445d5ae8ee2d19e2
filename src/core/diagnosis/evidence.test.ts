import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rightDensity, wrongDensity } from './evidence';

const SCALE = 600;
const readingLikelihood = (
	measured: number,
	value: number | null,
	sigma: number,
	scale: number
) => ({
	right: rightDensity(measured, { value, sigma, scale }),
	wrong: wrongDensity(measured, { value, sigma, scale })
});

describe('a reading under one hypothesis', () => {
	it('is likeliest where it was predicted', () => {
		const at = (measured: number) => readingLikelihood(measured, 450, 2, SCALE).right;
		expect(at(450)).toBeGreaterThan(at(452));
		expect(at(452)).toBeGreaterThan(at(456));
		expect(at(450)).toBeCloseTo(0.99 / (2 * Math.sqrt(2 * Math.PI)), 9);
	});

	it.each([
		['leads swapped', -450],
		['the decimal mark to the right', 4500],
		['the decimal mark to the left', 45],
		['the meter on AC or not touching', 0.4]
	])('knows the shape of %s', (_, measured) => {
		const { right, wrong } = readingLikelihood(measured, 450, 2, SCALE);
		expect(wrong).toBeGreaterThan(3 * readingLikelihood(287, 450, 2, SCALE).wrong);
		expect(wrong).toBeGreaterThan(right);
	});

	it('adds up to one over all that can be read, right and wrong together', () => {
		for (const predicted of [450, -450, 8, 0]) {
			const scale = Math.abs(predicted) > 100 ? SCALE : 12;
			const sigma = Math.max(Math.abs(predicted) * 0.004, 0.03);
			const step = sigma / 20;
			let sum = 0;
			const far = 1.5 * scale;
			for (let x = -far; x < far; x += step) {
				const { right, wrong } = readingLikelihood(x, predicted, sigma, scale);
				sum += (right + wrong) * step;
			}
			// A tenfold slip lies outside this range; it has 0.1 of 1 % of all.
			expect(sum).toBeGreaterThan(0.99);
			expect(sum).toBeLessThan(1.002);
		}
	});

	it('is flat where nothing can be predicted', () => {
		const flat = readingLikelihood(3, null, 1, 12);
		expect(flat).toEqual(readingLikelihood(-7, null, 1, 12));
		expect(flat.right).toBeCloseTo(1 / 36, 9);
	});

	it('is never nothing and never more than all, whatever was read', () => {
		const figure = fc.double({ min: -30000, max: 30000, noNaN: true });
		fc.assert(
			fc.property(figure, figure, fc.double({ min: 0.01, max: 50, noNaN: true }), (m, p, sigma) => {
				const { right, wrong } = readingLikelihood(m, p, sigma, SCALE);
				expect(right + wrong).toBeGreaterThan(0);
				expect(Number.isFinite(right + wrong)).toBe(true);
			})
		);
	});
});
