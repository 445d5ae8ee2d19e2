import type { ModuleBatch } from '$core/bench';
import { batchSchema } from '$core/document';
import type { DbOrTransaction } from '../database/open';

export interface StoredBatch {
	readonly id: string;
	readonly version: number;
	readonly batch: ModuleBatch;
}

/** A batch in the list of all. */
export interface BatchLine {
	readonly id: string;
	readonly name: string;
	readonly modules: number;
	readonly changedAt: string;
}

/** The last changed first. */
export async function listBatches(db: DbOrTransaction, most = 200): Promise<BatchLine[]> {
	const rows = await db
		.selectFrom('pile')
		.select(['id', 'name', 'modules', 'changed_at'])
		.orderBy('changed_at', 'desc')
		.orderBy('id', 'desc')
		.limit(most)
		.execute();
	return rows.map(({ id, name, modules, changed_at }) => ({
		id,
		name,
		modules,
		changedAt: changed_at
	}));
}

export async function findBatch(db: DbOrTransaction, id: string): Promise<StoredBatch | null> {
	const row = await db
		.selectFrom('pile')
		.select(['id', 'version', 'document'])
		.where('id', '=', id)
		.executeTakeFirst();
	return row
		? { id: row.id, version: row.version, batch: batchSchema.parse(JSON.parse(row.document)) }
		: null;
}

/** Puts a new batch in; one that is there under its id stays as it is. */
export async function createBatch(
	db: DbOrTransaction,
	id: string,
	batch: ModuleBatch,
	now: string
): Promise<void> {
	await db
		.insertInto('pile')
		.values({ id, version: 1, ...columnsOf(batch, now) })
		.onConflict((conflict) => conflict.column('id').doNothing())
		.execute();
}

/**
 * Stores a batch that was changed from a version.
 *
 * @returns the new version; null where somebody changed it meanwhile, and nothing was stored
 */
export async function saveBatch(
	db: DbOrTransaction,
	id: string,
	from: number,
	batch: ModuleBatch,
	now: string
): Promise<number | null> {
	const { numUpdatedRows } = await db
		.updateTable('pile')
		.set({ version: from + 1, ...columnsOf(batch, now) })
		.where('id', '=', id)
		.where('version', '=', from)
		.executeTakeFirst();
	return numUpdatedRows > 0n ? from + 1 : null;
}

const columnsOf = (batch: ModuleBatch, now: string) => ({
	name: batch.name,
	modules: batch.modules.length,
	document: JSON.stringify(batch),
	changed_at: now
});
