import Database from 'better-sqlite3';
import type {
	PhotographLine,
	Problem,
	Site,
	SiteDocument,
	SiteVisit,
	VisitDocument
} from '$core/document';
import type { ArrayRecord } from '$core/record';
import { refuse, type Result, succeed } from '$core/units';
import type { Db, DbOrTransaction } from '../database/open';
import type { DecodedPicture } from '../photographs/decode';
import { appendInspectionEntry } from './inspection';
import { insertPhotograph } from './photographs';
import { appendRepair } from './repairs';
import {
	findRevision,
	findSite,
	insertSite,
	newestRevision,
	storeRevision,
	type Revision
} from './sites';
import {
	appendConditions,
	appendCurve,
	appendSafety,
	findVisit,
	insertReading,
	insertVisit,
	insertWithdrawal
} from './visits';
import {
	addBenchmarkEntry,
	hasMonitoringSettings,
	saveMonitoringSettings
} from './monitoring-settings';

/** A decoded picture of which the bytes wait outside of memory. */
export interface WaitingPicture extends Omit<DecodedPicture, 'bytes'> {
	readonly read: () => Promise<Uint8Array>;
}

/** Decoded photographs by their id. */
export type Pictures = ReadonlyMap<string, WaitingPicture>;
const NO_PICTURES: Pictures = new Map();

export interface Imported {
	readonly visitId: string;
	readonly siteId: string;
	/** Nothing was new: the visit is here already, entry for entry. */
	readonly already: boolean;
}

/** Thrown inside a transaction, so that nothing of a refused file stays. */
class Clash extends Error {}

/** Nothing of a file stays where one of its entries is refused. */
function orClash(appended: Result<null, string>): void {
	if (!appended.ok) throw new Clash(appended.problem);
}

const clash = (what: string): Problem => ({
	what,
	where: '',
	mend: 'Nothing was changed here. Compare the two, and import into another Zembo if both are wanted.'
});
/** How SQLite names an id that is there already. */
const TAKEN = ['SQLITE_CONSTRAINT_UNIQUE', 'SQLITE_CONSTRAINT_PRIMARYKEY'];

/** Texts of what is compared: written before a transaction holds the lock, for a large record takes long. */
const texts = new WeakMap<object, string>();
function textOf(value: object): string {
	const text = texts.get(value) ?? JSON.stringify(value);
	texts.set(value, text);
	return text;
}
const same = (a: object, b: object) => textOf(a) === textOf(b);

/** All of it, or nothing and why. */
async function whole<T>(
	db: Db,
	store: (trx: DbOrTransaction) => Promise<T>
): Promise<Result<T, Problem>> {
	try {
		return succeed(await db.transaction().execute(store));
	} catch (error) {
		if (error instanceof Clash) return refuse(clash(error.message));
		if (error instanceof Database.SqliteError && TAKEN.includes(error.code)) {
			return refuse(clash('An entry of this file carries the id of one of another visit here.'));
		}
		throw error;
	}
}

/**
 * Stores a visit file with its site and revision. What is here already is left as it is; a visit
 * that is here with other content is refused whole.
 *
 * @param pictures of the visit's photographs; without its bytes a photograph is not stored
 */
export async function importVisit(
	db: Db,
	document: VisitDocument,
	now: string,
	pictures = NO_PICTURES
): Promise<Result<Imported, Problem>> {
	const { site, revision, record } = document;
	await readBefore(db, document.visit.id, record);
	return whole(db, async (trx) => {
		await storeSite(trx, site, now);
		await importRevision(trx, site, { ...revision, record });
		const already = !(await storeVisit(trx, site.id, revision.id, document, pictures));
		return { visitId: document.visit.id, siteId: site.id, already };
	});
}

/** Reads what is here already and keeps it in memory, so that nobody waits for that while a transaction holds the lock. */
async function readBefore(db: Db, visitId: string, record: ArrayRecord): Promise<void> {
	const here = await findVisit(db, visitId);
	if (here) same(here.record, record);
}

/** What of a site's archive was new. */
export interface ImportedSite {
	readonly siteId: string;
	readonly revisions: number;
	readonly visits: number;
}

