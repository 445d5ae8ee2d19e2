import { describe, expect, it } from 'vitest';
import { CAIRN_RIGG, HOLLIN_CREEK, KILN_LANE, SALTMARSH } from '../../../tests/support/sites';
import { unseenEnd } from '../document';
import { testId } from '../../../tests/support/scenario';
import { acPower, dcAcRatio } from './label-power';
import { PART_KIND_NAMES, unknownSpecs } from './part';
import { SYSTEMS, type ArrayRecord, type StringRecord, type System } from './record';
import { expectedKinds, unknownsOf } from './unknowns';
import { partCode } from '../../../tests/support/part-codes';

const words = (record: ArrayRecord) => unknownsOf(record, partCode).map((unknown) => unknown.words);
const keys = (record: ArrayRecord) => unknownsOf(record, partCode).map(({ key }) => key);
const { record } = SALTMARSH;

describe('each thing that nobody knows', () => {
	it.each<[string, Partial<StringRecord>, string]>([
		['strings/fuse', { fuse: 'unknown' }, 'string fuse or none'],
		['strings/rating', { fuse: { rating: null } }, 'rating of the fuse'],
		['strings/devices', { devices: 'unknown' }, 'what is clipped behind the modules'],
		['strings/blocking', { blockingDiode: 'unknown' }, 'blocking diode or none'],
		['strings/input', { input: null }, 'inverter input'],
		['strings/connectors', { connectors: null }, 'make of connectors'],
		['strings/map', { spans: [] }, 'place on the plan']
	])(
		'of strings, %s, is one line that names them, and goes when it is found',
		(key, change, said) => {
			const lacking = {
				...record,
				strings: record.strings.map((string) => ({ ...string, ...change }))
			};
			expect(keys(lacking)).toContain(key);
			const line = words(lacking).find((sentence) => sentence.includes(said))!;
			expect(line).toMatch(/^A1, A2, A3 and 5 more: /);
			const one = {
				...record,
				strings: record.strings.map((string, i) => (i === 4 ? { ...string, ...change } : string))
			};
			expect(words(one).find((sentence) => sentence.includes(said))).toMatch(/B1/);
		}
	);

	it.each<[string, Partial<ArrayRecord['rules']>]>([
		['site/lowest', { lowest: null }],
		['site/structure', { structure: null }],
		['site/edition', { profile: 'US', edition: null }]
	])('of the site, %s, says what hangs on it', (key, change) => {
		const lacking = { ...record, rules: { ...record.rules, ...change } };
		const found = unknownsOf(lacking, partCode).find((unknown) => unknown.key === key)!;
		expect(found.why.length).toBeGreaterThan(5);
		expect(found.station).toBe('office');
	});

	it('asks no more whether a device is there that the strings name, but for its nameplate', () => {
		const named = {
			...record,
			system: 'rapid-shutdown' as const,
			strings: record.strings.map((string) => ({
				...string,
				devices: { kind: 'rapid-shutdown', modulesPerDevice: 1, part: null } as const
			}))
		};
		const found = keys(named);
		expect(found).not.toContain('kind/rapid-shutdown-device');
		expect(found).toContain('strings/device-figures');
		expect(keys({ ...named, strings: record.strings })).toContain('kind/rapid-shutdown-device');
	});

	it('of a label is what the label does not say', () => {
		const [type] = record.moduleTypes;
		const bare = {
			...type!,
			plate: { ...type!.plate, betaVocPctPerK: null },
			limits: { systemVolts: null, seriesFuse: null, bifacial: null, rearGainPct: null }
		};
		const lacking = words({ ...record, moduleTypes: [bare] }).join('\n');
		for (const said of [
			'temperature coefficient of Voc',
			'maximum system voltage',
			'maximum series fuse'
		])
			expect(lacking).toContain(`${type!.name}: ${said}`);
	});

	it('of a part is its place and every figure without one, in one line', () => {
		const parts = record.parts.map((part) => ({
			...part,
			place: null,
			specs: unknownSpecs(part.kind)
		}));
		const lacking = words({ ...record, parts: parts as ArrayRecord['parts'] });
		const line = lacking.find((sentence) => sentence.startsWith('INV 1: '))!;
		expect(line).toMatch(/^INV 1: place, AC power, continuous, /);
	});
});

describe('kinds that one must have looked for', () => {
	it('are kinds there are, each once, for every system', () => {
		for (const system of [...SYSTEMS, null] as (System | null)[]) {
			const kinds = expectedKinds({ system });
			expect(new Set(kinds).size).toBe(kinds.length);
			for (const kind of kinds) expect(PART_KIND_NAMES).toContain(kind);
		}
	});

	it('are not asked for where they are, nor where somebody said that they are not', () => {
		for (const site of [SALTMARSH, HOLLIN_CREEK, CAIRN_RIGG, KILN_LANE]) {
			const there = new Set(site.record.parts.map(({ kind }) => kind));
			for (const kind of [...there, ...site.record.absent])
				expect(keys(site.record)).not.toContain(`kind/${kind}`);
			const absent = expectedKinds(site.record).filter((kind) => !there.has(kind));
			expect(keys({ ...site.record, absent }).filter((key) => key.startsWith('kind/'))).toEqual([]);
		}
	});
});

describe('AC power', () => {
	const counted: ArrayRecord = {
		...KILN_LANE.record,
		strings: [],
		fields: [
			{
				id: testId(7),
				name: 'Roof',
				rows: 2,
				columns: 6,
				tilt: null,
				azimuth: null,
				lying: false,
				countedTypeId: KILN_LANE.record.moduleTypes[0]!.id
			}
		]
	};

	it('of modules that were only counted is one micro-inverter each, of the one type seen', () => {
		expect(acPower(counted)).toBe(12 * 290);
		expect(dcAcRatio(counted)).toBeGreaterThan(1);
	});

	it('is unknown where two types were seen, or the one says nothing', () => {
		const another = unseenEnd(testId(8), 'micro-inverter', 'MI 2');
		expect(acPower({ ...counted, parts: [...counted.parts, another] })).toBeNull();
		expect(acPower({ ...counted, parts: [another] })).toBeNull();
	});
});
