import { describe, expect, it } from 'vitest';
import { arrayRecord, NAMEPLATE, testId } from '../../../tests/support/scenario';
import { ALL_SITES, SALTMARSH } from '../../../tests/support/sites';
import {
	type ArrayRecord,
	EMPTY_RECORD,
	labelPower,
	type Part,
	PART_KIND_NAMES,
	partsOf,
	UNKNOWN_LIMITS,
	UNKNOWN_RULES,
	unknownsOf,
	unknownSpecs
} from '../record';
import { probableStrings } from '../design-checks';
import { changeRequestSchema } from './change';
import { partOfEntry, readLibrary, writeLibrary } from './library/library';
import { STARTING_SET } from './library/starting-set';
import { formOfPart, partOfForm } from './part-form';
import { isBareJpeg, pictureType, storedSize } from './picture';
import { arrayRecordSchema } from './record';
import { recordOfSurvey, surveySchema, unseenEnd, type Survey } from './survey';
import { partCode } from '../../../tests/support/part-codes';

const words = (record: object): string => {
	const read = arrayRecordSchema.safeParse(record);
	return read.success ? '' : read.error.issues.map(({ message }) => message).join(' ');
};

describe('the record’s schema', () => {
	it('takes the demo’s sites and an empty one, unchanged', () => {
		for (const { record } of ALL_SITES) expect(arrayRecordSchema.parse(record)).toEqual(record);
		expect(arrayRecordSchema.parse(EMPTY_RECORD)).toEqual(EMPTY_RECORD);
	});

	it('refuses what names something that is not there, what lies twice, and what runs in a circle', () => {
		const { record } = SALTMARSH;
		const change = (strings: Partial<ArrayRecord['strings'][number]>) => ({
			...record,
			strings: record.strings.map((string, i) => (i === 1 ? { ...string, ...strings } : string))
		});
		expect(words(change({ to: testId(404) }))).toContain('A2 leads to a part');
		expect(words(change({ spans: record.strings[0]!.spans }))).toContain(
			'lies where module 1 of A1 lies'
		);
		const beyond = { ...record.strings[1]!.spans[0]!, column: 3 };
		expect(words(change({ spans: [beyond] }))).toContain('beyond the edge of Canopy');
		const module = { ...record.strings[0]!.modules[0]!, number: 13 };
		expect(words(change({ modules: [module] }))).toContain('A2 has 12 modules');
		const parts = record.parts.map((part) =>
			part.kind === 'bus' ? { ...part, to: partsOf(record.parts, 'inverter')[0]!.id } : part
		);
		expect(words({ ...record, parts })).toContain('leads back to itself');
	});

	it('refuses a part with a figure beyond its bounds or a field of another kind', () => {
		const { record } = SALTMARSH;
		const bad = (specs: object) => ({
			...record,
			parts: [{ ...record.parts[0]!, to: null, specs: { ...record.parts[0]!.specs, ...specs } }],
			strings: []
		});
		expect(words(bad({ ratedVolts: 5000 }))).not.toBe('');
		expect(words(bad({ capacity: 5 }))).not.toBe('');
	});
});

describe('a change as it is sent', () => {
	it('is read with its steps, and refused with steps that are none', () => {
		const [string] = SALTMARSH.record.strings;
		const request = (step: object) => ({ id: testId(1), base: testId(2), change: [step] });
		const put = { op: 'put', list: 'strings', value: string, before: null };
		expect(changeRequestSchema.parse(request(put)).change).toEqual([put]);
		expect(
			changeRequestSchema.safeParse(request({ op: 'put', list: 'parts', value: string })).success
		).toBe(false);
		expect(changeRequestSchema.safeParse(request({ op: 'drop' })).success).toBe(false);
		expect(changeRequestSchema.safeParse({ ...request(put), change: [] }).success).toBe(false);
	});
});

