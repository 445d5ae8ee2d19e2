import { fullWords, VISIT_LIMITS } from '$core/document';
import { refuse, type Result, succeed } from '$core/units';
import type { DbOrTransaction } from '../database/open';

/** Tables whose entries are kept as JSON, and what a visit calls them. */
const KINDS = {
	safety_entry: 'safety',
	curve: 'curves',
	repair_entry: 'repairs',
	inspection_entry: 'inspection'
} as const;
type EntryTable = keyof typeof KINDS;

interface Entry {
	readonly id: string;
}

/** An entry that is stored under an id already: whether it is this one of this visit. */
async function storedBefore<E extends Entry>(
	db: DbOrTransaction,
	table: EntryTable,
	visitId: string,
	{ id }: E,
	isSame: (stored: E) => boolean
): Promise<'no' | 'same' | 'other'> {
	const row = await db
		.selectFrom(table)
		.select(['visit_id', 'entry'])
		.where('id', '=', id)
		.executeTakeFirst();
	if (!row) return 'no';
	return row.visit_id === visitId && isSame(JSON.parse(row.entry) as E) ? 'same' : 'other';
}

/** Whether a visit takes another entry of a kind; words where it does not. */
export async function roomFor(
	db: DbOrTransaction,
	table: EntryTable | 'conditions' | 'photograph',
	visitId: string
): Promise<Result<null, string>> {
	const most =
		table === 'conditions'
			? VISIT_LIMITS.conditions
			: table === 'photograph'
				? VISIT_LIMITS.photographs
				: VISIT_LIMITS[KINDS[table]];
	const { count } = await db
		.selectFrom(table)
		.select(({ fn }) => fn.countAll<number>().as('count'))
		.where('visit_id', '=', visitId)
		.executeTakeFirstOrThrow();
	return count < most ? succeed(null) : refuse(fullWords(most));
}

export const TAKEN = 'Another entry already has this id. Nothing was stored.';

/**
 * Appends an entry; the same one repeated does no harm. Call it inside a transaction.
 *
 * @returns words where another entry has its id, or the visit is full
 */
export async function appendEntry<E extends Entry>(
	db: DbOrTransaction,
	table: EntryTable,
	visitId: string,
	entry: E,
	columns: (entry: E) => object = () => ({}),
	isSame: (stored: E) => boolean = (stored) => JSON.stringify(stored) === JSON.stringify(entry)
): Promise<Result<null, string>> {
	const before = await storedBefore(db, table, visitId, entry, isSame);
	if (before !== 'no') return before === 'same' ? succeed(null) : refuse(TAKEN);
	const room = await roomFor(db, table, visitId);
	if (!room.ok) return room;
	await db
		.insertInto(table)
		.values({
			id: entry.id,
			visit_id: visitId,
			entry: JSON.stringify(entry),
			...columns(entry)
		} as never)
		.execute();
	return succeed(null);
}