/**
 * Stores a site's archive. What is here already is left as it is, what is missing is added; anything
 * that is here with other content refuses the archive whole.
 */
export async function importSite(
	db: Db,
	{ site, revisions, visits, benchmarks, watch }: SiteDocument,
	now: string,
	pictures = NO_PICTURES
): Promise<Result<ImportedSite, Problem>> {
	const records = new Map(revisions.map(({ id, record }) => [id, record]));
	for (const { visit, revision } of visits) {
		await readBefore(db, visit.id, records.get(revision)!);
	}
	return whole(db, async (trx) => {
		await storeSite(trx, site, now);
		let newRevisions = 0;
		for (const revision of revisions) {
			if (await importRevision(trx, site, revision)) newRevisions++;
		}
		let newVisits = 0;
		for (const visit of visits) {
			if (await storeVisit(trx, site.id, visit.revision, visit, pictures)) newVisits++;
		}
		for (const entry of benchmarks) {
			if (await addBenchmarkEntry(trx, site.id, entry)) continue;
			throw new Clash('A benchmark measurement of this file is here already, with other content.');
		}
		if (!(await hasMonitoringSettings(trx, site.id)))
			await saveMonitoringSettings(trx, site.id, watch);
		return { siteId: site.id, revisions: newRevisions, visits: newVisits };
	});
}

async function storeSite(db: DbOrTransaction, site: Site, now: string): Promise<void> {
	if (!(await findSite(db, site.id))) await insertSite(db, site, now);
}

/** @returns whether it is new */
async function importRevision(
	db: DbOrTransaction,
	site: Site,
	revision: Revision
): Promise<boolean> {
	const known = await findRevision(db, revision.id);
	if (known) {
		if (same(known.record, revision.record)) return false;
		throw new Clash(
			`Revision ${revision.number} of ${site.name} is here already, with another record.`
		);
	}
	const newest = await newestRevision(db, site.id);
	if (newest && newest.number >= revision.number) {
		throw new Clash(
			`${site.name} is here already with a record of its own, revision ${newest.number}; this file’s revision ${revision.number} does not follow it.`
		);
	}
	await storeRevision(db, site.id, revision);
	return true;
}

/** @returns whether it is new; photographs that were missing are added in either case */
async function storeVisit(
	db: DbOrTransaction,
	siteId: string,
	revisionId: string,
	{ visit, inspection, photographs }: Omit<SiteVisit, 'revision'>,
	pictures: Pictures
): Promise<boolean> {
	const here = await findVisit(db, visit.id);
	if (here) {
		const alike = same(here.visit, visit) && same(here.inspection, inspection);
		if (!alike || here.revision.id !== revisionId) {
			throw new Clash(
				`The visit of ${visit.startedAt.slice(0, 10)} by ${visit.by} is here already, with other content.`
			);
		}
	} else {
		await insertVisit(db, siteId, revisionId, visit);
		for (const entry of visit.conditions) await appendConditions(db, visit.id, entry);
		for (const reading of visit.readings) await insertReading(db, visit.id, reading);
		for (const withdrawal of visit.withdrawals) await insertWithdrawal(db, visit.id, withdrawal);
		for (const entry of visit.safety) orClash(await appendSafety(db, visit.id, entry));
		for (const curve of visit.curves) orClash(await appendCurve(db, visit.id, curve));
		for (const repair of visit.repairs) orClash(await appendRepair(db, visit.id, repair));
		for (const entry of inspection) orClash(await appendInspectionEntry(db, visit.id, entry));
	}
	await storePictures(db, visit.id, photographs, pictures);
	return !here;
}

async function storePictures(
	db: DbOrTransaction,
	visitId: string,
	photographs: readonly PhotographLine[],
	pictures: Pictures
): Promise<void> {
	for (const photograph of photographs) {
		const picture = pictures.get(photograph.id);
		if (!picture) continue;
		const { type, width, height, read } = picture;
		const bytes = await read();
		await insertPhotograph(db, { ...photograph, type, width, height, bytes, visitId });
	}
}
