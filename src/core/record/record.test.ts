import { describe, expect, it } from 'vitest';
import {
	ALL_SITES,
	CAIRN_RIGG,
	HOLLIN_CREEK,
	KILN_LANE,
	SALTMARSH
} from '../../../tests/support/sites';
import { arrayRecord, testId } from '../../../tests/support/scenario';
import { applyChange, type RecordChange } from './change';
import { differenceInWords } from './difference';
import { cellKey } from './field';
import { acPower, dcAcRatio, labelPower, moduleCount } from './label-power';
import { onlyEnd, removal } from './mend-links';
import { oneLine } from './one-line';
import { PART_KIND_NAMES, partsOf, unknownSpecs } from './part';
import { cellsOfInput, endOfString, inputsOf, occupants, partsOnward, pathOfModule } from './path';
import { duplicateString, layRun, liftModules, moveModule, nextLabel, unplaced } from './placing';
import { EMPTY_RECORD, fuseInCircuit, typesInString, type ArrayRecord } from './record';
import { unknownsOf } from './unknowns';
import { partCode } from '../../../tests/support/part-codes';

const after = (record: ArrayRecord, change: RecordChange): ArrayRecord => {
	const changed = applyChange(record, change);
	if (!changed.ok) throw new Error(changed.problem);
	return changed.value;
};
const value = <T>(result: { ok: true; value: T } | { ok: false; problem: string }): T => {
	if (!result.ok) throw new Error(result.problem);
	return result.value;
};

describe('what a record adds up to', () => {
	it('counts modules in strings and modules that were only counted', () => {
		const counted: ArrayRecord = {
			...arrayRecord(['A1']),
			fields: [
				{
					id: testId(5),
					name: 'Roof',
					rows: 2,
					columns: 10,
					tilt: null,
					azimuth: null,
					lying: false,
					countedTypeId: testId(1)
				}
			]
		};
		// The string's twelve are among the twenty that were counted, wherever they lie.
		expect(moduleCount(counted)).toBe(20);
		expect(labelPower(counted)).toBe(20 * 335);
		const [string] = counted.strings;
		const span = { from: 1, count: 5, field: testId(5), row: 0, column: 0, step: 'right' as const };
		const placed = { ...counted, strings: [{ ...string!, spans: [span] }] };
		expect(moduleCount(placed)).toBe(20);
		expect(moduleCount({ ...counted, strings: [] })).toBe(20);
	});

	it('knows the ratio only where every inverter’s power is known', () => {
		const { record } = SALTMARSH;
		expect(dcAcRatio(record)).toBeCloseTo((96 * 335) / 27_000, 6);
		expect(acPower(KILN_LANE.record)).toBe(24 * 290);
		expect(dcAcRatio({ ...record, parts: [] })).toBeNull();
		const blind = record.parts.map((part) =>
			part.kind === 'inverter' ? { ...part, specs: unknownSpecs('inverter') } : part
		);
		expect(acPower({ ...record, parts: blind })).toBeNull();
	});

	it('tells unknown from none', () => {
		expect(fuseInCircuit({ fuse: null })).toBeNull();
		expect(fuseInCircuit({ fuse: 'unknown' })).toEqual({ rating: null });
		expect(typesInString(CAIRN_RIGG.record.strings[1]!)).toEqual([
			CAIRN_RIGG.record.moduleTypes[1]!.id,
			CAIRN_RIGG.record.moduleTypes[0]!.id
		]);
	});
});

