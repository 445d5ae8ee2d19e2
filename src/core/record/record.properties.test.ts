import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrayRecord, testId } from '../../../tests/support/scenario';
import { ALL_SITES } from '../../../tests/support/sites';
import { applyChange, type RecordChange } from './change';
import { differenceInWords } from './difference';
import { cellKey, cellsOf, STEPS, type Cell } from './field';
import { removal } from './mend-links';
import { oneLine } from './one-line';
import { PART_KIND_NAMES, unknownSpecs, type Part } from './part';
import { endOfString, occupants, partsOnward, pathOfModule } from './path';
import { layRun, liftModules, moveModule, nextLabel, unplaced } from './placing';
import type { ArrayRecord } from './record';
import { unknownsOf } from './unknowns';
import { partCode } from '../../../tests/support/part-codes';

/* Laws of a record that hold whatever is in it. */

const ROWS = 4;
const COLUMNS = 9;
const FIELD = testId(900);

/** Three strings of seven on a roof of 36 places, nothing placed yet. */
const bare: ArrayRecord = {
	...arrayRecord(['A1', 'A2', 'A3'], 7),
	fields: [
		{
			id: FIELD,
			name: 'Roof',
			rows: ROWS,
			columns: COLUMNS,
			tilt: 20,
			azimuth: 180,
			lying: false,
			countedTypeId: null
		}
	]
};

const after = (record: ArrayRecord, change: RecordChange): ArrayRecord => {
	const changed = applyChange(record, change);
	if (!changed.ok) throw new Error(changed.problem);
	return changed.value;
};

const anyCell: fc.Arbitrary<Cell> = fc.record({
	field: fc.constant(FIELD),
	row: fc.integer({ min: -1, max: ROWS }),
	column: fc.integer({ min: -1, max: COLUMNS })
});
const anyString = fc.constantFrom(...bare.strings.map(({ id }) => id));

/** What somebody does on the plan; what cannot be done changes nothing. */
const anyAct = fc.oneof(
	fc.record({
		do: fc.constant('lay' as const),
		string: anyString,
		at: anyCell,
		step: fc.constantFrom(...STEPS)
	}),
	fc.record({ do: fc.constant('move' as const), from: anyCell, to: anyCell }),
	fc.record({
		do: fc.constant('lift' as const),
		string: anyString,
		module: fc.option(fc.integer({ min: 1, max: 7 }))
	})
);
type Act = typeof anyAct extends fc.Arbitrary<infer A> ? A : never;

function done(record: ArrayRecord, act: Act): ArrayRecord {
	switch (act.do) {
		case 'lay': {
			const laid = layRun(record, act.string, act.at, act.step);
			return laid.ok ? after(record, laid.value.change) : record;
		}
		case 'move': {
			const moved = moveModule(record, act.from, act.to);
			return moved.ok ? after(record, moved.value) : record;
		}
		case 'lift': {
			const lifted = liftModules(record, act.string, act.module);
			return lifted.ok ? after(record, lifted.value) : record;
		}
	}
}

const placedIn = (record: ArrayRecord) =>
	record.strings.flatMap(({ spans, moduleCount }) =>
		cellsOf(spans, moduleCount).filter((cell) => cell !== null)
	);

describe('the plan, whatever is done on it', () => {
	it('never holds two modules in one place, nor one beyond its edge', () => {
		fc.assert(
			fc.property(fc.array(anyAct, { maxLength: 25 }), (acts) => {
				const record = acts.reduce(done, bare);
				const cells = placedIn(record);
				expect(new Set(cells.map(cellKey)).size).toBe(cells.length);
				for (const { row, column } of cells) {
					expect(row >= 0 && row < ROWS && column >= 0 && column < COLUMNS).toBe(true);
				}
				expect(occupants(record).size).toBe(cells.length);
			})
		);
	});

	it('loses no module: each lies somewhere or waits', () => {
		fc.assert(
			fc.property(fc.array(anyAct, { maxLength: 25 }), (acts) => {
				const record = acts.reduce(done, bare);
				const waiting = record.strings.reduce((sum, one) => sum + unplaced(one).length, 0);
				expect(placedIn(record).length + waiting).toBe(21);
			})
		);
	});

	it('is the same again when a move is made back', () => {
		fc.assert(
			fc.property(
				fc.array(anyAct, { minLength: 3, maxLength: 12 }),
				anyCell,
				anyCell,
				(acts, a, b) => {
					const record = acts.reduce(done, bare);
					const moved = moveModule(record, a, b);
					fc.pre(moved.ok && moved.value.length > 0);
					if (!moved.ok) return;
					const back = moveModule(after(record, moved.value), b, a);
					if (!back.ok) throw new Error(back.problem);
					const twice = after(after(record, moved.value), back.value);
					expect(
						twice.strings.map(({ spans, moduleCount }) => cellsOf(spans, moduleCount))
					).toEqual(record.strings.map(({ spans, moduleCount }) => cellsOf(spans, moduleCount)));
				}
			)
		);
	});

	it('lays a run in the order of the string, as many as fit', () => {
		fc.assert(
			fc.property(anyString, anyCell, fc.constantFrom(...STEPS), (id, start, step) => {
				const laid = layRun(bare, id, start, step);
				fc.pre(laid.ok);
				if (!laid.ok) return;
				const record = after(bare, laid.value.change);
				const string = record.strings.find((one) => one.id === id)!;
				expect(laid.value.laid + laid.value.left).toBe(string.moduleCount);
				const order = cellsOf(string.spans, string.moduleCount).map((cell) => cell !== null);
				expect(order).toEqual(order.toSorted((a, b) => Number(b) - Number(a)));
			})
		);
	});
});

