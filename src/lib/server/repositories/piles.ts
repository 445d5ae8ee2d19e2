import type { Pile } from '$core/bench/pile';
import { pileSchema } from '$core/document/pile';
import type { DbOrTransaction } from '../database/open';

export interface StoredPile {
	readonly id: string;
	readonly version: number;
	readonly pile: Pile;
}

/** A pile in the list of all. */
export interface PileLine {
	readonly id: string;
	readonly name: string;
	readonly modules: number;
	readonly changedAt: string;
}

/** The last changed first. */
export async function listPiles(db: DbOrTransaction, most = 200): Promise<PileLine[]> {
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

export async function findPile(db: DbOrTransaction, id: string): Promise<StoredPile | null> {
	const row = await db
		.selectFrom('pile')
		.select(['id', 'version', 'document'])
		.where('id', '=', id)
		.executeTakeFirst();
	return row
		? { id: row.id, version: row.version, pile: pileSchema.parse(JSON.parse(row.document)) }
		: null;
}

/** Puts a new pile in; one that is there under its id stays as it is. */
export async function createPile(
	db: DbOrTransaction,
	id: string,
	pile: Pile,
	now: string
): Promise<void> {
	await db
		.insertInto('pile')
		.values({ id, version: 1, ...columnsOf(pile, now) })
		.onConflict((conflict) => conflict.column('id').doNothing())
		.execute();
}

/**
 * Stores a pile that was changed from a version.
 *
 * @returns the new version; null where somebody changed it meanwhile, and nothing was stored
 */
export async function savePile(
	db: DbOrTransaction,
	id: string,
	from: number,
	pile: Pile,
	now: string
): Promise<number | null> {
	const { numUpdatedRows } = await db
		.updateTable('pile')
		.set({ version: from + 1, ...columnsOf(pile, now) })
		.where('id', '=', id)
		.where('version', '=', from)
		.executeTakeFirst();
	return numUpdatedRows > 0n ? from + 1 : null;
}

const columnsOf = (pile: Pile, now: string) => ({
	name: pile.name,
	modules: pile.modules.length,
	document: JSON.stringify(pile),
	changed_at: now
});
