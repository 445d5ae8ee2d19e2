import type { Db } from '../database/open';

/** A visit of a site before another one, by which its readings can be seen in time. */
export interface EarlierVisit {
	readonly id: string;
	readonly startedAt: string;
	readonly reason: string;
}

/** As many as one can choose from. */
const LISTED = 24;

/** The visits of a site with readings that began before a moment, newest first. */
export async function earlierVisits(
	db: Db,
	siteId: string,
	before: string
): Promise<EarlierVisit[]> {
	const rows = await db
		.selectFrom('visit')
		.select(['id', 'started_at', 'reason'])
		.where('site_id', '=', siteId)
		.where('started_at', '<', before)
		.where((eb) =>
			eb.exists(
				eb.selectFrom('reading').select('reading.id').whereRef('reading.visit_id', '=', 'visit.id')
			)
		)
		.orderBy('started_at', 'desc')
		.limit(LISTED)
		.execute();
	return rows.map(({ id, started_at: startedAt, reason }) => ({ id, startedAt, reason }));
}
