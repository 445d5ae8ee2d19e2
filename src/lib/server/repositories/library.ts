import {
	libraryEntrySchema,
	type LibraryEntry,
	type LibraryKind
} from '$core/document/library/library';
import { STARTING_SET } from '$core/document/library/starting-set';
import type { Db, DbOrTransaction } from '../database/open';

/** Own entries and the starting set, in the order of their names; an own entry stands over one of its id. */
export async function listLibrary(
	db: DbOrTransaction,
	kind: LibraryKind | null = null
): Promise<(LibraryEntry & { readonly own: boolean })[]> {
	let query = db.selectFrom('library_entry').select(['id', 'entry']);
	if (kind) query = query.where('kind', '=', kind);
	const rows = await query.orderBy('name').execute();
	const own = rows.map(({ entry }) => ({
		...libraryEntrySchema.parse(JSON.parse(entry)),
		own: true
	}));
	const changed = new Set(own.map(({ id }) => id));
	const generic = STARTING_SET.filter(
		(entry) => !changed.has(entry.id) && (kind === null || entry.kind === kind)
	).map((entry) => ({ ...entry, own: false }));
	return [...own, ...generic];
}

/** Puts entries in; one that is there under its id is replaced. */
export async function putLibraryEntries(
	db: Db,
	entries: readonly LibraryEntry[],
	now: string
): Promise<void> {
	await db.transaction().execute(async (trx) => {
		for (const entry of entries) {
			const row = {
				id: entry.id,
				kind: entry.kind,
				name: entry.name,
				entry: JSON.stringify(entry),
				changed_at: now
			};
			await trx
				.insertInto('library_entry')
				.values(row)
				.onConflict((conflict) => conflict.column('id').doUpdateSet(row))
				.execute();
		}
	});
}

/** Takes an own entry out; records that were made from it keep what they took over. */
export async function removeLibraryEntry(db: DbOrTransaction, id: string): Promise<void> {
	await db.deleteFrom('library_entry').where('id', '=', id).execute();
}
