import {
	type LibraryEntry,
	libraryEntrySchema,
	type LibraryKind,
	STARTING_SET
} from '$core/document';
import { refuse, type Result, succeed } from '$core/units';
import type { Db, DbOrTransaction } from '../database/open';

/** Whose an entry is, and which version of it; null where there is no own one. */
interface Standing {
	readonly own: boolean;
	readonly version: string | null;
}

/** Own entries and the starting set, in the order of their names; an own entry stands over one of its id. */
export async function listLibrary(
	db: DbOrTransaction,
	kind: LibraryKind | null = null
): Promise<(LibraryEntry & Standing)[]> {
	let query = db.selectFrom('library_entry').select(['id', 'entry', 'changed_at']);
	if (kind) query = query.where('kind', '=', kind);
	const rows = await query.orderBy('name').execute();
	const own = rows.map(({ entry, changed_at: version }) => ({
		...libraryEntrySchema.parse(JSON.parse(entry)),
		own: true,
		version
	}));
	const changed = new Set(own.map(({ id }) => id));
	const generic = STARTING_SET.filter(
		(entry) => !changed.has(entry.id) && (kind === null || entry.kind === kind)
	).map((entry) => ({ ...entry, own: false, version: null }));
	return [...own, ...generic];
}

/** What somebody wants of the library, and the versions of own entries that they had before them. */
export interface LibraryChange {
	readonly put: readonly LibraryEntry[];
	/** Ids */
	readonly remove: readonly string[];
	/** By id; an entry that is missing here was not there. */
	readonly versions: Readonly<Record<string, string | null>>;
}

/**
 * Puts entries in and takes own ones out; records that were made from them keep what they took over. All of it is done,
 * or nothing where somebody changed one of them meanwhile.
 *
 * @returns names of entries that somebody changed meanwhile
 */
export async function changeLibrary(
	db: Db,
	{ put, remove, versions }: LibraryChange,
	now: string
): Promise<Result<null, string[]>> {
	return db.transaction().execute(async (trx): Promise<Result<null, string[]>> => {
		const wanted = new Map(put.map((entry) => [entry.id, JSON.stringify(entry)]));
		const overtaken: string[] = [];
		for (const id of new Set([...wanted.keys(), ...remove])) {
			const standing = await trx
				.selectFrom('library_entry')
				.select(['name', 'entry', 'changed_at'])
				.where('id', '=', id)
				.executeTakeFirst();
			if (!standing || standing.entry === wanted.get(id)) continue;
			if (standing.changed_at !== (versions[id] ?? null)) overtaken.push(standing.name);
		}
		if (overtaken.length > 0) return refuse(overtaken);
		for (const entry of put) {
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
		for (const id of remove) await trx.deleteFrom('library_entry').where('id', '=', id).execute();
		return succeed(null);
	});
}
