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

/** Milliseconds a writer waits for another before it gives up. */
const BUSY_TIMEOUT = 5000;

/**
 * Opens the database of a path (or ":memory:"), with write-ahead log and foreign keys, and brings
 * its tables up to date in one transaction.
 */
export async function openDatabase(path: string): Promise<Db> {
	if (path !== ':memory:') mkdirSync(dirname(path), { recursive: true });
	const database = new Database(path);
	// First, so that the other settings wait for a busy writer too.
	database.pragma(`busy_timeout = ${BUSY_TIMEOUT}`);
	database.pragma('journal_mode = WAL');
	database.pragma('synchronous = FULL');
	database.pragma('foreign_keys = ON');
	const db = new Kysely<Tables>({ dialect: new SharedSqliteDialect(database) });
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
	return db;
}