describe('the form of a part', () => {
	it('gives back every kind of part, known and unknown', () => {
		const known = ALL_SITES.flatMap(({ record }) => record.parts);
		const unknown = PART_KIND_NAMES.map((kind): Part => {
			const base = { id: testId(7), mark: 'X', place: null, model: null, serial: null, to: null };
			return { ...base, kind, specs: unknownSpecs(kind) } as Part;
		});
		for (const part of [...known, ...unknown]) {
			expect(partOfForm(part.id, part.kind, formOfPart(part))).toEqual({ ok: true, value: part });
		}
	});

	it('says what is wrong beside its field', () => {
		const form = formOfPart(SALTMARSH.record.parts[0]!);
		const wrong = partOfForm(testId(1), 'combiner', {
			...form,
			mark: ' ',
			specs: { ...form.specs, ratedVolts: 'much' }
		});
		expect(wrong).toMatchObject({
			ok: false,
			problem: {
				mark: expect.stringContaining('INV 1'),
				ratedVolts: expect.stringContaining('not a number')
			}
		});
	});
});

describe('the library’s file', () => {
	it('comes back as it was written', () => {
		expect(readLibrary(writeLibrary(STARTING_SET))).toEqual({ ok: true, value: STARTING_SET });
	});

	it('is refused in words when it is none', () => {
		for (const text of [
			'x',
			'{}',
			'{"format":"zembo-library","version":1,"entries":[{"kind":"module"}]}'
		]) {
			expect(readLibrary(text)).toMatchObject({ ok: false });
		}
	});

	it('gives parts that a record takes', () => {
		for (const entry of STARTING_SET) {
			if (entry.kind === 'module' || entry.kind === 'instrument') continue;
			const part = partOfEntry(entry, testId(3), 'X 1');
			expect(words({ ...EMPTY_RECORD, parts: [part] })).toBe('');
		}
	});
});

describe('a survey', () => {
	const moduleType = {
		id: testId(1),
		name: 'Type 335',
		plate: NAMEPLATE,
		tolerance: { vocPct: 2, iscPct: 3 },
		limits: UNKNOWN_LIMITS
	};
	const survey: Survey = {
		fieldId: testId(2),
		rows: 4,
		columns: 11,
		moduleType,
		behind: 'dc-box',
		dcBox: 'rapid-shutdown',
		modulesPerDevice: 1,
		ends: [unseenEnd(testId(3), 'inverter', 'INV 1')],
		strings: null
	};

	it('makes a record that holds together, with what is unknown on the list', () => {
		const record = recordOfSurvey(surveySchema.parse(survey));
		expect(words(record)).toBe('');
		expect(record.system).toBe('rapid-shutdown');
		expect(labelPower(record)).toBe(44 * 335);
		const unknown = unknownsOf(record, partCode).map((one) => one.words);
		expect(unknown).toContain('Strings of 44 modules');
		expect(unknown.some((one) => one.startsWith('INV 1: place'))).toBe(true);
	});

	it('with known strings gives each a mark and what hangs behind it', () => {
		const ids = [10, 11, 12, 13].map(testId);
		const record = recordOfSurvey({ ...survey, strings: { ids, modulesPerString: 11 } });
		expect(words(record)).toBe('');
		expect(record.strings.map(({ label }) => label)).toEqual(['S1', 'S2', 'S3', 'S4']);
		expect(record.strings[0]).toMatchObject({
			to: testId(3),
			input: null,
			fuse: 'unknown',
			devices: { kind: 'rapid-shutdown' }
		});
	});

	it('tells the kind of system by what is seen', () => {
		const system = (seen: Partial<Survey>) => recordOfSurvey({ ...survey, ...seen }).system;
		expect(system({ behind: 'nothing' })).toBe('string-inverter');
		expect(system({ behind: 'ac-box', ends: [] })).toBe('micro-inverters');
		expect(system({ dcBox: 'optimiser' })).toBe('optimisers');
		expect(system({ dcBox: 'unknown' })).toBeNull();
		expect(system({ behind: 'unknown' })).toBeNull();
		const controller = unseenEnd(testId(4), 'charge-controller', 'CC 1');
		expect(system({ behind: 'nothing', ends: [controller] })).toBe('off-grid');
	});

	it('proposes strings that the window bears, the likeliest first', () => {
		const window = { count: 1, inputs: 2, maxVolts: 600, windowLow: 180, windowHigh: 500 };
		const ways = probableStrings(44, 11, moduleType, UNKNOWN_RULES, window);
		expect(ways[0]).toMatchObject({ strings: 4, modulesPerString: 11 });
		expect(ways[0]!.reasons.join(' ')).toContain('2 to each input');
		for (const { strings, modulesPerString } of ways) {
			expect(strings * modulesPerString).toBe(44);
			expect(modulesPerString * NAMEPLATE.voc).toBeLessThan(600);
		}
		expect(probableStrings(7, 7, moduleType, UNKNOWN_RULES, { ...window, maxVolts: 30 })).toEqual(
			[]
		);
	});
});

