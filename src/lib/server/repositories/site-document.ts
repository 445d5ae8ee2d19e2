import type { SiteDocument, SiteVisit } from '$core/document';
import type { DbOrTransaction } from '../database/open';
import { findRevision, findSite, type Revision } from './sites';
import { findVisit } from './visits';
import { benchmarkEntries, monitoringSettings } from './monitoring-settings';

/** A site over the years: every revision and every visit; null where there is no such site or it has no record. */
export async function findSiteDocument(
	db: DbOrTransaction,
	siteId: string
): Promise<SiteDocument | null> {
	const site = await findSite(db, siteId);
	const lines = await db
		.selectFrom('site_revision')
		.select('id')
		.where('site_id', '=', siteId)
		.orderBy('number')
		.execute();
	if (!site || lines.length === 0) return null;
	const revisions: Revision[] = [];
	for (const { id } of lines) {
		const revision = await findRevision(db, id);
		if (revision) revisions.push(revision);
	}
	const ids = await db
		.selectFrom('visit')
		.select('id')
		.where('site_id', '=', siteId)
		.orderBy('started_at')
		.orderBy('id')
		.execute();
	const visits: SiteVisit[] = [];
	for (const { id } of ids) {
		const found = await findVisit(db, id);
		if (!found) continue;
		const { revision, visit, inspection, photographs } = found;
		visits.push({ revision: revision.id, visit, inspection, photographs });
	}
	return {
		site,
		revisions,
		visits,
		benchmarks: await benchmarkEntries(db, siteId),
		watch: await monitoringSettings(db, siteId)
	};
}
