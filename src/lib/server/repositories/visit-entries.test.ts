import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import {
	readVisitData,
	readVisitDocument,
	VISIT_LIMITS,
	type VisitDocument,
	writeVisitDocument
} from '$core/document';
import {
	emptyVisit,
	type MeasuredCurve,
	type Reading,
	type RepairEntry,
	type SafetyEntry,
	stringPlace,
	usualState
} from '$core/visit';
import { OWN_PROCEDURE } from '$core/isolation';
import demo from '../../../../demo/saltmarsh-2026-11-17.zembo-visit.json';
import { testId } from '../../../../tests/support/scenario';
import { ALL_SITES } from '../../../../tests/support/sites';
import { openDatabase, type Db } from '../database/open';
import { earlierVisits } from './earlier-visits';
import { importVisit } from './import';
import { appendInspectionEntry } from './inspection';
import { storeRepair } from './repairs';
import { settleStep } from './safety';
import {
	appendConditions,
	appendCurve,
	appendReading,
	changeMeters,
	changePurpose,
	findVisit,
	insertVisit,
	visitExists,
	withdrawReading
} from './visits';

const NOW = Date.UTC(2026, 10, 24, 9);
const START = '2026-11-24T09:00:00Z';
const VISIT = testId(0x1000);
const silent = () => null;

const readDemo = (): VisitDocument => {
	const read = readVisitData(structuredClone(demo));
	if (!read.ok) throw new Error(read.problem.what);
	return read.value;
};
const { site, revision, record } = readDemo();
const [a1, a2] = record.strings;

let db: Db;
beforeEach(async () => {
	db = await openDatabase(':memory:');
	await importVisit(db, readDemo(), START);
	await insertVisit(
		db,
		site.id,
		revision.id,
		emptyVisit({ id: VISIT, startedAt: START, by: 'x', purpose: 'routine', reason: '' })
	);
});
afterEach(() => db.destroy());

let made = 0;
const step = (
	key: string,
	value: number | null = null,
	change: Partial<SafetyEntry> = {}
): SafetyEntry => ({
	id: testId(0x2000 + made++),
	step: key,
	value,
	at: START,
	by: 'x',
	supersedes: null,
	withdrawn: false,
	...change
});
const reading = (value: number, change: Partial<Reading> = {}): Reading => ({
	id: testId(0x3000 + made++),
	place: stringPlace(a1!.id),
	quantity: 'open-circuit-voltage',
	state: usualState('open-circuit-voltage'),
	value,
	atVolts: null,
	typed: String(value),
	confirmed: false,
	source: 'typed',
	takenAt: START,
	by: 'x',
	supersedes: null,
	...change
});
const settle = (entry: SafetyEntry, now = NOW) => settleStep(db, VISIT, 'dead', entry, now);
const visit = async () => (await findVisit(db, VISIT))!.visit;

describe('a step of making safe', () => {
	it('is stored at the server’s time, once, and in its turn alone', async () => {
		const weather = step('arrival/weather', null, { at: '1999-01-01T00:00:00Z' });
		expect(await settle(weather)).toMatchObject({
			ok: true,
			value: { at: '2026-11-24T09:00:00.000Z' }
		});
		expect(await settle(weather)).toMatchObject({ ok: true });
		expect((await visit()).safety).toHaveLength(1);
		expect(await settle(step('arrival/rack-dc', 0))).toMatchObject({
			problem: expect.stringContaining('steps before this one')
		});
		expect(await settle(step('down/nonsense'))).toMatchObject({
			problem: expect.stringContaining('no such step')
		});
		expect(await settleStep(db, testId(404), 'dead', step('arrival/people'), NOW)).toMatchObject({
			problem: null
		});
	});

	it('wants its reading, not a tick, and is refused to one who did not see what stands', async () => {
		await settle(step('arrival/weather'));
		await settle(step('arrival/people'));
		expect(await settle(step('arrival/kit-volts'))).toMatchObject({
			problem: expect.stringContaining('not by a tick')
		});
		const low = step('arrival/kit-volts', 300);
		expect(await settle(low)).toMatchObject({ ok: true });
		expect(await settle(step('arrival/kit-volts', 1000))).toMatchObject({
			problem: expect.stringContaining('changed this step meanwhile')
		});
		const high = step('arrival/kit-volts', 1000, { supersedes: low.id });
		expect(await settle(high)).toMatchObject({ ok: true });
		const back = step('arrival/kit-volts', null, { supersedes: high.id, withdrawn: true });
		expect(await settle(back)).toMatchObject({ ok: true });
	});

	it('stands before every reading behind a cover, unless somebody answers for a procedure of their own', async () => {
		const early = await appendReading(db, VISIT, reading(476), silent);
		expect(early).toMatchObject({
			problem: { kind: 'make-safe', words: expect.stringContaining('isolation steps first') }
		});
		await settle(step(OWN_PROCEDURE));
		expect(await appendReading(db, VISIT, reading(476), silent)).toMatchObject({ ok: true });
	});
});

