import { setImmediate } from 'node:timers/promises';
import { type ImportReport, importReportSchema } from '$core/document';
import type { Db, DbOrTransaction } from '../database/open';

export interface ImportLine {
	readonly id: string;
	readonly file: string;
	readonly addedAt: string;
	readonly samples: number;
	/** s since 1970-01-01 UTC; null where it held nothing */
	readonly first: number | null;
	readonly last: number | null;
	readonly report: ImportReport;
}

/** What came in whole, the newest first. */
export async function listImports(db: DbOrTransaction, siteId: string): Promise<ImportLine[]> {
	const rows = await db
		.selectFrom('watch_import')
		.selectAll()
		.where('site_id', '=', siteId)
		.where('state', '=', 'done')
		.orderBy('added_at', 'desc')
		.orderBy('id', 'desc')
		.limit(100)
		.execute();
	return rows.map(({ id, file, added_at, samples, first_at, last_at, report }) => ({
		id,
		file,
		addedAt: added_at,
		samples,
		first: first_at,
		last: last_at,
		report: importReportSchema.parse(JSON.parse(report))
	}));
}

/** Begins an import; false where one of that id is there already, and stays as it is. */
export async function beginImport(
	db: DbOrTransaction,
	id: string,
	siteId: string,
	file: string,
	now: string
): Promise<boolean> {
	const nothing: ImportReport = { lines: 0, refused: 0, why: [], doubled: 0, missing: 0, back: 0 };
	const { numInsertedOrUpdatedRows } = await db
		.insertInto('watch_import')
		.values({
			id,
			site_id: siteId,
			file,
			added_at: now,
			state: 'running',
			samples: 0,
			first_at: null,
			last_at: null,
			report: JSON.stringify(nothing)
		})
		.onConflict((conflict) => conflict.column('id').doNothing())
		.executeTakeFirst();
	return (numInsertedOrUpdatedRows ?? 0n) > 0n;
}

/** From now on what came in is shown. */
export async function endImport(
	db: DbOrTransaction,
	id: string,
	{
		report,
		samples,
		first,
		last
	}: { report: ImportReport; samples: number; first: number; last: number }
): Promise<void> {
	await db
		.updateTable('watch_import')
		.set({
			state: 'done',
			samples,
			first_at: samples > 0 ? first : null,
			last_at: samples > 0 ? last : null,
			report: JSON.stringify(report)
		})
		.where('id', '=', id)
		.execute();
}

/** Samples of an import that is over; null where there is none, or it still runs. */
export async function samplesOfEnded(db: DbOrTransaction, id: string): Promise<number | null> {
	const row = await db
		.selectFrom('watch_import')
		.select('samples')
		.where('id', '=', id)
		.where('state', '=', 'done')
		.executeTakeFirst();
	return row?.samples ?? null;
}

/** Blocks that are removed in one transaction, so that nobody waits long for the lock. */
const REMOVED_AT_ONCE = 2000;

/** Takes an import back whole, and the units that only it had. */
export async function removeImport(db: Db, id: string): Promise<boolean> {
	const found = await db
		.updateTable('watch_import')
		.set({ state: 'running' })
		.where('id', '=', id)
		.returning('site_id')
		.executeTakeFirst();
	if (!found) return false;
	for (;;) {
		const { numDeletedRows } = await db
			.deleteFrom('watch_block')
			.where('id', 'in', (eb) =>
				eb.selectFrom('watch_block').select('id').where('import_id', '=', id).limit(REMOVED_AT_ONCE)
			)
			.executeTakeFirst();
		if (numDeletedRows === 0n) break;
		// Others are served in between.
		await setImmediate();
	}
	await db.transaction().execute(async (transaction) => {
		await transaction
			.deleteFrom('watch_series')
			.where('id', 'not in', (eb) => eb.selectFrom('watch_block').select('series_id'))
			.where('unit_id', 'in', (eb) =>
				eb.selectFrom('watch_unit').select('id').where('site_id', '=', found.site_id)
			)
			.execute();
		await transaction
			.deleteFrom('watch_unit')
			.where('site_id', '=', found.site_id)
			.where('id', 'not in', (eb) => eb.selectFrom('watch_series').select('unit_id'))
			.execute();
		await transaction.deleteFrom('watch_import').where('id', '=', id).execute();
	});
	return true;
}

/** Imports that a server which ended left unfinished. */
export async function unfinishedImports(db: DbOrTransaction): Promise<string[]> {
	const rows = await db
		.selectFrom('watch_import')
		.select('id')
		.where('state', '=', 'running')
		.execute();
	return rows.map(({ id }) => id);
}
