import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrayRecord, testId } from '../../../../tests/support/scenario';
import { SALTMARSH } from '../../../../tests/support/sites';
import { applyChange } from '../../record';
import { STARTING_SET } from '../library/starting-set';
import { LIBRARY_KINDS } from '../library/library';
import {
	importModuleTypes,
	MODULE_TYPE_COLUMNS,
	moduleTypeRows,
	typeColumns,
	typeRows,
	typesOfLines
} from './library';
import { importModules, MODULE_COLUMNS, moduleRows } from './modules';
import { importStrings, STRING_COLUMNS, stringRows } from './strings';
import { matchColumns, missingColumns, readTable } from './table';

const record = arrayRecord();
let made = 0;
const newId = () => testId(0x9000 + made++);
const modules = (rows: string[][], head = ['String', 'Module', 'Serial', 'Year']) => {
	const { lines, refused } = readTable(rows, matchColumns(head, MODULE_COLUMNS), MODULE_COLUMNS);
	return { ...importModules(record, lines), unread: refused };
};

describe('columns', () => {
	it('are known by other headings, with units and marks', () => {
		const mapping = matchColumns(['Str.', 'Pos.', 'SN', 'Voc [V]'], MODULE_COLUMNS);
		expect(mapping).toMatchObject({ string: 0, number: 1, serial: 2, year: null });
		expect(matchColumns(['Umpp [V]', 'TK Voc (%/K)'], MODULE_TYPE_COLUMNS)).toMatchObject({
			beta: 1
		});
	});

	it('that are missing are named', () => {
		const mapping = matchColumns(['Serial', 'Colour'], MODULE_COLUMNS);
		expect(missingColumns(mapping, MODULE_COLUMNS)).toEqual(['String', 'Module']);
	});
});

describe('a list of modules', () => {
	it('takes what it can, and refuses every other line with its number and the reason', () => {
		const { taken, refused, unread } = modules([
			['A1', '1', 'X1', '2019'],
			['A1', '2', 'X1', ''],
			['', '', '', ''],
			['Z9', '1', 'X2', ''],
			['A1', '13', 'X3', ''],
			['a2', '1', 'X4', '19'],
			['A2', 'one', 'X5', '']
		]);
		expect(taken).toBe(1);
		expect(refused.map(({ line }) => line)).toEqual([3, 5, 6]);
		expect(refused[0]!.why).toContain('stands at A1, module 1 (line 2) already');
		expect(refused[1]!.why).toContain('no string Z9');
		expect(refused[2]!.why).toContain('has 12 modules');
		expect(unread.map(({ line }) => line)).toEqual([7, 8]);
		expect(unread[0]!.why).toContain('1980 to 2100');
	});

	it('knows a serial that stands elsewhere in the record', () => {
		const { lines } = readTable(
			[['A2', '1', SALTMARSH.record.strings[0]!.modules[0]!.serial!]],
			matchColumns(['String', 'Module', 'Serial'], MODULE_COLUMNS),
			MODULE_COLUMNS
		);
		expect(importModules(SALTMARSH.record, lines).refused[0]!.why).toContain('A1, module 1');
	});

	it('comes back as it was written', () => {
		const rows = moduleRows(SALTMARSH.record);
		const { lines, refused } = readTable(
			rows.slice(1),
			matchColumns(rows[0]!, MODULE_COLUMNS),
			MODULE_COLUMNS
		);
		expect(refused).toEqual([]);
		const bare = {
			...SALTMARSH.record,
			strings: SALTMARSH.record.strings.map((string) => ({ ...string, modules: [] }))
		};
		const changed = applyChange(bare, importModules(bare, lines).steps);
		expect(changed.ok && moduleRows(changed.value)).toEqual(rows);
	});

	it('of any text is read or refused, never more than its lines', () => {
		fc.assert(
			fc.property(fc.array(fc.array(fc.string(), { maxLength: 5 }), { maxLength: 20 }), (rows) => {
				const { taken, refused, unread } = modules(rows);
				expect(taken + refused.length + unread.length).toBeLessThanOrEqual(rows.length);
			})
		);
	});
});

