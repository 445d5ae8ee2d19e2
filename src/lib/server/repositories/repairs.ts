import { repairSchema } from '$core/document';
import type { RepairEntry } from '$core/visit';
import { type Result, succeed } from '$core/units';
import type { Db, DbOrTransaction } from '../database/open';
import { appendEntry } from './append';

/** How many readings came before it is the server's to say, and differs when a repair is sent again. */
const withoutReadings = (repair: RepairEntry) =>
	JSON.stringify({ ...repair, readingsBefore: null });

/** Appends what was done about a cause; one repeated does no harm. @returns words where it is refused */
export async function appendRepair(
	db: DbOrTransaction,
	visitId: string,
	repair: RepairEntry
): Promise<Result<null, string>> {
	return appendEntry(
		db,
		'repair_entry',
		visitId,
		repair,
		undefined,
		(stored) => withoutReadings(stored) === withoutReadings(repair)
	);
}

/**
 * Stores what was done about a cause after the readings that are stored by now; one repeated is answered as it
 * was stored first.
 */
export async function storeRepair(
	db: Db,
	visitId: string,
	repair: RepairEntry
): Promise<Result<RepairEntry, string>> {
	return db.transaction().execute(async (trx): Promise<Result<RepairEntry, string>> => {
		const { readings } = await trx
			.selectFrom('reading')
			.select(({ fn }) => fn.countAll<number>().as('readings'))
			.where('visit_id', '=', visitId)
			.executeTakeFirstOrThrow();
		const appended = await appendRepair(trx, visitId, { ...repair, readingsBefore: readings });
		if (!appended.ok) return appended;
		const { entry } = await trx
			.selectFrom('repair_entry')
			.select('entry')
			.where('id', '=', repair.id)
			.executeTakeFirstOrThrow();
		return succeed(repairSchema.parse(JSON.parse(entry)));
	});
}

/** What was done at a site, with the visit it was done in. */
export interface SiteRepair {
	readonly visitId: string;
	readonly entry: RepairEntry;
}

/** As many as one page shows. */
const LISTED = 500;

/** Everything that was done about causes at a site over the years, newest first. */
export async function repairsOfSite(db: Db, siteId: string): Promise<SiteRepair[]> {
	const rows = await db
		.selectFrom('repair_entry')
		.innerJoin('visit', 'visit.id', 'repair_entry.visit_id')
		.select(['repair_entry.visit_id', 'repair_entry.entry'])
		.where('visit.site_id', '=', siteId)
		.orderBy('repair_entry.seq', 'desc')
		.limit(LISTED)
		.execute();
	return rows.map(({ visit_id: visitId, entry }) => ({
		visitId,
		entry: repairSchema.parse(JSON.parse(entry))
	}));
}
