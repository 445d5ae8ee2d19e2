import { EMPTY_RECORD } from '$core/record';
import Database from 'better-sqlite3';
import { sql } from 'kysely';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { createSite, findSite, insertSite, newestRevision } from '../repositories/sites';
import { testId } from '../../../../tests/support/scenario';
import { openDatabase, type Db } from './open';

const NOW = '2026-11-24T09:00:00Z';
const site = (n: number) => ({
	id: testId(n),
	name: `Site ${n}`,
	place: '',
	timeZone: 'Etc/UTC'
});

const LOADER = fileURLToPath(new URL('../../../../build-tools/load-demo.js', import.meta.url));

/** Another program that opens the file, migrates it and imports a visit. */
function loadDemoInto(database: string): Promise<{ code: number | null; said: string }> {
	const child = spawn(process.execPath, [LOADER], {
		env: { ...process.env, ZEMBO_DATABASE: database }
	});
	let said = '';
	child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
	return new Promise((resolve) => child.on('exit', (code) => resolve({ code, said })));
}

let folder: string;
let path: string;
let db: Db;
beforeEach(async () => {
	folder = mkdtempSync(join(tmpdir(), 'zembo-open-'));
	path = join(folder, 'zembo.db');
	db = await openDatabase(path);
});
afterEach(async () => {
	await db.destroy();
	rmSync(folder, { recursive: true, force: true });
});

const pragma = async (name: string) => {
	const { rows } = await sql<Record<string, unknown>>`pragma ${sql.raw(name)}`.execute(db);
	return Object.values(rows[0]!)[0];
};

describe('the database', () => {
	it('writes ahead, keeps foreign keys and never sleeps where it waits', async () => {
		expect(await pragma('journal_mode')).toBe('wal');
		expect(await pragma('foreign_keys')).toBe(1);
		expect(await pragma('busy_timeout')).toBe(0);
	});

	it('refuses what points at nothing', async () => {
		const orphan = db
			.insertInto('site_revision')
			.values({ id: testId(1), site_id: testId(404), number: 1, created_at: NOW, record: '{}' })
			.execute();
		await expect(orphan).rejects.toThrow(/FOREIGN KEY/);
	});

	it('runs each migration once, however often it is opened', async () => {
		const migrations = async () =>
			(await sql<{ name: string }>`select name from kysely_migration`.execute(db)).rows;
		const before = await migrations();
		await createSite(db, site(1), EMPTY_RECORD, NOW);
		await db.destroy();
		db = await openDatabase(path);
		expect(await migrations()).toEqual(before);
		expect(before.map(({ name }) => name)).toEqual([
			'0001-sites-visits-readings',
			'0002-inspection-photographs-library',
			'0003-places-states-safety-curves',
			'0004-repairs',
			'0005-piles',
			'0006-watch',
			'0007-settings',
			'0008-day-means',
			'0009-conditions-per-plane',
			'0010-over-range',
			'0011-revision-outline'
		]);
		expect(await findSite(db, testId(1))).toMatchObject({ name: 'Site 1' });
	});

	it('lets several programs start on one new file at once, and write to it', async () => {
		const shared = join(folder, 'new.db');
		const programs = await Promise.all([1, 2, 3, 4].map(() => loadDemoInto(shared)));
		expect(programs).toEqual([0, 0, 0, 0].map((code) => ({ code, said: '' })));
		const opened = await openDatabase(shared);
		const { count } = await opened
			.selectFrom('reading')
			.select((eb) => eb.fn.countAll<number>().as('count'))
			.executeTakeFirstOrThrow();
		// Sixteen at the terminal; at the hall eight a visit on four days, once with both poles of each string to
		// earth; six at the hut; the twenty-four units of the office.
		expect(count).toBe(16 + 4 * 8 + 8 + 6 + 24);
		await opened.destroy();
	});

	it('takes the write lock where a transaction begins', async () => {
		const other = new Database(path, { timeout: 0 });
		await db.transaction().execute(async (trx) => {
			await trx.selectFrom('site').selectAll().execute();
			expect(() => other.exec('begin immediate')).toThrow(/locked/);
		});
		other.exec('begin immediate');
		other.exec('rollback');
		other.close();
	});

	it('serves others while it waits for another program that writes', async () => {
		const other = new Database(path, { timeout: 0 });
		other.exec('begin immediate');
		const order: string[] = [];
		const waits = [
			createSite(db, site(4), EMPTY_RECORD, NOW).then(() => order.push('transaction')),
			db
				.insertInto('setting')
				.values({ name: 'waits', value: '1' })
				.execute()
				.then(() => order.push('statement'))
		];
		expect(await findSite(db, testId(404))).toBeNull();
		order.push('read');
		other.exec('rollback');
		other.close();
		await Promise.all(waits);
		expect(order[0]).toBe('read');
		expect(await findSite(db, testId(4))).toMatchObject({ name: 'Site 4' });
	});

	it('keeps what is read beside a transaction from what that has not stored yet', async () => {
		await db.transaction().execute(async (trx) => {
			await insertSite(trx, site(5), NOW);
			expect(await findSite(trx, testId(5))).not.toBeNull();
			expect(await findSite(db, testId(5))).toBeNull();
		});
		expect(await findSite(db, testId(5))).not.toBeNull();
	});

	it('stores all of a site or nothing of it', async () => {
		const broken = { ...EMPTY_RECORD, inServiceSince: 12 };
		await expect(createSite(db, site(7), broken, NOW)).rejects.toThrow();
		expect(await findSite(db, testId(7))).toBeNull();
		expect(await newestRevision(db, testId(7))).toBeNull();
	});

	it('finds a visit’s readings and a site’s visits by an index, not by reading all', async () => {
		const plan = async (query: string) =>
			(await sql<{ detail: string }>`explain query plan ${sql.raw(query)}`.execute(db)).rows
				.map(({ detail }) => detail)
				.join('; ');
		expect(await plan("select * from reading where visit_id = 'x' order by seq")).toMatch(
			/USING INDEX reading_by_visit/
		);
		expect(
			await plan("select * from visit where site_id = 'x' order by started_at desc limit 30")
		).toMatch(/USING INDEX visit_by_site/);
		expect(await plan('select * from site order by name, id limit 50')).toMatch(
			/USING (COVERING )?INDEX site_by_name/
		);
	});
});