describe('a list of strings', () => {
	const read = (rows: string[][], head = ['String', 'Modules', 'Fuse', 'Cable', 'Input']) => {
		const mapping = matchColumns(head, STRING_COLUMNS);
		const { lines, refused } = readTable(rows, mapping, STRING_COLUMNS);
		return { ...importStrings(record, lines, newId), unread: refused };
	};

	it('changes those that are there, adds the others, and refuses a mark that stands twice', () => {
		const { steps, added, changed, refused, unread } = read([
			['A1', '11', '16 A', '0,43', ''],
			['C1', '10', 'none', '', '3'],
			['c1', '10', '', '', ''],
			['C2', '10', 'wet', '', '']
		]);
		expect([added, changed]).toEqual([1, 1]);
		expect(refused[0]).toMatchObject({ line: 4, why: expect.stringContaining('line 3 already') });
		expect(unread[0]).toMatchObject({ line: 5, why: expect.stringContaining('Fuse (A)') });
		const [a1, c1] = steps.map((step) => (step.op === 'put' ? step.value : null));
		expect(a1).toMatchObject({
			moduleCount: 11,
			fuse: { rating: 16 },
			cableResistance: 0.43,
			input: 'A'
		});
		expect(c1).toMatchObject({ label: 'C1', fuse: null, input: '3' });
	});

	it('needs a module type that the record holds', () => {
		const { refused } = read([['D1', '9', 'Nobody 400']], ['String', 'Modules', 'Type']);
		expect(refused[0]!.why).toContain('no module type “Nobody 400”');
	});

	it('comes back as it was written', () => {
		const rows = stringRows(SALTMARSH.record);
		const mapping = matchColumns(rows[0]!, STRING_COLUMNS);
		const { lines } = readTable(rows.slice(1), mapping, STRING_COLUMNS);
		const { steps, added, refused } = importStrings(SALTMARSH.record, lines, newId);
		expect([added, refused]).toEqual([0, []]);
		expect(applyChange(SALTMARSH.record, steps)).toEqual({ ok: true, value: SALTMARSH.record });
	});
});

describe('a list of module types', () => {
	it('comes back as it was written', () => {
		const rows = moduleTypeRows(STARTING_SET);
		const mapping = matchColumns(rows[0]!, MODULE_TYPE_COLUMNS);
		const { lines, refused } = readTable(rows.slice(1), mapping, MODULE_TYPE_COLUMNS);
		expect(refused).toEqual([]);
		const { entries } = importModuleTypes(lines, newId);
		expect(moduleTypeRows(entries)).toEqual(rows);
	});

	it('refuses a label that contradicts itself', () => {
		const head = ['Name', 'Cells in series', 'Pmax', 'Vmp', 'Imp', 'Voc', 'Isc'];
		const mapping = matchColumns(head, MODULE_TYPE_COLUMNS);
		const { lines } = readTable(
			[['X', '60', '300', '40', '9', '33', '9,5']],
			mapping,
			MODULE_TYPE_COLUMNS
		);
		expect(importModuleTypes(lines, newId).refused[0]!.why).toContain('must be below Voc');
	});
});

describe('a list of types of any other kind', () => {
	const others = LIBRARY_KINDS.filter((kind) => kind !== 'module');

	it.each(others)('comes back as it was written: %s', (kind) => {
		const rows = typeRows(kind, STARTING_SET);
		const columns = typeColumns(kind);
		const { lines, refused } = readTable(rows.slice(1), matchColumns(rows[0]!, columns), columns);
		expect(refused).toEqual([]);
		expect(typeRows(kind, typesOfLines(kind, lines, newId))).toEqual(rows);
	});

	it('refuses figures beyond their bounds and words that are none of the choice', () => {
		const columns = typeColumns('charge-controller');
		const mapping = matchColumns(['Name', 'Method', 'Highest PV (V)'], columns);
		const { lines, refused } = readTable(
			[
				['A', 'mppt', '150'],
				['B', 'magic', '150'],
				['C', 'PWM', '99999']
			],
			mapping,
			columns
		);
		expect(lines.map(({ values }) => values.method)).toEqual(['MPPT']);
		expect(refused.map(({ line, why }) => [line, why.slice(0, 6)])).toEqual([
			[3, 'Method'],
			[4, 'Highes']
		]);
	});
});
