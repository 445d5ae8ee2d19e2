import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { guessMark, readCell } from './figure';

describe('a cell', () => {
	it.each([
		['12.5', '.', 12.5],
		['-3', '.', -3],
		['1,234.5', '.', 1234.5],
		['1 234.5', '.', 1234.5],
		['1.2e3', '.', 1200],
		['12,5', ',', 12.5],
		['1.234,5', ',', 1234.5],
		['1.234', ',', 1234],
		['1 234,5', ',', 1234.5],
		['12.5', ',', 12.5]
	] as const)('%s with decimals behind %s is %d', (cell, mark, value) => {
		expect(readCell(cell, mark)).toBe(value);
	});
	it.each(['', ' ', '-', 'n/a', 'NaN', 'null', '--'])('“%s” says nothing', (cell) => {
		expect(readCell(cell, '.')).toBeNull();
	});
	it.each([
		['12,5', '.'],
		['1.2.3', '.'],
		['on', '.']
	] as const)('%s with decimals behind %s is no number', (cell, mark) => {
		expect(readCell(cell, mark)).toBeNaN();
	});
	it('is read as it was written, with either mark', () => {
		fc.assert(
			fc.property(fc.integer({ min: -9_999_999, max: 9_999_999 }), (hundredths) => {
				const text = (hundredths / 100).toFixed(2);
				expect(readCell(text, '.')).toBe(hundredths / 100);
				expect(readCell(text.replace('.', ','), ',')).toBe(hundredths / 100);
			})
		);
	});
});

it('the mark is the one that more cells have', () => {
	expect(guessMark(['1,5', '2,25', '7'], ';')).toBe(',');
	expect(guessMark(['1.5', '2.25', '7'], ',')).toBe('.');
	expect(guessMark(['1', '2'], ';')).toBe('.');
});
