import { inspectionEntrySchema } from '$core/document';
import { currentEntries, type InspectionEntry } from '$core/inspection';
import type { Result } from '$core/units';
import type { DbOrTransaction } from '../database/open';
import { appendEntry } from './append';

/** Answers of a visit's walk, in the order of arrival. */
export async function inspectionOf(
	db: DbOrTransaction,
	visitId: string
): Promise<InspectionEntry[]> {
	const rows = await db
		.selectFrom('inspection_entry')
		.select('entry')
		.where('visit_id', '=', visitId)
		.orderBy('seq')
		.execute();
	return rows.map(({ entry }) => inspectionEntrySchema.parse(JSON.parse(entry)));
}

/** Appends an answer; the same one repeated does no harm. @returns words where it is refused */
export async function appendInspectionEntry(
	db: DbOrTransaction,
	visitId: string,
	entry: InspectionEntry
): Promise<Result<null, string>> {
	return appendEntry(db, 'inspection_entry', visitId, entry, ({ stop, outcome, severity }) => ({
		stop,
		outcome,
		severity
	}));
}

/** Findings that stand of the newest visit with an inspection; none where there is no such visit. */
export async function newestFindings(
	db: DbOrTransaction,
	siteId: string
): Promise<InspectionEntry[]> {
	const visit = await db
		.selectFrom('inspection_entry')
		.innerJoin('visit', 'visit.id', 'inspection_entry.visit_id')
		.where('visit.site_id', '=', siteId)
		.select('visit.id')
		.orderBy('visit.started_at', 'desc')
		.limit(1)
		.executeTakeFirst();
	if (!visit) return [];
	return currentEntries(await inspectionOf(db, visit.id)).filter(
		({ outcome }) => outcome === 'finding'
	);
}
