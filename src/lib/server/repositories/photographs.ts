import type { PictureType } from '$core/document/picture';
import type { DbOrTransaction } from '../database/open';

/** A photograph without its bytes. */
interface PhotographLine {
	readonly id: string;
	readonly visitId: string;
	/** Instant by the camera, or by the file where the camera wrote none. */
	readonly takenAt: string;
	readonly addedAt: string;
	readonly type: PictureType;
	/** px */
	readonly width: number;
	readonly height: number;
}

export interface Photograph extends PhotographLine {
	readonly bytes: Uint8Array;
}

export async function insertPhotograph(db: DbOrTransaction, photograph: Photograph): Promise<void> {
	await db
		.insertInto('photograph')
		.values({
			id: photograph.id,
			visit_id: photograph.visitId,
			taken_at: photograph.takenAt,
			added_at: photograph.addedAt,
			type: photograph.type,
			width: photograph.width,
			height: photograph.height,
			bytes: Buffer.from(photograph.bytes)
		})
		.onConflict((conflict) => conflict.column('id').doNothing())
		.execute();
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