describe('pictures', () => {
	const bytes = (...values: (number | string)[]) =>
		new Uint8Array(
			values.flatMap((v) => (typeof v === 'string' ? [...v].map((c) => c.charCodeAt(0)) : [v]))
		);

	it('are told by their bytes, not by their name', () => {
		expect(pictureType(bytes(0xff, 0xd8, 0xff, 0xe0))).toEqual({ ok: true, value: 'image/jpeg' });
		expect(pictureType(bytes(0x89, 'PNG', 13, 10))).toEqual({ ok: true, value: 'image/png' });
		expect(pictureType(bytes('RIFF', 0, 0, 0, 0, 'WEBP'))).toEqual({
			ok: true,
			value: 'image/webp'
		});
		expect(pictureType(bytes(0, 0, 0, 24, 'ftypheic'))).toMatchObject({
			problem: expect.stringContaining('HEIC')
		});
		expect(pictureType(bytes(0, 0, 0, 24, 'ftypisom'))).toMatchObject({ ok: false });
		expect(pictureType(bytes('<svg'))).toMatchObject({ ok: false });
		expect(pictureType(bytes())).toMatchObject({ ok: false });
	});

	it('are bare where a JPEG is a picture and nothing else', () => {
		const jfif = [0xff, 0xd8, 0xff, 0xe0, 0, 4, 0, 0];
		const scan = [0xff, 0xda, 0, 2, 7, 0xff, 0, 7, 0xff, 0xd0, 7];
		const end = [0xff, 0xd9];
		expect(isBareJpeg(bytes(...jfif, ...scan, ...end))).toBe(true);
		expect(isBareJpeg(bytes(...jfif, ...scan, ...scan, ...end))).toBe(true);
		const profile = [0xff, 0xe2, 0, 14, 'ICC_PROFILE', 0];
		expect(isBareJpeg(bytes(...jfif, ...profile, ...scan, ...end))).toBe(true);
		// Exif or XMP, IPTC, a comment, a second picture in MPF's segment
		for (const marker of [0xe1, 0xed, 0xfe, 0xe2]) {
			expect(isBareJpeg(bytes(...jfif, 0xff, marker, 0, 4, 0, 0, ...scan, ...end))).toBe(false);
		}
		expect(isBareJpeg(bytes(...jfif, ...scan, ...end, 'here'))).toBe(false);
		expect(isBareJpeg(bytes(...jfif, ...scan))).toBe(false);
		expect(isBareJpeg(bytes(...jfif))).toBe(false);
		expect(isBareJpeg(bytes(0x89, 'PNG'))).toBe(false);
	});

	it('are stored with at most 2,048 px', () => {
		expect(storedSize(4000, 3000)).toEqual({ width: 2048, height: 1536 });
		expect(storedSize(800, 600)).toEqual({ width: 800, height: 600 });
	});
});

it('old strings are read with what they did not know', () => {
	const { strings } = arrayRecord(['A1']);
	expect(strings[0]!.devices).toBe('unknown');
});
