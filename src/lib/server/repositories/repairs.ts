import { repairSchema } from '$core/document/reading';
import type { RepairEntry } from '$core/expectation/visit';
import type { Db, DbOrTransaction } from '../database/open';
import { appendEntry } from './visits';

/** Appends what was done about a cause; one repeated does no harm. */
export async function appendRepair(
	db: DbOrTransaction,
	visitId: string,
	repair: RepairEntry
): Promise<void> {
	await appendEntry(db, 'repair_entry', visitId, repair);
}

/**
 * Stores what was done about a cause after the readings that are stored by now; one repeated is answered as it
 * was stored first.
 */
export async function storeRepair(
	db: Db,
	visitId: string,
	repair: RepairEntry
): Promise<RepairEntry> {
	return db.transaction().execute(async (trx) => {
		const { readings } = await trx
			.selectFrom('reading')
			.select(({ fn }) => fn.countAll<number>().as('readings'))
			.where('visit_id', '=', visitId)
			.executeTakeFirstOrThrow();
		await appendRepair(trx, visitId, { ...repair, readingsBefore: readings });
		const { entry } = await trx
			.selectFrom('repair_entry')
			.select('entry')
			.where('id', '=', repair.id)
			.executeTakeFirstOrThrow();
		return repairSchema.parse(JSON.parse(entry));
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