/** Parts of any kinds, each leading to a later one, so that nothing runs in a circle. */
const anyParts: fc.Arbitrary<Part[]> = fc
	.array(
		fc.record({
			kind: fc.constantFrom(...PART_KIND_NAMES),
			onward: fc.option(fc.integer({ min: 1, max: 4 }))
		}),
		{ maxLength: 14 }
	)
	.map((list) =>
		list.map(({ kind, onward }, i): Part => {
			const to = onward !== null && i + onward < list.length ? testId(2000 + i + onward) : null;
			return {
				id: testId(2000 + i),
				kind,
				mark: `X${i}`,
				place: null,
				model: null,
				serial: null,
				to,
				specs: unknownSpecs(kind)
			} as Part;
		})
	);

const anyArray: fc.Arbitrary<ArrayRecord> = anyParts.chain((parts) =>
	fc
		.array(fc.option(fc.nat({ max: Math.max(0, parts.length - 1) })), {
			minLength: 3,
			maxLength: 3
		})
		.map((leads) => ({
			...bare,
			parts,
			strings: bare.strings.map((string, i) => ({
				...string,
				to: leads[i] === null || leads[i] === undefined ? null : (parts[leads[i]]?.id ?? null)
			}))
		}))
);

describe('any array', () => {
	it('is drawn with every box in a place of its own, each line from left to right', () => {
		fc.assert(
			fc.property(anyArray, (record) => {
				const { nodes, links, besides, rows, columns } = oneLine(record);
				const at = new Map(nodes.map((node) => [node.id, node]));
				expect(at.size).toBe(nodes.length);
				expect(new Set(nodes.map(({ column, row }) => `${column}/${row}`)).size).toBe(nodes.length);
				for (const { from, to } of links) {
					if (!at.has(from) || !at.has(to)) continue;
					expect(at.get(to)!.column).toBeGreaterThan(at.get(from)!.column);
				}
				for (const { row, column } of nodes) {
					expect(row).toBeLessThan(rows);
					expect(column).toBeLessThan(columns);
				}
				// Nothing recorded is left out: it is a box, a line, or named beside the drawing.
				const shown = new Set([...nodes.map(({ id }) => id), ...besides.map(({ id }) => id)]);
				for (const { id, kind } of record.parts) {
					expect(kind === 'conductor' || shown.has(id)).toBe(true);
				}
				const strings = nodes.flatMap(({ of }) => (of.kind === 'strings' ? of.strings : []));
				expect(strings).toHaveLength(record.strings.length);
			})
		);
	});

	it('closes over each part that is taken out, and the way of every string goes on', () => {
		fc.assert(
			fc.property(anyArray, fc.nat(), (record, pick) => {
				fc.pre(record.parts.length > 0);
				const gone = record.parts[pick % record.parts.length]!;
				const without = after(record, removal(record, 'parts', gone.id));
				for (const string of record.strings) {
					const before = partsOnward(record, string.to).filter(({ id }) => id !== gone.id);
					const now = without.strings.find(({ id }) => id === string.id)!;
					expect(partsOnward(without, now.to).map(({ id }) => id)).toEqual(
						before.map(({ id }) => id)
					);
				}
			})
		);
	});

	it('tells one way for every module of a string', () => {
		fc.assert(
			fc.property(anyArray, (record) => {
				for (const string of record.strings) {
					const first = pathOfModule(record, string.id, 1)!;
					const last = pathOfModule(record, string.id, string.moduleCount)!;
					expect(last.parts).toEqual(first.parts);
					expect(first.end).toEqual(endOfString(record, string));
				}
			})
		);
	});

	it('lists what is unknown once each, with a reason and a place to mend it', () => {
		fc.assert(
			fc.property(anyArray, (record) => {
				const unknowns = unknownsOf(record, partCode);
				expect(new Set(unknowns.map(({ key }) => key)).size).toBe(unknowns.length);
				for (const { words, why } of unknowns) {
					expect(words).not.toMatch(/undefined|null|NaN/);
					expect(why.length).toBeGreaterThan(0);
				}
			})
		);
	});

	it('differs from another in words exactly where they differ', () => {
		fc.assert(
			fc.property(anyArray, anyArray, (a, b) => {
				expect(differenceInWords(a, a, partCode)).toEqual([]);
				const words = differenceInWords(a, b, partCode);
				const alike = JSON.stringify(a) === JSON.stringify(b);
				expect(words.length === 0).toBe(alike);
				expect(words.join(' ')).not.toMatch(/undefined|null|NaN/);
			})
		);
	});
});

describe('a new string’s mark', () => {
	it('is none that is taken, on any site', () => {
		for (const { record } of ALL_SITES) {
			const taken = record.strings.map(({ label }) => label);
			for (const label of taken) expect(taken).not.toContain(nextLabel(record, label));
		}
		fc.assert(
			fc.property(fc.string({ maxLength: 12 }), (mark) => {
				expect(bare.strings.map(({ label }) => label)).not.toContain(nextLabel(bare, mark));
			})
		);
	});
});
