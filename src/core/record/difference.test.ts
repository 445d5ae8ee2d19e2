import { describe, expect, it } from 'vitest';
import { CAIRN_RIGG, HOLLIN_CREEK, KILN_LANE, SALTMARSH } from '../../../tests/support/sites';
import { testId } from '../../../tests/support/scenario';
import { applyChange, type RecordChange } from './change';
import { differenceInWords } from './difference';
import { partsOf, type PartOf } from './part';
import type { ArrayRecord, StringRecord } from './record';
import { partCode } from '../../../tests/support/part-codes';

/* Every fact of a record that can change, and the sentence that tells it. */

function told(record: ArrayRecord, change: RecordChange): string[] {
	const changed = applyChange(record, change);
	if (!changed.ok) throw new Error(changed.problem);
	return differenceInWords(record, changed.value, partCode);
}

const { record } = SALTMARSH;
const [a1] = record.strings;
const put = (value: StringRecord): RecordChange => [{ op: 'put', list: 'strings', value }];
const rules = (change: Partial<ArrayRecord['rules']>): RecordChange => [
	{ op: 'set', fact: 'rules', value: { ...record.rules, ...change } }
];

describe('a string that changed', () => {
	it.each<[string, Partial<StringRecord>, string]>([
		['its mark', { label: 'A9' }, 'String A1: mark A9, was A1.'],
		['its count', { moduleCount: 11, spans: a1!.spans }, 'String A1: modules 11, was 12'],
		[
			'its cable',
			{ cableResistance: 0.9 },
			`String A1: cable 0.9 ohm, was ${a1!.cableResistance} ohm.`
		],
		['its fuse taken out', { fuse: null }, 'String A1: fuse none, was 15 A.'],
		['its fuse not looked at', { fuse: 'unknown' }, 'String A1: fuse unknown, was 15 A.'],
		[
			'its fuse’s rating',
			{ fuse: { rating: null } },
			'String A1: fuse of unknown rating, was 15 A.'
		],
		['a diode', { blockingDiode: 'schottky' }, 'String A1: blocking diode schottky, was none.'],
		[
			'what hangs behind',
			{ devices: { kind: 'optimiser', modulesPerDevice: 2, part: null } },
			'String A1: behind the modules optimiser for 2, was none.'
		],
		['its input', { input: null }, 'String A1: input unknown, was 1.'],
		['its connectors', { connectors: null }, 'String A1: connectors unknown, was'],
		['where it leads', { to: null }, 'String A1: leads to unknown, was CB 1.'],
		['its place', { spans: [] }, 'String A1: moved on the plan.']
	])('by %s is told', (_, change, words) => {
		expect(told(record, put({ ...a1!, ...change })).join(' ')).toContain(words);
	});

	it('in what is known of single modules names them, four at most', () => {
		const modules = a1!.modules.map((module) => ({ ...module, serial: `N${module.number}` }));
		const [first] = modules;
		expect(told(record, put({ ...a1!, modules: [first!, ...a1!.modules.slice(1)] }))).toEqual([
			'String A1: what is known of module 1.'
		]);
		expect(told(record, put({ ...a1!, modules })).join()).toContain('1, 2, 3, 4 and 8 more');
	});
});

describe('rules and facts that changed', () => {
	it.each<[RecordChange, string]>([
		[rules({ profile: 'US' }), 'Rules of US, was IEC.'],
		[rules({ edition: 2020 }), 'Edition 2020, was unknown.'],
		[
			rules({ structure: 'building' }),
			'Structure: on or in a building, use not recorded, was open carport or canopy.'
		],
		[rules({ lowest: null }), 'Lowest air temperature unknown, was -12 °C.'],
		[rules({ hottestCell: 70 }), 'Hottest cells 70 °C, was 66 °C.'],
		[
			rules({ alwaysFuse: true }),
			'Fuse in every parallel string: always, was where the rule asks for it.'
		],
		[[{ op: 'set', fact: 'system', value: null }], 'Kind of system: unknown, was string inverter'],
		[[{ op: 'set', fact: 'absent', value: [] }], 'Looked for and not there: nothing, was'],
		[[{ op: 'set', fact: 'inServiceSince', value: 2021 }], 'In service since 2021, was 2019.']
	])('%j', (change, words) => {
		expect(told(record, change).join(' ')).toContain(words);
	});
});

describe('parts that changed', () => {
	const inverter = partsOf(record.parts, 'inverter')[0]!;
	const part = (change: Partial<PartOf<'inverter'>>): RecordChange => [
		{ op: 'put', list: 'parts', value: { ...inverter, ...change } }
	];

	it('are told with units, and what is not known as unknown', () => {
		const specs = { ...inverter.specs, maxVolts: 900, windowLow: null, firmware: '4.1' };
		const [words] = told(record, part({ specs, place: null, serial: 'X9' }));
		expect(words).toContain('highest DC 900 V, was 1000 V');
		expect(words).toContain('tracks from unknown, was');
		expect(words).toContain('firmware 4.1');
		expect(words).toContain('place unknown, was');
		expect(words).toContain('serial X9');
	});

	it('come and go by their mark', () => {
		expect(told(record, [{ op: 'remove', list: 'parts', id: inverter.id }])).toContain(
			'inverter INV 1 taken out.'
		);
		const another = { ...inverter, id: testId(0x900), mark: 'INV 2' };
		expect(told(record, [{ op: 'put', list: 'parts', value: another }])).toEqual([
			'inverter INV 2 added.'
		]);
	});

	it('lead elsewhere', () => {
		expect(told(record, part({ to: null })).join()).toContain('leads to unknown, was Q10');
	});
});

describe('fields and module types that changed', () => {
	it('are told by their name', () => {
		const [field] = HOLLIN_CREEK.record.fields;
		const tilted = { ...field!, tilt: 31, azimuth: null, name: 'South roof' };
		const [words] = told(HOLLIN_CREEK.record, [{ op: 'put', list: 'fields', value: tilted }]);
		expect(words).toContain('tilt 31°');
		expect(words).toContain('azimuth unknown, was');
		expect(words).toContain('name South roof');
		const [type] = CAIRN_RIGG.record.moduleTypes;
		const other = {
			...type!,
			plate: { ...type!.plate, voc: 40.1 },
			tolerance: { vocPct: 3, iscPct: 3 },
			limits: { ...type!.limits, seriesFuse: null }
		};
		const [label] = told(CAIRN_RIGG.record, [{ op: 'put', list: 'moduleTypes', value: other }]);
		expect(label).toContain('voc 40.1');
		expect(label).toContain('seriesFuse null');
	});
});

it('is a list without a hole for any two of the demo’s sites', () => {
	const all = [SALTMARSH, HOLLIN_CREEK, CAIRN_RIGG, KILN_LANE].map((site) => site.record);
	for (const a of all)
		for (const b of all) {
			const words = differenceInWords(a, b, partCode);
			expect(words.length === 0).toBe(a === b);
			for (const sentence of words) expect(sentence).not.toMatch(/undefined|NaN|\[object/);
		}
});
