import Database from 'better-sqlite3';
import { sql } from 'kysely';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { testId } from '../../../../tests/support/scenario';
import { EMPTY_RECORD } from '$core/record';
import { createSite, listSites } from '../repositories/sites';
import { openDatabase, type Db } from './open';
import { databaseError } from './database-error';

const NOW = '2026-11-24T09:00:00Z';
let folder: string;
let path: string;
let db: Db;
beforeEach(async () => {
	folder = mkdtempSync(join(tmpdir(), 'zembo-fault-'));
	path = join(folder, 'zembo.db');
	db = await openDatabase(path, 50);
});
afterEach(async () => {
	await db.destroy();
	rmSync(folder, { recursive: true });
});

const site = (n: number, place = '') => ({
	id: testId(n),
	name: `Site ${n}`,
	place,
	timeZone: 'Etc/UTC'
});
/** What an attempt throws; fails where it throws nothing. */
async function thrown(attempt: Promise<unknown>): Promise<unknown> {
	try {
		await attempt;
	} catch (error) {
		return error;
	}
	throw new Error('it went through');
}

/** Of the handle that transactions go to. */
const mostPages = (count: number) =>
	db
		.transaction()
		.execute((trx) => sql`pragma max_page_count = ${sql.raw(String(count))}`.execute(trx));

describe('a store with a fault', () => {
	it('that is full says so, stores nothing of what was sent, and keeps what was there', async () => {
		await createSite(db, site(1), EMPTY_RECORD, NOW);
		const pages = (await sql<{ page_count: number }>`pragma page_count`.execute(db)).rows[0]!;
		await mostPages(pages.page_count);
		const error = await thrown(createSite(db, site(2, 'x'.repeat(100_000)), EMPTY_RECORD, NOW));
		expect(databaseError(error)?.message).toContain('disk of the server is full');
		await mostPages(1_073_741_823);
		expect((await listSites(db, null)).map(({ name }) => name)).toEqual(['Site 1']);
		await createSite(db, site(2), EMPTY_RECORD, NOW);
		expect(await listSites(db, null)).toHaveLength(2);
	});

	it('that another program holds says so, and works again when it is let go', async () => {
		const other = new Database(path);
		other.exec('begin immediate');
		const error = await thrown(createSite(db, site(3), EMPTY_RECORD, NOW));
		expect(databaseError(error)?.mend).toContain('in a moment');
		other.exec('rollback');
		other.close();
		await createSite(db, site(3), EMPTY_RECORD, NOW);
	});

	it('leaves every other error to be what it is', () => {
		expect(databaseError(new Error('boom'))).toBeNull();
		expect(databaseError(null)).toBeNull();
		expect(databaseError({ code: 'SQLITE_CONSTRAINT' })).toBeNull();
		expect(databaseError({ code: 'SQLITE_IOERR_WRITE' })?.message).toContain('cannot be written');
	});
});
