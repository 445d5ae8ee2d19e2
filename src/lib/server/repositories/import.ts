import type { VisitDocument } from '$core/document/visit';
import type { Problem } from '$core/document/file';
import { refuse, succeed, type Result } from '$core/units/result';
import type { Db } from '../database/open';
import { appendInspectionEntry } from './inspection';
import { appendRepair } from './repairs';
import { findRevision, findSite, insertRevision, insertSite, newestRevision } from './sites';
import {
	appendConditions,
	appendCurve,
	appendSafety,
	findVisit,
	insertReading,
	insertVisit,
	insertWithdrawal
} from './visits';

export interface Imported {
	readonly visitId: string;
	readonly siteId: string;
	/** Nothing was new: the visit is here already, entry for entry. */
	readonly already: boolean;
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

function clash(what: string): { readonly ok: false; readonly problem: Problem } {
	return refuse({
		what,
		where: '',
		mend: 'Nothing was changed here. Compare the two, and import into another Zembo if both are wanted.'
	});
}

/**
 * Stores a visit file with its site and revision. What is here already is left as it is; a visit
 * that is here with other content is refused whole.
 */
export async function importVisit(
	db: Db,
	document: VisitDocument,
	now: string
): Promise<Result<Imported, Problem>> {
	const { site, revision, record, visit, inspection } = document;
	return db.transaction().execute(async (trx): Promise<Result<Imported, Problem>> => {
		const answer = { visitId: visit.id, siteId: site.id };
		const here = await findVisit(trx, visit.id);
		if (here) {
			return same(here, document)
				? succeed({ ...answer, already: true })
				: clash(
						`The visit of ${visit.startedAt.slice(0, 10)} by ${visit.by} is here already, with other content.`
					);
		}
		if (!(await findSite(trx, site.id))) await insertSite(trx, site, now);
		const known = await findRevision(trx, revision.id);
		if (known && !same(known.record, record)) {
			return clash(
				`Revision ${revision.number} of ${site.name} is here already, with another record.`
			);
		}
		if (!known) {
			const newest = await newestRevision(trx, site.id);
			if (newest && newest.number >= revision.number) {
				return clash(
					`${site.name} is here already with a record of its own, revision ${newest.number}; this file’s revision ${revision.number} does not follow it.`
				);
			}
			await insertRevision(trx, site.id, { ...revision, record });
		}
		await insertVisit(trx, site.id, revision.id, visit);
		for (const entry of visit.conditions) await appendConditions(trx, visit.id, entry);
		for (const reading of visit.readings) await insertReading(trx, visit.id, reading);
		for (const withdrawal of visit.withdrawals) await insertWithdrawal(trx, visit.id, withdrawal);
		for (const entry of visit.safety) await appendSafety(trx, visit.id, entry);
		for (const curve of visit.curves) await appendCurve(trx, visit.id, curve);
		for (const repair of visit.repairs) await appendRepair(trx, visit.id, repair);
		for (const entry of inspection) await appendInspectionEntry(trx, visit.id, entry);
		return succeed({ ...answer, already: false });
	});
}