describe('going back on after a repair', () => {
	const repair: RepairEntry = {
		id: testId(0x4000),
		code: 'module-missing',
		place: stringPlace(a1!.id),
		step: 'repaired',
		kind: 'other',
		words: '',
		serial: '',
		photograph: null,
		lookAgain: null,
		readingsBefore: null,
		// The server's clock, hours ahead of the device that takes the readings.
		at: '2026-11-24T15:00:00Z',
		by: 'x'
	};
	const polarity = () => settle(step('up/polarity'));

	it('waits for the strings it touched to be read again, and takes that reading whatever its clock', async () => {
		await settle(step(OWN_PROCEDURE));
		const [conditions] = readDemo().visit.conditions;
		await appendConditions(db, VISIT, { ...conditions!, id: testId(0x4001) });
		for (const string of record.strings) {
			const taken = reading(476, { place: stringPlace(string.id) });
			expect(await appendReading(db, VISIT, taken, silent)).toMatchObject({ ok: true });
		}
		const before = (await visit()).readings.length;
		expect(await storeRepair(db, VISIT, repair)).toMatchObject({
			value: { readingsBefore: before }
		});
		expect(await polarity()).toMatchObject({
			problem: expect.stringContaining('A1: measure polarity')
		});
		const standing = (await visit()).readings.find(
			({ place }) => 'string' in place && place.string === a1!.id
		)!;
		const again = reading(476.2, { supersedes: standing.id });
		expect(await appendReading(db, VISIT, again, silent)).toMatchObject({ ok: true });
		expect(await polarity()).toMatchObject({ ok: true });
		// Sent once more, the repair stays where it was.
		expect(await storeRepair(db, VISIT, repair)).toMatchObject({
			value: { readingsBefore: before }
		});
	});
});

describe('readings', () => {
	beforeEach(() => settle(step(OWN_PROCEDURE)));

	it('with test equipment below the cold volts are refused with the reason', async () => {
		const { meters } = await visit();
		const low = { ...meters, volts: { ...meters.volts, ratedVolts: 500 } };
		expect(await changeMeters(db, VISIT, JSON.stringify(meters), low)).toBe(true);
		// Who saw the old ones does not undo this; the same once more does no harm.
		expect(await changeMeters(db, VISIT, JSON.stringify(meters), low)).toBe(true);
		expect(await changeMeters(db, VISIT, JSON.stringify(meters), meters)).toBe(false);
		expect(await appendReading(db, VISIT, reading(476), silent)).toMatchObject({
			problem: { kind: 'refused', words: expect.stringMatching(/536\sV/) }
		});
	});

	it('at places that the record does not have are refused', async () => {
		const beyond = reading(38, {
			place: { kind: 'module', string: a1!.id, module: 13, section: null }
		});
		expect(await appendReading(db, VISIT, beyond, silent)).toMatchObject({
			problem: { words: expect.stringContaining('there is no module 13') }
		});
		const part = reading(400, {
			place: { kind: 'part', part: testId(9), point: 'line' },
			quantity: 'dc-voltage'
		});
		expect(await appendReading(db, VISIT, part, silent)).toMatchObject({
			problem: { words: expect.stringContaining('No part of the record') }
		});
	});

	it('at different places of one string stand beside one another', async () => {
		const fuse = reading(0.02, {
			place: { kind: 'fuse', string: a1!.id, pole: 'positive' },
			quantity: 'fuse-resistance',
			state: usualState('fuse-resistance')
		});
		const other = {
			...fuse,
			id: testId(0x99),
			place: { ...fuse.place, pole: 'negative' } as const
		};
		for (const one of [reading(476), fuse, other]) {
			expect(await appendReading(db, VISIT, one, silent)).toMatchObject({ ok: true });
		}
		expect((await visit()).readings).toHaveLength(3);
	});

	it('are read anew for whoever asks, though rows are parsed once', async () => {
		const first = reading(476);
		await appendReading(db, VISIT, first, silent);
		const before = await visit();
		const second = reading(470, { supersedes: first.id });
		await appendReading(db, VISIT, second, silent);
		// What was handed out before does not change under its reader.
		expect(before.readings).toHaveLength(1);
		const back = { id: testId(0x98), readingId: second.id, at: START, by: 'x' };
		await withdrawReading(db, VISIT, back);
		const now = await visit();
		expect([now.readings.length, now.withdrawals.length]).toEqual([2, 1]);
		const many = await Promise.all([visit(), visit(), visit()]);
		for (const one of many) expect(one.readings.map(({ id }) => id)).toEqual([first.id, second.id]);
	});
});

