import { type PhotographLine, photographSchema } from '$core/document';
import type { DbOrTransaction } from '../database/open';

interface Photograph extends PhotographLine {
	readonly visitId: string;
	readonly bytes: Uint8Array;
}

/** Photographs of a visit without their bytes, in the order in which they came. */
export async function photographsOf(
	db: DbOrTransaction,
	visitId: string
): Promise<PhotographLine[]> {
	const rows = await db
		.selectFrom('photograph')
		.select(['id', 'taken_at', 'added_at', 'type', 'width', 'height'])
		.where('visit_id', '=', visitId)
		.orderBy('added_at')
		.orderBy('id')
		.execute();
	return rows.map(({ taken_at, added_at, ...rest }) =>
		photographSchema.parse({ ...rest, takenAt: taken_at, addedAt: added_at })
	);
}

/** @returns false where another photograph is stored under this id */
export async function insertPhotograph(
	db: DbOrTransaction,
	photograph: Photograph
): Promise<boolean> {
	const bytes = Buffer.from(photograph.bytes);
	const { numInsertedOrUpdatedRows: added } = await db
		.insertInto('photograph')
		.values({
			id: photograph.id,
			visit_id: photograph.visitId,
			taken_at: photograph.takenAt,
			added_at: photograph.addedAt,
			type: photograph.type,
			width: photograph.width,
			height: photograph.height,
			bytes
		})
		.onConflict((conflict) => conflict.column('id').doNothing())
		.executeTakeFirstOrThrow();
	if (added === 1n) return true;
	const here = await db
		.selectFrom('photograph')
		.select(['visit_id', 'bytes'])
		.where('id', '=', photograph.id)
		.executeTakeFirstOrThrow();
	return here.visit_id === photograph.visitId && bytes.equals(here.bytes);
}

export async function findPhotograph(
	db: DbOrTransaction,
	id: string
): Promise<{ readonly type: string; readonly bytes: Uint8Array } | null> {
	const row = await db
		.selectFrom('photograph')
		.select(['type', 'bytes'])
		.where('id', '=', id)
		.executeTakeFirst();
	return row ?? null;
}
