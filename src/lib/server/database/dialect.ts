import type Database from 'better-sqlite3';
import {
	CompiledQuery,
	SqliteAdapter,
	SqliteDialect,
	SqliteDriver,
	type DatabaseConnection,
	type DialectAdapter,
	type Driver
} from 'kysely';

/**
 * Takes the write lock where a transaction begins. A transaction that first reads and then writes
 * would otherwise be refused at once, not made to wait, when another program wrote in between.
 */
class ImmediateDriver extends SqliteDriver {
	readonly #database: Database.Database;

	constructor(database: Database.Database) {
		super({ database });
		this.#database = database;
	}

	/** SQLite ends a transaction itself where the disk is full; ending it again would hide why. */
	override async rollbackTransaction(connection: DatabaseConnection): Promise<void> {
		if (this.#database.inTransaction) await super.rollbackTransaction(connection);
	}

	override async beginTransaction(connection: DatabaseConnection): Promise<void> {
		await connection.executeQuery(CompiledQuery.raw('begin immediate'));
	}
}

/** All migrations of a start in one transaction: SQLite can, and two programs may start at once. */
class TransactionalAdapter extends SqliteAdapter {
	override get supportsTransactionalDdl(): boolean {
		return true;
	}
}

/** SQLite as several programs share it: the server, the command line, the loader of the demo. */
export class SharedSqliteDialect extends SqliteDialect {
	readonly #database: Database.Database;

	constructor(database: Database.Database) {
		super({ database });
		this.#database = database;
	}

	override createDriver(): Driver {
		return new ImmediateDriver(this.#database);
	}

	override createAdapter(): DialectAdapter {
		return new TransactionalAdapter();
	}
}
