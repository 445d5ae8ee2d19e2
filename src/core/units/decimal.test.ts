import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseDecimal } from './decimal';

describe('parseDecimal', () => {
	it.each([
		['453.2', 453.2],
		['453,2', 453.2],
		[' 8 ', 8],
		['-440,1', -440.1],
		['\u2212440.1', -440.1],
		[',5', 0.5],
		['12.', 12]
	])('reads %j', (typed, value) => {
		expect(parseDecimal(typed)).toEqual({ ok: true, value });
	});

	it.each([
		['', 'Nothing is typed'],
		['   ', 'Nothing is typed'],
		['abc', 'not a number'],
		['NaN', 'not a number'],
		['Infinity', 'not a number'],
		['453.2.1', 'more than one decimal mark'],
		['1,453.2', 'more than one decimal mark'],
		['1e9', 'exponent'],
		['0x10', 'not a number'],
		['4 53', 'not a number']
	])('refuses %j and says why', (typed, words) => {
		const result = parseDecimal(typed);
		expect(result.ok).toBe(false);
		expect(result).toHaveProperty('problem', expect.stringContaining(words));
	});

	it('reads point and comma alike for every figure a meter shows', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: -999999, max: 999999 }),
				fc.integer({ min: 0, max: 3 }),
				(n, digits) => {
					const shown = (n / 10 ** digits).toFixed(digits);
					expect(parseDecimal(shown)).toEqual({ ok: true, value: Number(shown) });
					expect(parseDecimal(shown.replace('.', ','))).toEqual(parseDecimal(shown));
				}
			)
		);
	});
});
