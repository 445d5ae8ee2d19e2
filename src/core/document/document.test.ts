import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import demo from '../../../demo/saltmarsh-2026-11-17.zembo-visit.json';
import { LARGEST_FILE, readVisitData, readVisitDocument, writeVisitDocument } from './file';
import { readFigure } from './figure';
import { usualState } from '../visit';
import { readingSchema } from './reading';

const text = JSON.stringify(demo);
const changed = (change: (document: typeof demo) => void) => {
	const copy = structuredClone(demo);
	change(copy);
	return readVisitDocument(JSON.stringify(copy));
};
const problem = (result: ReturnType<typeof readVisitDocument>) => {
	if (result.ok) throw new Error('it was read');
	return result.problem;
};

/** The demo's visit as version 2 wrote it. */
function formerVisit() {
	const names = {
		'open-circuit-voltage': 'isolated-open-circuit',
		'operating-current': 'operating',
		'short-circuit-current': 'isolated-short-circuit'
	};
	const { purpose, inverterSays, safety, curves, ...visit } = structuredClone(demo.visit);
	expect([purpose, inverterSays, safety, curves].length).toBe(4);
	return {
		...visit,
		readings: visit.readings.map(({ place, state: _, source: __, ...reading }) => ({
			...reading,
			stringId: place.string,
			switchingState: names[reading.quantity as keyof typeof names]
		}))
	};
}

describe('the visit file', () => {
	it('is read and written back to the same bytes', () => {
		const read = readVisitDocument(text);
		if (!read.ok) throw new Error(read.problem.what);
		const written = writeVisitDocument(read.value);
		const again = readVisitDocument(written);
		if (!again.ok) throw new Error(again.problem.what);
		expect(writeVisitDocument(again.value)).toBe(written);
		expect(JSON.parse(written)).toEqual(demo);
	});

	it('keeps every figure a person can enter', () => {
		fc.assert(
			fc.property(
				fc.double({ min: -3000, max: 3000, noNaN: true }),
				fc.string({ maxLength: 40 }),
				(value, note) => {
					const read = changed((document) => {
						document.visit.readings[0]!.value = value;
						document.visit.note = note;
					});
					if (!read.ok) throw new Error(read.problem.what);
					const again = readVisitDocument(writeVisitDocument(read.value));
					expect(again).toEqual(read);
				}
			)
		);
	});

	it.each([
		['', /not JSON/, ''],
		['{"format":', /not JSON/, ''],
		['[1,2,3]', /not a Zembo visit/, 'format'],
		['null', /not a Zembo visit/, 'format'],
		['{"format":"something-else","version":1}', /not a Zembo visit/, 'format'],
		['{"format":"zembo-visit","version":9}', /version 9 .* reads version 1/, 'version']
	])('refuses %j', (file, what, where) => {
		expect(problem(readVisitDocument(file))).toMatchObject({
			what: expect.stringMatching(what),
			where,
			mend: expect.stringMatching(/./)
		});
	});

	it('reads a file of version 1, with what it did not know as unknown', () => {
		const { system, rules, parts, absent, fields, ...record } = structuredClone(demo.record);
		const old = {
			...structuredClone(demo),
			version: 1,
			inspection: undefined,
			visit: formerVisit(),
			record: {
				...record,
				moduleTypes: record.moduleTypes.map(({ limits: _, ...type }) => type),
				strings: record.strings.map(
					({ id, label, moduleTypeId, moduleCount, cableResistance, fuse, input }) => {
						return { id, label, moduleTypeId, moduleCount, cableResistance, fuse, input };
					}
				)
			}
		};
		expect([system, rules, parts, absent, fields].every(Boolean)).toBe(true);
		const read = readVisitData(JSON.parse(JSON.stringify(old)));
		if (!read.ok) throw new Error(read.problem.what);
		expect(read.value.version).toBe(8);
		expect(read.value.record.strings[0]).toMatchObject({
			blockingDiode: 'unknown',
			devices: 'unknown',
			to: null,
			spans: []
		});
		expect(read.value.record.moduleTypes[0]!.limits.seriesFuse).toBeNull();
	});

	it('reads a file of version 2: each reading gets its place and the whole state of its name', () => {
		const read = readVisitData({ ...structuredClone(demo), version: 2, visit: formerVisit() });
		if (!read.ok) throw new Error(read.problem.what);
		expect(read.value.visit.readings).toEqual(demo.visit.readings);
		expect(read.value.visit).toMatchObject({ purpose: 'routine', safety: [], curves: [] });
		const nonsense = { ...formerVisit(), readings: [7, { stringId: 3 }, null] };
		expect(readVisitData({ ...structuredClone(demo), version: 2, visit: nonsense })).toMatchObject({
			ok: false
		});
		expect(readVisitData({ ...structuredClone(demo), version: 2, visit: null })).toMatchObject({
			ok: false
		});
	});

	it('refuses 70 MB before it parses them', () => {
		const huge = `{"format":"zembo-visit","version":1,"pad":"${'x'.repeat(70 * 1024 * 1024)}"}`;
		expect(problem(readVisitDocument(huge)).what).toContain('70 MB');
		expect(LARGEST_FILE).toBeLessThan(huge.length);
	});

	it('says where a value is wrong', () => {
		const count = problem(changed((d) => (d.record.strings[2]!.moduleCount = -12)));
		expect(count.where).toBe('record.strings.2.moduleCount');
		const label = problem(changed((d) => (d.record.moduleTypes[0]!.plate.vmp = 99)));
		expect(label.what).toContain('Vmp must be below Voc');
		const lost = problem(changed((d) => (d.visit.readings[0]!.place.string = d.site.id)));
		expect(lost.what).toContain('No string of the record');
		const twice = problem(changed((d) => (d.record.strings[1]!.label = 'A1')));
		expect(twice.what).toContain('A1');
		const extra = problem(changed((d) => Object.assign(d.visit, { surprise: 1 })));
		expect(extra.where).toBe('visit');
	});
});

describe('a reading', () => {
	const reading = demo.visit.readings[0]!;
	it.each([
		['volts beyond any string', { value: 40_000 }],
		['a state that does not go with the quantity', { state: usualState('operating-current') }],
		['volts beside an open-circuit reading', { atVolts: 400 }],
		['a place where it cannot be read', { place: { kind: 'array' } }],
		['no name', { by: '  ' }],
		['no number', { value: Number.NaN }]
	])('is refused with %s', (_, change) => {
		expect(readingSchema.safeParse({ ...reading, ...change }).success).toBe(false);
	});
});

describe('typed figures', () => {
	const limits = { min: 0, max: 3000, unit: 'V', whole: false };
	it('keep to their limits and say them', () => {
		expect(readFigure('453,2', limits)).toEqual({ ok: true, value: 453.2 });
		expect(readFigure('1000000000', limits)).toMatchObject({
			problem: expect.stringContaining('0 to 3000 V')
		});
		expect(readFigure('-3', { ...limits, whole: true })).toMatchObject({ ok: false });
		expect(readFigure('11.5', { min: 1, max: 200, unit: '', whole: true })).toMatchObject({
			problem: expect.stringContaining('not a whole number')
		});
	});
});
