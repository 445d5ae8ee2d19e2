import { EMPTY_RECORD, type RecordChange, type StringRecord } from '$core/record';
import {
	readVisitData,
	STARTING_SET,
	type VisitDocument,
	writeVisitDocument
} from '$core/document';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import demo from '../../../../demo/saltmarsh-2026-11-17.zembo-visit.json';
import { testId } from '../../../../tests/support/scenario';
import { stringPlace } from '$core/visit';
import { openDatabase, type Db } from '../database/open';
import { importVisit } from './import';
import { appendInspectionEntry, newestFindings } from './inspection';
import { changeLibrary, listLibrary } from './library';
import { findPhotograph, insertPhotograph } from './photographs';
import {
	changeRecord,
	createSite,
	findRevisionNumber,
	listRevisions,
	listSites,
	newestRevision
} from './sites';
import { appendReading, findVisit, withdrawReading } from './visits';

const NOW = '2026-11-24T09:00:00Z';
const readDemo = (): VisitDocument => {
	const read = readVisitData(structuredClone(demo));
	if (!read.ok) throw new Error(read.problem.what);
	return read.value;
};
const silent = () => null;
const sent = (n: number, base: string, change: RecordChange) => ({
	id: testId(0x7000 + n),
	base,
	change
});
const since = (value: number): RecordChange => [{ op: 'set', fact: 'inServiceSince', value }];

let db: Db;
beforeEach(async () => {
	db = await openDatabase(':memory:');
});
afterEach(() => db.destroy());

describe('import and export', () => {
	it('loses nothing, and a second import changes nothing', async () => {
		const document = readDemo();
		expect(await importVisit(db, document, NOW)).toMatchObject({ value: { already: false } });
		const stored = await findVisit(db, document.visit.id);
		expect(writeVisitDocument(stored!)).toBe(writeVisitDocument(document));
		expect(await importVisit(db, document, NOW)).toMatchObject({ value: { already: true } });
	});

	it('refuses a visit that carries the ids of another, and harms nothing', async () => {
		await importVisit(db, readDemo(), NOW);
		const copy = readDemo();
		copy.visit.id = testId(77);
		expect(await importVisit(db, copy, NOW)).toMatchObject({
			ok: false,
			problem: { what: expect.stringContaining('the id of one of another visit') }
		});
		expect(await findVisit(db, testId(77))).toBeNull();
	});

	it('refuses a visit that is here with other content, and harms nothing', async () => {
		const document = readDemo();
		await importVisit(db, document, NOW);
		const other = readDemo();
		(other.visit.readings[0] as { value: number }).value = 1;
		expect(await importVisit(db, other, NOW)).toMatchObject({
			ok: false,
			problem: { what: expect.stringContaining('here already, with other content') }
		});
		const unrelated = readDemo();
		unrelated.visit.id = testId(77);
		unrelated.revision.id = testId(78);
		expect(await importVisit(db, unrelated, NOW)).toMatchObject({ ok: false });
		expect(writeVisitDocument((await findVisit(db, document.visit.id))!)).toBe(
			writeVisitDocument(document)
		);
	});
});

describe('readings', () => {
	const visitId = demo.visit.id;
	const first = () => readDemo().visit.readings[0]!;
	const correction = (n: number, supersedes: string | null, value = 470) => ({
		...first(),
		id: testId(n),
		supersedes,
		value,
		typed: String(value)
	});
	beforeEach(async () => {
		await importVisit(db, readDemo(), NOW);
	});

	it('append a correction, and an entry repeated does no harm', async () => {
		const mine = correction(1, first().id);
		expect(await appendReading(db, visitId, mine, silent)).toMatchObject({ ok: true });
		expect(await appendReading(db, visitId, mine, silent)).toMatchObject({ ok: true });
		const { readings } = (await findVisit(db, visitId))!.visit;
		expect(readings).toHaveLength(17);
		expect(readings[0]).toEqual(first());
	});

	it('let two browsers write at one place without overwriting', async () => {
		const [one, two] = await Promise.all([
			appendReading(db, visitId, correction(1, first().id, 470), silent),
			appendReading(db, visitId, correction(2, first().id, 455), silent)
		]);
		const [won, lost] = one.ok ? [one, two] : [two, one];
		expect(won.ok).toBe(true);
		expect(lost).toMatchObject({
			ok: false,
			problem: {
				kind: 'overtaken',
				standing: { id: testId(1) },
				words: expect.stringContaining('470')
			}
		});
		expect((await findVisit(db, visitId))!.visit.readings).toHaveLength(17);
	});

	it('are refused for a visit, a string or a reading that is not there', async () => {
		expect(await appendReading(db, testId(9), first(), silent)).toMatchObject({
			problem: { kind: 'no-such-visit' }
		});
		const lost = { ...correction(3, null), place: stringPlace(testId(5)) };
		expect(await appendReading(db, visitId, lost, silent)).toMatchObject({
			problem: { kind: 'refused' }
		});
		const sameId = { ...first(), value: 12 };
		expect(await appendReading(db, visitId, sameId, silent)).toMatchObject({
			problem: { kind: 'refused' }
		});
		const none = { id: testId(4), readingId: testId(6), at: NOW, by: 'x' };
		expect(await withdrawReading(db, visitId, none)).toMatchObject({ ok: false });
	});

	it('ask before storing unless confirmed', async () => {
		const ask = () => 'Really?';
		const surprising = correction(1, first().id, 4700 / 2);
		expect(await appendReading(db, visitId, surprising, ask)).toMatchObject({
			problem: { kind: 'question', words: 'Really?' }
		});
		const confirmed = { ...surprising, confirmed: true };
		expect(await appendReading(db, visitId, confirmed, ask)).toMatchObject({ ok: true });
	});

	it('are taken back once, however often it is said', async () => {
		const undo = { id: testId(50), readingId: first().id, at: NOW, by: 'x' };
		expect(await withdrawReading(db, visitId, undo)).toMatchObject({ ok: true });
		expect(await withdrawReading(db, visitId, { ...undo, id: testId(51) })).toMatchObject({
			ok: true
		});
		expect((await findVisit(db, visitId))!.visit.withdrawals).toHaveLength(1);
	});
});

