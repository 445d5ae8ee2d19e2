import Database from 'better-sqlite3';
import { Kysely, Migrator, type Migration, type Transaction } from 'kysely';
import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { SharedSqliteDialect } from './dialect';
import type { Tables } from './schema';

export type Db = Kysely<Tables>;
/** A repository works on the database or inside somebody's transaction. */
export type DbOrTransaction = Db | Transaction<Tables>;

const migrations = import.meta.glob<Pick<Migration, 'up'>>('./migrations/*.ts', { eager: true });

/** Longest wait for another program that writes, ms */
const PATIENCE = 10_000;

/** A handle of the database; while it is opened it waits for a busy writer as SQLite does. */
function handleOf(path: string): Database.Database {
	const handle = new Database(path, { timeout: PATIENCE });
	handle.pragma('journal_mode = WAL');
	handle.pragma('synchronous = FULL');
	handle.pragma('foreign_keys = ON');
	return handle;
}

/**
 * Opens the database of a path (or ":memory:"), with write-ahead log and foreign keys, and brings
 * its tables up to date in one transaction.
 *
 * @param patience longest wait for another program that writes, ms
 */
export async function openDatabase(path: string, patience = PATIENCE): Promise<Db> {
	if (path !== ':memory:') mkdirSync(dirname(path), { recursive: true });
	const plain = handleOf(path);
	const transactions = path === ':memory:' ? plain : handleOf(path);
	const handles = { plain, transactions, patience };
	const db = new Kysely<Tables>({ dialect: new SharedSqliteDialect(handles) });
	const { error } = await new Migrator({
		db,
		provider: {
			getMigrations: async () =>
				Object.fromEntries(
					Object.entries(migrations).map(([file, { up }]) => [
						file.replace(/^.*\/|\.ts$/g, ''),
						{ up }
					])
				)
		}
	}).migrateToLatest();
	if (error) {
		await db.destroy();
		throw error;
	}
	// From here on whoever waits lets others be served meanwhile.
	for (const handle of [plain, transactions]) handle.pragma('busy_timeout = 0');
	return db;
}
