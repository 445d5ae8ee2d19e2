import type Database from 'better-sqlite3';
import {
	CompiledQuery,
	SqliteAdapter,
	SqliteDialect,
	SqliteDriver,
	type DatabaseConnection,
	type DialectAdapter,
	type Driver,
	type QueryResult
} from 'kysely';
import { setTimeout as after } from 'node:timers/promises';

/** ms between two attempts while another program writes */
const RETRY = { first: 2, longest: 25 };

const isBusy = (error: unknown) =>
	/^SQLITE_BUSY/.test(String((error as { code?: unknown } | null)?.code));

/**
 * Where queries go. SQLite itself would wait for another writer by putting the whole process to sleep; here the wait
 * leaves everybody else be served.
 */
class PatientConnection implements DatabaseConnection {
	constructor(
		public handle: Database.Database,
		readonly patience: number
	) {}

	async executeQuery<R>({ sql, parameters }: CompiledQuery): Promise<QueryResult<R>> {
		const end = performance.now() + this.patience;
		for (let wait = RETRY.first; ; wait = Math.min(RETRY.longest, 2 * wait)) {
			try {
				const statement = this.handle.prepare(sql);
				if (statement.reader) return { rows: statement.all(parameters) as R[] };
				const { changes, lastInsertRowid } = statement.run(parameters);
				return {
					numAffectedRows: BigInt(changes),
					insertId: BigInt(lastInsertRowid),
					rows: []
				};
			} catch (error) {
				// Within a transaction only its beginning can be refused, before anything was done.
				if (!isBusy(error) || performance.now() > end) throw error;
			}
			await after(wait);
		}
	}

	// eslint-disable-next-line require-yield
	async *streamQuery(): AsyncIterableIterator<QueryResult<never>> {
		throw new Error('Queries are not streamed.');
	}
}

/** One after the other. */
class Turns {
	#last: Promise<void> = Promise.resolve();

	/** Waits for its turn. @returns what ends it */
	async take(): Promise<() => void> {
		const before = this.#last;
		let end = () => {};
		this.#last = new Promise((done) => (end = done));
		await before;
		return end;
	}
}

/** Handles of one database: transactions have one of their own, so that nobody waits for theirs to read. */
export interface Handles {
	readonly plain: Database.Database;
	/** The same as `plain` for a database in memory, which has no second. */
	readonly transactions: Database.Database;
	/** Longest wait for another program that writes, ms */
	readonly patience: number;
}

/**
 * Takes the write lock where a transaction begins. A transaction that first reads and then writes
 * would otherwise be refused at once, not made to wait, when another program wrote in between.
 */
class PatientDriver extends SqliteDriver {
	readonly #handles: Handles;
	readonly #turns = new Turns();
	readonly #ends = new WeakMap<DatabaseConnection, () => void>();

	constructor(handles: Handles) {
		super({ database: handles.plain });
		this.#handles = handles;
	}

	get #alone(): boolean {
		return this.#handles.plain === this.#handles.transactions;
	}

	override async acquireConnection(): Promise<DatabaseConnection> {
		const connection = new PatientConnection(this.#handles.plain, this.#handles.patience);
		if (this.#alone) this.#ends.set(connection, await this.#turns.take());
		return connection;
	}

	override async releaseConnection(connection?: DatabaseConnection): Promise<void> {
		if (connection && this.#alone) this.#end(connection);
	}

	override async beginTransaction(connection: PatientConnection): Promise<void> {
		if (!this.#alone) {
			this.#ends.set(connection, await this.#turns.take());
			connection.handle = this.#handles.transactions;
		}
		try {
			await connection.executeQuery(CompiledQuery.raw('begin immediate'));
		} catch (error) {
			this.#leave(connection);
			throw error;
		}
	}

	override async commitTransaction(connection: PatientConnection): Promise<void> {
		await connection.executeQuery(CompiledQuery.raw('commit'));
		this.#leave(connection);
	}

	/** SQLite ends a transaction itself where the disk is full; ending it again would hide why. */
	override async rollbackTransaction(connection: PatientConnection): Promise<void> {
		try {
			if (connection.handle.inTransaction) await super.rollbackTransaction(connection);
		} finally {
			this.#leave(connection);
		}
	}

	override async destroy(): Promise<void> {
		this.#handles.plain.close();
		this.#handles.transactions.close();
	}

	#leave(connection: PatientConnection): void {
		if (this.#alone) return;
		connection.handle = this.#handles.plain;
		this.#end(connection);
	}

	#end(connection: DatabaseConnection): void {
		this.#ends.get(connection)?.();
		this.#ends.delete(connection);
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
	readonly #handles: Handles;

	constructor(handles: Handles) {
		super({ database: handles.plain });
		this.#handles = handles;
	}

	override createDriver(): Driver {
		return new PatientDriver(this.#handles);
	}

	override createAdapter(): DialectAdapter {
		return new TransactionalAdapter();
	}
}
