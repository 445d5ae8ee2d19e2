import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ALL_SITES, SALTMARSH } from '../../../../tests/support/sites';
import { testId } from '../../../../tests/support/scenario';
import { applyChange, type ArrayRecord } from '../../record';
import { checkLabel } from '../../module';
import { STARTING_SET } from '../library/starting-set';
import { importModules, MODULE_COLUMNS, moduleRows } from './modules';
import { importStrings, STRING_COLUMNS, stringRows } from './strings';
import { matchColumns, readTable } from './table';

/* Lists that went out come in again: nothing changes, and what was changed in them changes alone. */

let made = 0;
const newId = () => testId(0xa000 + made++);

function strings(record: ArrayRecord, [head, ...rows]: string[][]) {
	const table = readTable(rows, matchColumns(head!, STRING_COLUMNS), STRING_COLUMNS);
	expect(table.refused).toEqual([]);
	return importStrings(record, table.lines, newId);
}
function modules(record: ArrayRecord, [head, ...rows]: string[][]) {
	const table = readTable(rows, matchColumns(head!, MODULE_COLUMNS), MODULE_COLUMNS);
	expect(table.refused).toEqual([]);
	return importModules(record, table.lines);
}
const after = (record: ArrayRecord, steps: Parameters<typeof applyChange>[1]) => {
	const changed = applyChange(record, steps);
	if (!changed.ok) throw new Error(changed.problem);
	return changed.value;
};

describe('the list of strings', () => {
	it('of every site comes back without a change', () => {
		for (const { record } of ALL_SITES) {
			const { steps, added, changed, refused } = strings(record, stringRows(record));
			expect([steps, added, changed, refused]).toEqual([[], 0, 0, []]);
		}
	});

	it('changes the strings whose line was changed, and no other', () => {
		const { record } = SALTMARSH;
		const index = fc.nat({ max: record.strings.length - 1 });
		fc.assert(
			fc.property(index, fc.integer({ min: 1, max: 30 }), (i, count) => {
				const rows = stringRows(record);
				const line = rows[i + 1]!;
				line[1] = String(count);
				const { steps } = strings(record, rows);
				expect(steps).toHaveLength(record.strings[i]!.moduleCount === count ? 0 : 1);
				const now = after(record, steps);
				expect(now.strings[i]!.moduleCount).toBe(count);
				now.strings.forEach((string, n) => {
					if (n !== i) expect(string).toEqual(record.strings[n]);
				});
			})
		);
	});

	it.each([
		['none', null],
		['no', null],
		['?', 'unknown'],
		['unknown', 'unknown'],
		['20', { rating: 20 }],
		['12,5 A', { rating: 12.5 }]
	])('reads a fuse of “%s”', (typed, fuse) => {
		const { record } = SALTMARSH;
		const rows = stringRows(record);
		rows[1]![3] = typed;
		expect(after(record, strings(record, rows).steps).strings[0]!.fuse).toEqual(fuse);
	});

	it('adds a string that is new, with what is not in the list unknown', () => {
		const { record } = SALTMARSH;
		const rows = [...stringRows(record), ['C1', '10', '', '', '', '']];
		const { steps, added } = strings(record, rows);
		expect(added).toBe(1);
		expect(after(record, steps).strings.at(-1)).toMatchObject({
			label: 'C1',
			moduleCount: 10,
			fuse: 'unknown',
			devices: 'unknown',
			input: null
		});
	});
});

describe('the list of modules', () => {
	it('of every site comes back without a change', () => {
		for (const { record } of ALL_SITES) {
			const { steps, taken, refused } = modules(record, moduleRows(record));
			expect([steps, taken, refused]).toEqual([[], 0, []]);
		}
	});

	it('gives each module what its line says, and keeps what the line leaves empty', () => {
		const { record } = SALTMARSH;
		const at = fc.nat({ max: 95 });
		const serial = fc.stringMatching(/^[A-Z]{2}[0-9]{6}$/);
		fc.assert(
			fc.property(at, serial, fc.integer({ min: 1990, max: 2030 }), (line, code, year) => {
				const rows = moduleRows(record);
				const row = rows[line + 1]!;
				const [label, number] = [row[0]!, Number(row[1])];
				row[2] = `ZZ${code}`;
				row[4] = String(year);
				const { steps, taken } = modules(record, rows);
				expect(taken).toBe(1);
				const string = after(record, steps).strings.find((one) => one.label === label)!;
				expect(string.modules.find((module) => module.number === number)).toMatchObject({
					serial: `ZZ${code}`,
					year
				});
			}),
			{ numRuns: 40 }
		);
	});
});

describe('the starting set', () => {
	it('holds no label that contradicts itself, and no name twice', () => {
		for (const entry of STARTING_SET) {
			if (entry.kind !== 'module') continue;
			expect(checkLabel(entry.plate).filter(({ severity }) => severity === 'error')).toEqual([]);
		}
		const names = STARTING_SET.map(({ kind, name }) => `${kind} ${name}`);
		expect(new Set(names).size).toBe(names.length);
		const ids = STARTING_SET.map((entry) => entry.id);
		expect(new Set(ids).size).toBe(ids.length);
	});
});