describe('the way of a module', () => {
	it('leads over every recorded part to its input, and back', () => {
		const { record } = SALTMARSH;
		const a2 = record.strings[1]!;
		const path = pathOfModule(record, a2.id, 6)!;
		expect(path.parts.map(({ mark }) => mark)).toEqual([
			'CB 1',
			'Q1',
			'W1',
			'INV 1',
			'Q10',
			'F12',
			'Main board'
		]);
		expect(path.end?.mark).toBe('INV 1');
		expect(inputsOf(path.end!)).toEqual(['1', '2']);
		expect(cellsOfInput(record, '1')).toHaveLength(48);
		expect(occupants(record).get(cellKey(cellsOfInput(record, '1')[0]!))?.string.label).toBe('A1');
		expect(pathOfModule(record, testId(404), 1)).toBeNull();
	});

	it('is found by the input’s name where no lead is recorded, and ends where a record runs in a circle', () => {
		const { record } = SALTMARSH;
		const string = { ...record.strings[0]!, to: null };
		expect(endOfString(record, string)?.mark).toBe('INV 1');
		const [first, second] = record.parts;
		const circle = {
			parts: [
				{ ...first!, to: second!.id },
				{ ...second!, to: first!.id }
			]
		};
		expect(partsOnward(circle, first!.id)).toHaveLength(2);
	});

	it('closes over a part that is taken out', () => {
		const { record } = SALTMARSH;
		const combiner = partsOf(record.parts, 'combiner')[0]!;
		const without = after(record, removal(record, 'parts', combiner.id));
		expect(partsOnward(without, without.strings[0]!.to)[0]!.mark).toBe('Q1');
		const roof = HOLLIN_CREEK.record;
		const bare = after(roof, removal(roof, 'fields', roof.fields[0]!.id));
		expect(bare.strings.every(({ spans }) => spans.length === 0)).toBe(true);
		const untyped = after(roof, removal(roof, 'parts', roof.parts[0]!.id));
		expect(untyped.strings[0]!.devices).toMatchObject({ part: null });
		expect(onlyEnd(record)).toBe(partsOf(record.parts, 'inverter')[0]!.id);
	});
});

describe('what is unknown', () => {
	it('of an empty record is what one must go and see', () => {
		const words = unknownsOf(EMPTY_RECORD, partCode).map((unknown) => unknown.words);
		expect(words).toContain('The module’s label');
		expect(words).toContain('inverter: there or not');
		expect(words).toContain('What hangs behind the modules');
	});

	it('shrinks when something is looked for and not there, and when it is found', () => {
		const { record } = SALTMARSH;
		expect(unknownsOf(record, partCode).map(({ key }) => key)).toContain('kind/meter');
		const looked = after(record, [{ op: 'set', fact: 'absent', value: ['meter'] }]);
		expect(unknownsOf(looked, partCode).map(({ key }) => key)).not.toContain('kind/meter');
		const seen = after(record, [
			{ op: 'put', list: 'strings', value: { ...record.strings[0]!, fuse: 'unknown' } }
		]);
		expect(unknownsOf(seen, partCode).find(({ key }) => key === 'strings/fuse')?.words).toContain(
			'A1'
		);
	});

	it('comes in the order of the walk', () => {
		const stations = unknownsOf(
			{
				...EMPTY_RECORD,
				rules: { ...EMPTY_RECORD.rules, profile: 'US' }
			},
			partCode
		).map(({ station }) => station);
		const order = ['office', 'roof', 'combiner', 'inverter', 'ac-side'];
		expect(stations).toEqual(stations.toSorted((a, b) => order.indexOf(a) - order.indexOf(b)));
	});
});

describe('what two records differ in', () => {
	const { record } = SALTMARSH;
	const a1 = record.strings[0]!;
	it('is nothing between a record and itself', () => {
		for (const { record: any } of ALL_SITES)
			expect(differenceInWords(any, any, partCode)).toEqual([]);
	});

	it('is said in sentences', () => {
		const combiner = partsOf(record.parts, 'combiner')[0]!;
		const changed = after(record, [
			{ op: 'put', list: 'strings', value: { ...a1, moduleCount: 11, fuse: 'unknown', spans: [] } },
			{ op: 'put', list: 'strings', value: { ...a1, id: testId(800), label: 'A5', spans: [] } },
			{ op: 'remove', list: 'strings', id: record.strings[7]!.id },
			{
				op: 'put',
				list: 'parts',
				value: { ...combiner, specs: { ...combiner.specs, ratedAmps: null } }
			},
			{ op: 'set', fact: 'inServiceSince', value: null },
			{ op: 'set', fact: 'rules', value: { ...record.rules, lowest: -20 } }
		]);
		const words = differenceInWords(record, changed, partCode);
		expect(words).toContain('In service since unknown, was 2019.');
		expect(words).toContain('Lowest air temperature -20 °C, was -12 °C.');
		expect(words).toContain(
			'String A1: modules 11, was 12; fuse unknown, was 15 A; moved on the plan.'
		);
		expect(words).toContain('String A5 added.');
		expect(words).toContain('String B4 taken out.');
		expect(words).toContain('combiner CB 1: rated current unknown, was 60 A.');
	});

	it('names the order of strings and single modules', () => {
		const moved = after(record, [{ op: 'put', list: 'strings', value: a1, before: null }]);
		expect(differenceInWords(record, moved, partCode).join(' ')).toContain(
			'Strings in the order A2, A3'
		);
		const modules = a1.modules.map((module) => ({ ...module, year: 2020 }));
		const known = after(record, [{ op: 'put', list: 'strings', value: { ...a1, modules } }]);
		expect(differenceInWords(record, known, partCode)).toEqual([
			'String A1: what is known of module 1, 2, 3, 4 and 8 more.'
		]);
	});
});

