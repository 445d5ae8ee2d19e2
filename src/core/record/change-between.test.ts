import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ALL_SITES } from '../../../tests/support/sites';
import { applyChange } from './change';
import { changeBetween } from './change-between';
import type { ArrayRecord } from './record';

const LISTS = ['moduleTypes', 'strings', 'parts', 'fields'] as const;

/** What happens to one list: entries are taken out, changed and put elsewhere. */
const anyEdit = fc.record({
	list: fc.constantFrom(...LISTS),
	at: fc.nat(30),
	to: fc.nat(30),
	act: fc.constantFrom('remove', 'move', 'rename', 'copy')
});
type Edit = typeof anyEdit extends fc.Arbitrary<infer E> ? E : never;

function edited(record: ArrayRecord, { list, at, to, act }: Edit, n: number): ArrayRecord {
	const entries = [...record[list]] as { id: string; label?: string }[];
	if (entries.length === 0) return record;
	const from = at % entries.length;
	const entry = entries[from]!;
	if (act === 'remove' || act === 'move') entries.splice(from, 1);
	if (act === 'rename') entries[from] = { ...entry, label: `X${n}` };
	if (act === 'move') entries.splice(to % (entries.length + 1), 0, entry);
	if (act === 'copy') {
		const id = `019d0000-0000-7000-8000-${String(n).padStart(12, '0')}`;
		entries.splice(to % (entries.length + 1), 0, { ...entry, id });
	}
	return { ...record, [list]: entries };
}

describe('the change between two records', () => {
	it('makes the one into the other, to the order of every list', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...ALL_SITES.map(({ record }) => record as ArrayRecord)),
				fc.array(anyEdit, { maxLength: 12 }),
				fc.option(fc.integer({ min: 1990, max: 2026 })),
				(before, edits, year) => {
					const after = edits.reduce(edited, { ...before, inServiceSince: year });
					const made = applyChange(before, changeBetween(before, after));
					expect(made.ok && made.value).toEqual(after);
				}
			)
		);
	});
	it('is nothing where nothing changed, and one step where one entry did', () => {
		const record = ALL_SITES[0]!.record as ArrayRecord;
		expect(changeBetween(record, structuredClone(record))).toEqual([]);
		const [first, ...others] = record.strings;
		const after = { ...record, strings: [{ ...first!, moduleCount: 9 }, ...others] };
		expect(changeBetween(record, after)).toEqual([
			{ op: 'put', list: 'strings', value: after.strings[0] }
		]);
	});
});
