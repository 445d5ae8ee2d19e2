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

describe('the mark of a column', () => {
	const guess = (cells: readonly string[], delimiter = ';', factor = 1) =>
		guessMark([{ cells, factor }], delimiter);

	it('is the one that more cells have', () => {
		expect(guess(['1,5', '2,25', '7']).mark).toBe(',');
		expect(guess(['1.5', '2.25', '7'], ',').mark).toBe('.');
		expect(guess(['1', '2']).mark).toBe('.');
	});

	it.each([
		// Three figures after the mark, none before it is 0: thousands of W, whichever mark.
		[['0', '1,760', '3,400'], 1, '.', 1760],
		[['0', '1.760', '3.400'], 1, ',', 1760],
		// Of kW they are thousandths, unless whole figures stand bare beside them.
		[['1,760', '3,400'], 1000, ',', 1.76],
		[['760', '1,760', '3,400'], 1000, '.', 1760]
	] as const)('%j can be read two ways, and that is said', (cells, factor, mark, read) => {
		expect(guess(cells, ';', factor)).toMatchObject({ mark, question: { read } });
	});

	it.each([
		[['0,760', '1,760', '3,400'], ','],
		[['1,76', '3,400'], ','],
		[['1,234.5', '987.0'], '.'],
		[['1.234,5', '987,0'], ','],
		[['1.760', '3.400', '0.005'], '.']
	] as const)('%j can be read one way alone', (cells, mark) => {
		expect(guess(cells)).toEqual({ mark, question: null });
	});
});
