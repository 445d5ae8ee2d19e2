import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { median, quantile } from './quantile';

const some = fc.array(fc.double({ min: -1e6, max: 1e6, noNaN: true }), { minLength: 1 });

describe('the median', () => {
	it('is the middle one, or half-way between the two in the middle', () => {
		expect(median([3])).toBe(3);
		expect(median([9, 1, 5])).toBe(5);
		expect(median([4, 1, 9, 6])).toBe(5);
		expect(median([])).toBeNaN();
	});

	it('has as many below it as above', () => {
		fc.assert(
			fc.property(some, (values) => {
				const middle = median(values);
				const below = values.filter((value) => value < middle).length;
				const above = values.filter((value) => value > middle).length;
				expect(below).toBeLessThanOrEqual(values.length / 2);
				expect(above).toBeLessThanOrEqual(values.length / 2);
			})
		);
	});

	it('does not hang on the order, and leaves the values as they are', () => {
		fc.assert(
			fc.property(some, (values) => {
				const before = [...values];
				expect(median([...values].reverse()) === median(values)).toBe(true);
				expect(values).toEqual(before);
			})
		);
	});
});

describe('a quantile', () => {
	it('goes from the least to the greatest, and never back', () => {
		fc.assert(
			fc.property(
				some,
				fc.double({ min: 0, max: 1, noNaN: true }),
				fc.double({ min: 0, max: 1, noNaN: true }),
				(values, one, other) => {
					// Nought and minus nought are one here.
					expect(quantile(values, 0) === Math.min(...values)).toBe(true);
					expect(quantile(values, 1) === Math.max(...values)).toBe(true);
					const [low, high] = [Math.min(one, other), Math.max(one, other)];
					expect(quantile(values, low)).toBeLessThanOrEqual(quantile(values, high) + 1e-9);
				}
			)
		);
	});

	it('lies between neighbours', () => {
		expect(quantile([0, 10], 0.25)).toBe(2.5);
		expect(quantile([1, 2, 3, 4, 5], 0.75)).toBe(4);
	});
});
