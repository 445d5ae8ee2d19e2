import fc from 'fast-check';
import { expect, it } from 'vitest';
import { mergeFields } from './merge-fields';

const anyFields = fc.record({
	a: fc.nat(2),
	b: fc.nat(2),
	c: fc.array(fc.nat(1), { maxLength: 2 })
});

it('keeps what either of two people changed, and refuses what both changed differently', () => {
	const seen = { limit: 80, price: 12, days: ['06-21'] };
	const theirs = { ...seen, price: 14 };
	expect(mergeFields(seen, { ...seen, limit: 75 }, theirs)).toEqual({
		ok: true,
		value: { ...theirs, limit: 75 }
	});
	expect(mergeFields(seen, { ...seen, price: 13 }, theirs)).toEqual({
		ok: false,
		problem: ['price']
	});
	expect(mergeFields(seen, theirs, theirs)).toEqual({ ok: true, value: theirs });
});

it('gives the same whoever of two comes first', () => {
	fc.assert(
		fc.property(anyFields, anyFields, anyFields, (seen, mine, yours) => {
			const first = mergeFields(seen, mine, yours);
			const second = mergeFields(seen, yours, mine);
			expect(first).toEqual(second);
		})
	);
});

it('stores what is wanted where nothing changed meanwhile', () => {
	fc.assert(
		fc.property(anyFields, anyFields, (seen, wanted) => {
			expect(mergeFields(seen, wanted, seen)).toEqual({ ok: true, value: wanted });
		})
	);
});
