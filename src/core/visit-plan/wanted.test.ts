import { judgeByModel } from '../assessment';
import {
	effectiveVisit,
	emptyVisit,
	findCurrentReadings,
	placeKey,
	type Purpose,
	QUANTITIES,
	type Visit
} from '../visit';
import { describe, expect, it } from 'vitest';
import { arrayRecord, visitOf } from '../../../tests/support/scenario';
import {
	ALL_SITES,
	CAIRN_RIGG,
	HOLLIN_CREEK,
	KILN_LANE,
	SALTMARSH
} from '../../../tests/support/sites';
import { type ArrayRecord, type Part, partsOf } from '../record';
import { measurementPointAt, measurementPointsOf, unitsOf } from './measurement-points';
import { fusedPoles, wantedReadings, type Wanted } from './wanted';

const visit = (purpose: Purpose, inverterSays = ''): Visit => ({
	...emptyVisit({ id: 'v', startedAt: '2026-06-01T10:00:00Z', by: 'x', purpose, reason: '' }),
	inverterSays
});
const wanted = (record: ArrayRecord, of: Visit): Wanted[] =>
	wantedReadings({
		record,
		visit: of,
		standing: findCurrentReadings(of),
		places: judgeByModel(record, effectiveVisit(record, of)).places
	});
const of = (list: readonly Wanted[], quantity: Wanted['quantity']) =>
	list.filter((one) => one.quantity === quantity);

describe('a reading that is wanted', () => {
	it('says why, wherever it is taken', () => {
		for (const { record } of ALL_SITES) {
			for (const { why } of wanted(record, visit('insurance', 'insulation low; arc; no grid'))) {
				expect(why).not.toBe('');
			}
		}
	});

	it('is a lamp of a surge protector only where all is looked at, or something leaks', () => {
		const { record } = SALTMARSH;
		const windows = partsOf(record.parts, 'surge').filter(({ specs }) => specs.window !== 'none');
		expect(windows.length).toBeGreaterThan(0);
		expect(of(wanted(record, visit('routine')), 'lamp')).toEqual([]);
		expect(of(wanted(record, visit('take-over')), 'lamp')).toHaveLength(windows.length);
		expect(of(wanted(record, visit('fault', 'ground fault')), 'lamp')).toHaveLength(windows.length);
	});

	it('is of both poles to earth where the inverter tells of earth', () => {
		const { record } = SALTMARSH;
		const quiet = wanted(record, visit('fault'));
		const told = wanted(record, visit('fault', 'ground fault'));
		expect(of(quiet, 'positive-to-earth')).toEqual([]);
		expect(of(told, 'positive-to-earth')).toHaveLength(record.strings.length);
		expect(of(told, 'negative-to-earth')).toHaveLength(record.strings.length);
	});

	it('is the insulation in the wet where that is what the inverter tells of', () => {
		const { record } = SALTMARSH;
		const told = wanted(record, visit('fault', 'low insulation'));
		expect(of(told, 'insulation-wet').map(({ place }) => place)).toEqual(
			of(told, 'insulation-resistance').map(({ place }) => place)
		);
		expect(of(wanted(record, visit('insurance')), 'insulation-wet')).toEqual([]);
	});

	it('is the volts of a battery before anything is closed', () => {
		const { record } = CAIRN_RIGG;
		const [battery] = partsOf(record.parts, 'battery');
		expect(of(wanted(record, visit('routine')), 'dc-voltage')).toContainEqual(
			expect.objectContaining({
				block: 'open-live',
				place: { kind: 'part', part: battery!.id, point: 'line' }
			})
		);
	});

	it('is the power of every unit of a branch, and its AC volts on both sides of each switch', () => {
		const { record } = KILN_LANE;
		const list = wanted(record, visit('routine'));
		expect(of(list, 'unit-power')).toHaveLength(record.strings.flatMap(unitsOf).length);
		const switches = [
			...partsOf(record.parts, 'ac-disconnect'),
			...partsOf(record.parts, 'breaker')
		];
		expect(of(list, 'ac-voltage')).toHaveLength(2 * switches.length);
	});
});

describe('what was read so far', () => {
	const record = arrayRecord();

	it('asks for the fuse of a string that has its volts and no current', () => {
		const dead = visitOf({ record, typed: { 'A2 operating-current': 0 } });
		expect(of(wanted(record, dead), 'fuse-resistance')).toEqual([
			expect.objectContaining({
				why: 'A2 has no current',
				place: { kind: 'fuse', string: record.strings[1]!.id, pole: 'positive' }
			})
		]);
		expect(of(wanted(record, visitOf({ record })), 'fuse-resistance')).toEqual([]);
	});

	it('asks for the whole supply where two strings are held down, not for one', () => {
		const { record: array } = HOLLIN_CREEK;
		const rungs = (labels: readonly string[]) => {
			const typed = Object.fromEntries(
				labels.map((label) => [`${label} open-circuit-voltage`, 6.6])
			);
			const list = wanted(array, visitOf({ record: array, typed }));
			return list.filter(({ why }) => why.includes('dark rung')).length;
		};
		const [one, two] = array.strings.map(({ label }) => label) as [string, string];
		expect(rungs([one])).toBe(0);
		expect(rungs([one, two])).toBe(5);
	});
});

describe('the poles that carry a fuse', () => {
	const { record } = SALTMARSH;
	const string = record.strings[0]!;
	const poles = (fusePoles: string | null) =>
		fusedPoles(
			{
				parts: record.parts.map((part) =>
					part.kind === 'combiner'
						? ({ ...part, specs: { ...part.specs, fusePoles } } as Part)
						: part
				)
			},
			string
		);

	it('are as the combiner’s record says, plus alone where it says nothing', () => {
		expect(poles('both poles')).toEqual(['positive', 'negative']);
		expect(poles('minus')).toEqual(['negative']);
		expect(poles('plus')).toEqual(['positive']);
		expect(poles(null)).toEqual(['positive']);
		expect(fusedPoles({ parts: [] }, string)).toEqual(['positive']);
	});
});

describe('the spots of a quantity', () => {
	it('are each of their own', () => {
		for (const { record } of ALL_SITES) {
			for (const quantity of QUANTITIES) {
				const keys = measurementPointsOf(record, quantity).map(({ place }) =>
					placeKey(place, quantity)
				);
				expect(new Set(keys).size).toBe(keys.length);
			}
		}
	});

	it('are in the state of their own string', () => {
		const bare = arrayRecord();
		const unfused = {
			...bare,
			strings: bare.strings.map((string, i) => (i === 0 ? { ...string, fuse: null } : string))
		};
		const [first, second] = measurementPointsOf(unfused, 'open-circuit-voltage');
		expect(first!.state.fuse).toBe('none');
		expect(second!.state.fuse).toBe('out');
		expect(measurementPointAt(unfused, { kind: 'array' }, 'insulation-resistance').state.ac).toBe(
			'off'
		);
	});

	it('are units by their first modules, of which the last may be alone', () => {
		const [string] = KILN_LANE.record.strings;
		const paired = {
			...string!,
			moduleCount: 7,
			devices: { kind: 'micro-inverter' as const, modulesPerDevice: 2 as const, part: null }
		};
		expect(unitsOf(paired).map((place) => (place as { module: number }).module)).toEqual([
			1, 3, 5, 7
		]);
	});
});