describe('the record', () => {
	const site = { id: testId(1), name: 'Hollin Creek', place: '', timeZone: 'Etc/UTC' };

	it('gets a new revision for every change; visits keep theirs', async () => {
		await importVisit(db, readDemo(), NOW);
		const { id } = demo.site;
		const base = (await newestRevision(db, id))!;
		const changed = await changeRecord(db, id, sent(1, base.id, since(2001)), NOW);
		expect(changed).toMatchObject({ ok: true, value: { revision: { number: 2 }, merged: false } });
		expect((await findVisit(db, demo.visit.id))!.record.inServiceSince).toBe(2019);
	});

	it('refuses a change of what changed meanwhile, and one that does not hold together', async () => {
		await createSite(db, site, EMPTY_RECORD, NOW);
		const base = (await newestRevision(db, site.id))!;
		const change = (n: number, from: string, steps: RecordChange) =>
			changeRecord(db, site.id, sent(n, from, steps), NOW);
		expect(await change(1, base.id, since(2010))).toMatchObject({ ok: true });
		expect(await change(2, base.id, since(2011))).toMatchObject({
			problem: { kind: 'changed-meanwhile', newest: { number: 2 } }
		});
		const newest = (await newestRevision(db, site.id))!;
		expect(newest.record.inServiceSince).toBe(2010);
		const gone: RecordChange = [{ op: 'remove', list: 'strings', id: testId(77) }];
		expect(await change(3, newest.id, gone)).toMatchObject({
			problem: { words: expect.stringContaining('no longer in the record') }
		});
		const orphan = readDemo().record.strings[0]!;
		expect(
			await change(4, newest.id, [{ op: 'put', list: 'strings', value: orphan }])
		).toMatchObject({
			problem: { kind: 'refused', words: expect.stringContaining('module type') }
		});
		expect(await changeRecord(db, testId(404), sent(5, 'x', []), NOW)).toMatchObject({
			problem: { kind: 'no-such-site' }
		});
		expect((await newestRevision(db, site.id))!.number).toBe(2);
	});

	it('lets two people change different entries, and stores the same change once', async () => {
		await importVisit(db, readDemo(), NOW);
		const { id } = demo.site;
		const base = (await newestRevision(db, id))!;
		const [a, b] = base.record.strings;
		const fuse = (string: StringRecord, rating: number): RecordChange => [
			{ op: 'put', list: 'strings', value: { ...string, fuse: { rating } } }
		];
		const first = sent(1, base.id, fuse(a!, 16));
		expect(await changeRecord(db, id, first, NOW)).toMatchObject({ value: { merged: false } });
		const second = await changeRecord(db, id, sent(2, base.id, fuse(b!, 20)), NOW);
		expect(second).toMatchObject({ ok: true, value: { merged: true } });
		await changeRecord(db, id, first, NOW);
		const newest = (await newestRevision(db, id))!;
		expect(newest.number).toBe(3);
		expect(newest.record.strings.slice(0, 2).map((s) => s.fuse)).toEqual([
			{ rating: 16 },
			{ rating: 20 }
		]);
		expect((await listRevisions(db, id, null)).map((r) => [r.number, r.visits])).toEqual([
			[3, 0],
			[2, 0],
			[1, 1]
		]);
		expect((await findRevisionNumber(db, id, 2))!.record.strings[1]!.fuse).toEqual({ rating: 15 });
	});

	it('lists a site with the outline of its record, also one that was stored without', async () => {
		await importVisit(db, readDemo(), NOW);
		const [stored] = await listSites(db, null);
		expect(stored!.outline).toMatchObject({ strings: 8, modules: 96, first: Array(8).fill(12) });
		await db.updateTable('site_revision').set({ outline: null }).execute();
		expect(await listSites(db, null)).toEqual([stored]);
		expect(await listSites(db, null)).toEqual([stored]);
	});

	it('lists sites page by page in the order of their names', async () => {
		for (let i = 0; i < 60; i++) {
			const name = `Site ${String(59 - i).padStart(2, '0')}`;
			await createSite(db, { ...site, id: testId(200 + i), name }, EMPTY_RECORD, NOW);
		}
		const page = await listSites(db, null);
		expect(page.map(({ name }) => name).slice(0, 2)).toEqual(['Site 00', 'Site 01']);
		expect(page).toHaveLength(50);
		const rest = await listSites(db, page.at(-1)!);
		expect(rest).toHaveLength(10);
		expect(rest[0]!.name).toBe('Site 50');
	});
});

