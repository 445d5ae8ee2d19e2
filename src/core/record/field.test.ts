import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cellsOf, spansOf, type Cell } from './field';

const cell = fc.record({
	field: fc.constantFrom('south', 'north'),
	row: fc.integer({ min: 0, max: 5 }),
	column: fc.integer({ min: 0, max: 11 })
});

describe('the places of a string’s modules', () => {
	it('come back from their spans, whatever way they lie', () => {
		fc.assert(
			fc.property(fc.array(fc.option(cell), { maxLength: 24 }), (cells) => {
				expect(cellsOf(spansOf(cells), cells.length)).toEqual(cells);
			})
		);
	});

	it('in a row are one span, and in a meander one for each row', () => {
		const meander: Cell[] = [
			...[0, 1, 2].map((column) => ({ field: 'f', row: 0, column })),
			...[2, 1, 0].map((column) => ({ field: 'f', row: 1, column }))
		];
		expect(spansOf(meander.slice(0, 3))).toEqual([
			{ from: 1, count: 3, field: 'f', row: 0, column: 0, step: 'right' }
		]);
		expect(spansOf(meander)).toHaveLength(2);
	});
});