describe('the one-line diagram', () => {
	it('draws every site from its strings to its end, each box once', () => {
		for (const { record } of ALL_SITES) {
			const { nodes, links } = oneLine(record);
			const ids = nodes.map(({ id }) => id);
			expect(new Set(ids).size).toBe(ids.length);
			for (const { from, to } of links) {
				const column = (id: string) => nodes.find((node) => node.id === id)!.column;
				expect(column(to)).toBeGreaterThan(column(from));
			}
			const places = nodes.map(({ column, row }) => `${column}/${row}`);
			expect(new Set(places).size).toBe(places.length);
		}
	});

	it('writes a conductor on its line, says what is unknown, and puts placards beside', () => {
		const { nodes, links, besides } = oneLine(SALTMARSH.record);
		expect(nodes.map(({ title }) => title)).toContain('A1 to A4');
		expect(links.map(({ words }) => words)).toContain('10 mm², 24 m');
		expect(nodes.find(({ title }) => title === 'Main board')!.lines).toContain(
			'Bus rating: unknown'
		);
		expect(besides.map(({ mark }) => mark)).toEqual(['SPD 1', 'P1']);
	});

	it('keeps a mixed string apart, with what stands in it', () => {
		const { nodes } = oneLine(CAIRN_RIGG.record);
		expect(nodes.find(({ title }) => title === 'P2')!.lines[0]).toBe('1 x 300 W and 1 x 225 W');
	});

	it('of nothing is empty', () => {
		expect(oneLine(EMPTY_RECORD).nodes).toEqual([]);
	});
});

describe('modules on the plan', () => {
	const { record } = HOLLIN_CREEK;
	const roof = record.fields[0]!;
	const at = (row: number, column: number) => ({ field: roof.id, row, column });
	const bare = after(record, value(liftModules(record, record.strings[0]!.id, null)));

	it('are laid in a run until the edge, and the rest waits', () => {
		const s1 = bare.strings[0]!;
		expect(unplaced(s1)).toHaveLength(11);
		const laid = value(layRun(bare, s1.id, at(0, 4), 'right'));
		expect(laid).toMatchObject({ laid: 7, left: 4 });
		const rest = after(bare, laid.change);
		expect(unplaced(rest.strings[0]!)).toEqual([8, 9, 10, 11]);
		expect(value(layRun(rest, s1.id, at(0, 3), 'left'))).toMatchObject({ laid: 4, left: 0 });
		expect(layRun(rest, s1.id, at(1, 0), 'right')).toMatchObject({ ok: false });
		expect(layRun(record, s1.id, at(0, 0), 'right')).toMatchObject({ ok: false });
	});

	it('change places, within a string and between two', () => {
		const swapped = after(record, value(moveModule(record, at(0, 0), at(1, 0))));
		expect(occupants(swapped).get(cellKey(at(1, 0)))).toMatchObject({ module: 1 });
		expect(occupants(swapped).get(cellKey(at(1, 0)))!.string.label).toBe('S1');
		expect(occupants(swapped).get(cellKey(at(0, 0)))!.string.label).toBe('S2');
		const within = after(record, value(moveModule(record, at(0, 0), at(0, 5))));
		expect(occupants(within).get(cellKey(at(0, 5)))!.module).toBe(1);
		expect(occupants(within).size).toBe(44);
	});

	it('stay where they were when let go outside', () => {
		expect(moveModule(record, at(0, 0), at(-1, -1))).toMatchObject({
			ok: false,
			problem: expect.stringContaining('stays where it was')
		});
		expect(value(moveModule(record, at(0, 0), at(0, 0)))).toEqual([]);
		expect(moveModule(bare, at(0, 0), at(0, 1))).toMatchObject({ ok: false });
	});

	it('are not copied with their string', () => {
		const { change, label } = value(duplicateString(record, record.strings[0]!.id, testId(9)));
		expect(label).toBe('S5');
		const twice = after(record, change);
		expect(twice.strings[1]).toMatchObject({ label: 'S5', spans: [], moduleCount: 11 });
		expect(nextLabel(record, 'East')).toBe('East2');
	});
});

it('every kind of part has a form and a word for it', () => {
	for (const kind of PART_KIND_NAMES)
		expect(Object.keys(unknownSpecs(kind)).length).toBeGreaterThan(0);
});