describe('a visit', () => {
	const curve: MeasuredCurve = {
		id: testId(0x4000),
		stringId: a2!.id,
		points: [
			[0, 9.1],
			[380, 8.4],
			[470, 0]
		],
		at: { irradiance: 800, cellTemperature: 41 },
		origin: 'file',
		takenAt: START,
		by: 'x',
		supersedes: null
	};

	it('comes back from its file as it was, with steps, curves, series and places', async () => {
		await settle(step(OWN_PROCEDURE));
		await appendReading(db, VISIT, reading(476.1), silent);
		await appendCurve(db, VISIT, curve);
		await appendCurve(db, VISIT, curve);
		const [first] = readDemo().visit.conditions;
		await appendConditions(db, VISIT, { ...first!, id: testId(1) });
		await appendConditions(db, VISIT, {
			...first!,
			id: testId(2),
			follows: true,
			basis: 'back 38 °C'
		});
		const seen = { purpose: 'routine', inverterSays: '' } as const;
		await changePurpose(db, VISIT, seen, { ...seen, purpose: 'insurance' });
		// Another person, who changed something else meanwhile, and a third, who changed the same.
		await changePurpose(db, VISIT, seen, { ...seen, inverterSays: 'Isolation low' });
		expect(await changePurpose(db, VISIT, seen, { ...seen, purpose: 'fault' })).toMatchObject({
			ok: false,
			problem: { purpose: 'insurance' }
		});
		const here = (await findVisit(db, VISIT))!;
		expect(here.visit.curves).toEqual([curve]);
		expect(here.visit.conditions.map(({ follows }) => follows)).toEqual([false, true]);
		expect(here.visit).toMatchObject({ purpose: 'insurance', inverterSays: 'Isolation low' });
		const text = writeVisitDocument(here);
		const read = readVisitDocument(text);
		if (!read.ok) throw new Error(read.problem.what);
		const elsewhere = await openDatabase(':memory:');
		try {
			expect(await importVisit(elsewhere, read.value, START)).toMatchObject({ ok: true });
			expect(writeVisitDocument((await findVisit(elsewhere, VISIT))!)).toBe(text);
			expect(await visitExists(elsewhere, VISIT)).toBe(true);
		} finally {
			await elsewhere.destroy();
		}
	});

	it('is compared with those before it that were read, newest first', async () => {
		const demo = readDemo();
		expect(await earlierVisits(db, site.id, START)).toEqual([
			{ id: demo.visit.id, startedAt: demo.visit.startedAt, reason: demo.visit.reason }
		]);
		expect(await earlierVisits(db, site.id, demo.visit.startedAt)).toEqual([]);
	});
});

describe('an entry', () => {
	const curve = (id: number): MeasuredCurve => ({
		id: testId(id),
		stringId: a1!.id,
		points: [
			[0, 9],
			[300, 8.5],
			[450, 0]
		],
		at: null,
		origin: 'tracer',
		takenAt: START,
		by: 'x',
		supersedes: null
	});

	it('is stored once, and no other under its id', async () => {
		const [entry] = ALL_SITES.flatMap(({ inspection }) => inspection);
		for (const append of [
			(change: object) => appendCurve(db, VISIT, { ...curve(0x5000), ...change }),
			(change: object) =>
				appendInspectionEntry(db, VISIT, { ...entry!, id: testId(0x5002), ...change }),
			(change: object) => settle({ ...step(OWN_PROCEDURE), id: testId(0x5001), ...change })
		]) {
			expect((await append({})).ok).toBe(true);
			expect((await append({})).ok).toBe(true);
			expect(await append({ by: 'somebody else' })).toMatchObject({ ok: false });
		}
		const elsewhere = await appendCurve(db, readDemo().visit.id, curve(0x5000));
		expect(elsewhere.ok).toBe(false);
		const { curves } = await visit();
		expect(curves).toEqual([curve(0x5000)]);
	});

	it('beyond what a visit file carries is refused in words, and the visit can still be exported', async () => {
		const rows = Array.from({ length: VISIT_LIMITS.curves }, (_, i) => curve(0x6000 + i)).map(
			(one) => ({ id: one.id, visit_id: VISIT, entry: JSON.stringify(one) })
		);
		await db.insertInto('curve').values(rows).execute();
		expect(await appendCurve(db, VISIT, curve(0x5000))).toMatchObject({
			ok: false,
			problem: expect.stringContaining('Begin another visit')
		});
		const full = writeVisitDocument((await findVisit(db, VISIT))!);
		expect(readVisitDocument(full).ok).toBe(true);
		// What an earlier version took beyond that is written all the same.
		await db
			.insertInto('curve')
			.values({ id: testId(0x5000), visit_id: VISIT, entry: JSON.stringify(curve(0x5000)) })
			.execute();
		const beyond = writeVisitDocument((await findVisit(db, VISIT))!);
		expect(JSON.parse(beyond).visit.curves).toHaveLength(VISIT_LIMITS.curves + 1);
	});
});
