import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import saltmarsh from '../../../../demo/saltmarsh-2026-11-17.zembo-visit.json';
import kilnLane from '../../../../demo/kiln-lane-2026-11-05.zembo-visit.json';
import { readVisitData } from '$core/document';
import { openDatabase, type Db } from '../database/open';
import { importVisit } from './import';
import { appendRepair } from './repairs';
import { search } from './search';

let db: Db;
beforeAll(async () => {
	db = await openDatabase(':memory:');
	for (const data of [saltmarsh, kilnLane]) {
		const read = readVisitData(structuredClone(data));
		if (!read.ok) throw new Error(read.problem.what);
		const imported = await importVisit(db, read.value, '2026-11-18T00:00:00Z');
		if (!imported.ok) throw new Error(imported.problem.what);
	}
	await appendRepair(db, saltmarsh.visit.id, {
		id: '019c0000-000a-7000-8000-000000000001',
		code: 'fuse-blown',
		place: { kind: 'string', string: saltmarsh.record.strings[4]!.id },
		step: 'repaired',
		kind: 'replace-fuse',
		words: 'Holder cleaned too',
		serial: 'FZ-991',
		photograph: null,
		lookAgain: null,
		readingsBefore: null,
		at: '2026-11-18T10:00:00Z',
		by: 'Wren Halloway'
	});
});
afterAll(() => db.destroy());

describe('search', () => {
	it('finds sites by name and place', async () => {
		expect((await search(db, 'ticket')).sites.map(({ name }) => name)).toEqual([
			'Kiln Lane ticket office'
		]);
	});
	it('finds parts and serials with their site', async () => {
		const { parts } = await search(db, 'lw22 70424');
		expect(parts.length).toBeGreaterThan(0);
		expect(parts[0]!.siteName).toBe('Kiln Lane ticket office');
	});
	it('finds visits by why one came and who', async () => {
		expect((await search(db, 'yield october')).visits).toHaveLength(1);
		expect((await search(db, 'tamsin')).visits).toHaveLength(1);
	});
	it('finds what was found, and not what fitted', async () => {
		const { findings } = await search(db, 'glass cracked');
		expect(findings.map(({ words }) => words)).toEqual([
			'Glass cracked from the lower left corner, dry behind.'
		]);
	});
	it('finds repairs by the words of their cause, by what was done, by serial', async () => {
		for (const question of ['string fuse blown', 'holder cleaned', 'fz-991']) {
			expect((await search(db, question)).repairs).toHaveLength(1);
		}
	});
	it('takes marks of the database’s own as letters, and nothing for nothing', async () => {
		const none = { sites: [], parts: [], visits: [], findings: [], repairs: [] };
		expect(await search(db, "100% _ ' \\")).toEqual(none);
		expect(await search(db, '  ')).toEqual(none);
	});
});