describe('an inspection', () => {
	it('is appended to, and its newest findings stand for the site', async () => {
		const document = readDemo();
		await importVisit(db, document, NOW);
		const findings = await newestFindings(db, document.site.id);
		expect(findings).toHaveLength(4);
		const [first] = findings;
		const withdrawn = { ...first!, id: testId(900), supersedes: first!.id, withdrawn: true };
		await appendInspectionEntry(db, document.visit.id, withdrawn);
		await appendInspectionEntry(db, document.visit.id, withdrawn);
		expect(await newestFindings(db, document.site.id)).toHaveLength(3);
		const stored = (await findVisit(db, document.visit.id))!;
		expect(stored.inspection).toHaveLength(document.inspection.length + 1);
		expect(writeVisitDocument(stored)).toContain(testId(900));
	});

	it('keeps a photograph once, and none other under its id', async () => {
		await importVisit(db, readDemo(), NOW);
		const photograph = {
			id: testId(901),
			visitId: demo.visit.id,
			takenAt: NOW,
			addedAt: NOW,
			type: 'image/jpeg' as const,
			width: 2,
			height: 1,
			bytes: new Uint8Array([0xff, 0xd8, 0xff])
		};
		expect(await insertPhotograph(db, photograph)).toBe(true);
		expect(await insertPhotograph(db, photograph)).toBe(true);
		expect(await insertPhotograph(db, { ...photograph, bytes: new Uint8Array([1]) })).toBe(false);
		expect([...(await findPhotograph(db, testId(901)))!.bytes]).toEqual([0xff, 0xd8, 0xff]);
		expect(await findPhotograph(db, testId(902))).toBeNull();
	});
});

describe('the library', () => {
	it('has the generic types, and own ones over them', async () => {
		expect(await listLibrary(db)).toHaveLength(STARTING_SET.length);
		const [generic] = STARTING_SET;
		const ours = { ...generic!, name: 'Ours' };
		const put = (entry: typeof ours, version: string | null, at = NOW) =>
			changeLibrary(db, { put: [entry], remove: [], versions: { [entry.id]: version } }, at);
		expect((await put(ours, null)).ok).toBe(true);
		const modules = await listLibrary(db, 'module');
		expect(modules.find(({ id }) => id === generic!.id)).toMatchObject({ name: 'Ours', own: true });
		expect(modules.every(({ kind }) => kind === 'module')).toBe(true);
		// The same once more does no harm; what was made from another version is refused.
		expect((await put(ours, null)).ok).toBe(true);
		expect(await put({ ...ours, name: 'Theirs' }, null)).toEqual({ ok: false, problem: ['Ours'] });
		const remove = { put: [], remove: [ours.id] };
		expect((await changeLibrary(db, { ...remove, versions: {} }, NOW)).ok).toBe(false);
		const { version } = modules.find(({ id }) => id === ours.id)!;
		const versions = { [ours.id]: version };
		expect((await changeLibrary(db, { ...remove, versions }, NOW)).ok).toBe(true);
		expect((await listLibrary(db, 'module'))[0]!.own).toBe(false);
	});
});

describe('the file', () => {
	it('keeps its data over a second start', async () => {
		const folder = mkdtempSync(join(tmpdir(), 'zembo-db-'));
		const path = join(folder, 'below', 'zembo.db');
		const once = await openDatabase(path);
		await importVisit(once, readDemo(), NOW);
		await once.destroy();
		const again = await openDatabase(path);
		expect((await findVisit(again, demo.visit.id))!.visit.readings).toHaveLength(16);
		await again.destroy();
		rmSync(folder, { recursive: true });
	});
});
