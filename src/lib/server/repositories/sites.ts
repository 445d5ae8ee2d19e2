import { LRUCache } from 'lru-cache';
import { v7 as uuid } from 'uuid';
import {
	applyChange,
	type ArrayRecord,
	outlineOf,
	type RecordChange,
	type RecordOutline,
	stillHolds
} from '$core/record';
import { arrayRecordSchema, type Site, whatDoesNotHold } from '$core/document';
import { refuse, type Result, succeed } from '$core/units';
import type { Db, DbOrTransaction } from '../database/open';

export interface Revision {
	readonly id: string;
	readonly number: number;
	readonly createdAt: string;
	readonly record: ArrayRecord;
}

export interface SiteLine extends Site {
	readonly outline: RecordOutline;
	readonly visits: number;
	readonly lastVisit: string | null;
}

/** Sites a page of the list holds. */
export const SITES_PER_PAGE = 50;

/**
 * A page of the sites in the order of their names, with their newest record and last visit.
 *
 * @param after the last site of the page before, or null for the first page
 */
export async function listSites(
	db: Db,
	after: { readonly name: string; readonly id: string } | null
): Promise<SiteLine[]> {
	let query = db
		.selectFrom('site')
		.innerJoin('site_revision as revision', (join) =>
			join.onRef('revision.site_id', '=', 'site.id').on('revision.number', '=', (eb) =>
				eb
					.selectFrom('site_revision as newest')
					.whereRef('newest.site_id', '=', 'site.id')
					.select((e) => e.fn.max('newest.number').as('number'))
			)
		)
		.select((eb) => [
			'site.id',
			'site.name',
			'site.place',
			'site.time_zone',
			'revision.id as revision_id',
			'revision.outline',
			eb
				.selectFrom('visit')
				.whereRef('visit.site_id', '=', 'site.id')
				.select((e) => e.fn.countAll<number>().as('visits'))
				.as('visits'),
			eb
				.selectFrom('visit')
				.whereRef('visit.site_id', '=', 'site.id')
				.select((e) => e.fn.max('visit.started_at').as('last'))
				.as('last_visit')
		])
		.orderBy('site.name')
		.orderBy('site.id')
		.limit(SITES_PER_PAGE);
	if (after) {
		query = query.where((eb) =>
			eb(eb.refTuple('site.name', 'site.id'), '>', eb.tuple(after.name, after.id))
		);
	}
	const rows = await query.execute();
	const lines: SiteLine[] = [];
	for (const row of rows) {
		lines.push({
			id: row.id,
			name: row.name,
			place: row.place,
			timeZone: row.time_zone,
			outline: row.outline
				? (JSON.parse(row.outline) as RecordOutline)
				: await storeOutline(db, row.revision_id),
			visits: row.visits ?? 0,
			lastVisit: row.last_visit
		});
	}
	return lines;
}

/** Of a revision that was stored before there were any. */
async function storeOutline(db: Db, id: string): Promise<RecordOutline> {
	const { record } = (await findRevision(db, id))!;
	const outline = outlineOf(record);
	await db
		.updateTable('site_revision')
		.set({ outline: JSON.stringify(outline) })
		.where('id', '=', id)
		.execute();
	return outline;
}

export async function findSite(db: DbOrTransaction, id: string): Promise<Site | null> {
	const row = await db.selectFrom('site').selectAll().where('id', '=', id).executeTakeFirst();
	return row ? { id: row.id, name: row.name, place: row.place, timeZone: row.time_zone } : null;
}

/** Stores a new site with a first revision of its record. */
export async function createSite(
	db: Db,
	site: Site,
	record: ArrayRecord,
	now: string
): Promise<void> {
	await db.transaction().execute(async (trx) => {
		await insertSite(trx, site, now);
		await insertRevision(trx, site.id, { id: uuid(), number: 1, createdAt: now, record });
	});
}

export async function insertSite(db: DbOrTransaction, site: Site, now: string): Promise<void> {
	await db
		.insertInto('site')
		.values({
			id: site.id,
			name: site.name,
			place: site.place,
			time_zone: site.timeZone,
			created_at: now
		})
		.execute();
}

async function insertRevision(
	db: DbOrTransaction,
	siteId: string,
	revision: Revision
): Promise<void> {
	const record = arrayRecordSchema.parse(revision.record);
	await storeRevision(db, siteId, { ...revision, record });
}

/** Stores a revision whose record has been through its schema. @returns letters of its text */
export async function storeRevision(
	db: DbOrTransaction,
	siteId: string,
	{ id, number, createdAt, record }: Revision
): Promise<number> {
	const text = JSON.stringify(record);
	await db
		.insertInto('site_revision')
		.values({
			id,
			site_id: siteId,
			number,
			created_at: createdAt,
			record: text,
			outline: JSON.stringify(outlineOf(record))
		})
		.execute();
	return text.length;
}

/** The newest revision of a site's record; null where there is no such site. */
export async function newestRevision(
	db: DbOrTransaction,
	siteId: string
): Promise<Revision | null> {
	const row = await db
		.selectFrom('site_revision')
		.select(REVISION_LINE)
		.where('site_id', '=', siteId)
		.orderBy('number', 'desc')
		.limit(1)
		.executeTakeFirst();
	return row ? withRecord(db, row) : null;
}

/** Number of the newest revision of a site's record. */
export async function newestRevisionNumber(db: DbOrTransaction, siteId: string): Promise<number> {
	const row = await db
		.selectFrom('site_revision')
		.select((eb) => eb.fn.max('number').as('number'))
		.where('site_id', '=', siteId)
		.executeTakeFirst();
	return row?.number ?? 0;
}

const REVISION_LINE = ['id', 'number', 'created_at'] as const;

export async function findRevision(db: DbOrTransaction, id: string): Promise<Revision | null> {
	const row = await db
		.selectFrom('site_revision')
		.select(REVISION_LINE)
		.where('id', '=', id)
		.executeTakeFirst();
	return row ? withRecord(db, row) : null;
}

/** A site's revision by its number. */
export async function findRevisionNumber(
	db: DbOrTransaction,
	siteId: string,
	number: number
): Promise<Revision | null> {
	const row = await db
		.selectFrom('site_revision')
		.select(REVISION_LINE)
		.where('site_id', '=', siteId)
		.where('number', '=', number)
		.executeTakeFirst();
	return row ? withRecord(db, row) : null;
}

/** Letters of the text of a record; in memory it takes a few times as many bytes. */
interface KeptRecord {
	readonly record: ArrayRecord;
	readonly letters: number;
}

/** Records that were read last, by their revision: a revision is never rewritten, so none goes stale. Bytes, roughly. */
const records = new LRUCache<string, KeptRecord>({
	max: 200,
	maxSize: 96 * 1024 * 1024,
	sizeCalculation: ({ letters }) => 4 * letters + 1
});

async function withRecord(
	db: DbOrTransaction,
	{ id, number, created_at }: { id: string; number: number; created_at: string }
): Promise<Revision> {
	const kept = records.get(id);
	if (kept) return { id, number, createdAt: created_at, record: kept.record };
	const { record: text } = await db
		.selectFrom('site_revision')
		.select('record')
		.where('id', '=', id)
		.executeTakeFirstOrThrow();
	const record = arrayRecordSchema.parse(JSON.parse(text));
	records.set(id, { record, letters: text.length });
	return { id, number, createdAt: created_at, record };
}

/** Whether a stored revision is what a change made of the one before it. */
async function cameFrom(
	db: DbOrTransaction,
	siteId: string,
	{ number, record }: Revision,
	change: RecordChange
): Promise<boolean> {
	const before = await findRevisionNumber(db, siteId, number - 1);
	const made = before && applyChange(before.record, change);
	if (!made?.ok) return false;
	const read = arrayRecordSchema.safeParse(made.value);
	return read.success && JSON.stringify(read.data) === JSON.stringify(record);
}

/** Why a record was not stored. */
export type RecordRefusal =
	| { readonly kind: 'changed-meanwhile'; readonly newest: Revision }
	| { readonly kind: 'no-such-site' }
	| { readonly kind: 'refused'; readonly words: string };

export interface Changed {
	readonly revision: Revision;
	/** Somebody changed other entries meanwhile; both changes stand in the new revision. */
	readonly merged: boolean;
}

/**
 * Stores a change of the record as a new revision. It may have been made from an older revision, if
 * all it touches is still as it was there.
 *
 * @param id of the new revision; one that is stored already is answered again, not stored again
 * @param base id of the revision that was on the screen
 */
export async function changeRecord(
	db: Db,
	siteId: string,
	{
		id,
		base,
		change
	}: { readonly id: string; readonly base: string; readonly change: RecordChange },
	now: string
): Promise<Result<Changed, RecordRefusal>> {
	return db.transaction().execute(async (trx) => {
		const newest = await newestRevision(trx, siteId);
		if (!newest) return refuse({ kind: 'no-such-site' as const });
		const stored = newest.id === id ? newest : await findRevision(trx, id);
		if (stored) {
			return (await cameFrom(trx, siteId, stored, change))
				? succeed({ revision: stored, merged: true })
				: refuse({ kind: 'refused' as const, words: 'Another change already has this id.' });
		}
		const merged = newest.id !== base;
		if (merged) {
			const seen = await findRevision(trx, base);
			if (!seen || !stillHolds(seen.record, newest.record, change)) {
				return refuse({ kind: 'changed-meanwhile' as const, newest });
			}
		}
		const changed = applyChange(newest.record, change);
		if (!changed.ok) return refuse({ kind: 'refused' as const, words: changed.problem });
		// Every entry of the change has been through its schema; what is left is whether all hold together.
		const words = whatDoesNotHold(changed.value);
		if (words) return refuse({ kind: 'refused' as const, words });
		const revision: Revision = {
			id,
			number: newest.number + 1,
			createdAt: now,
			record: changed.value
		};
		const letters = await storeRevision(trx, siteId, revision);
		records.set(id, { record: revision.record, letters });
		return succeed({ revision, merged });
	});
}

/** A revision without its record. */
export type RevisionLine = Omit<Revision, 'record'> & { readonly visits: number };

/** Revisions that a page of their list holds. */
const REVISIONS_PER_PAGE = 40;

/** A page of a site's revisions, newest first. @param below number of the last one of the page before */
export async function listRevisions(
	db: DbOrTransaction,
	siteId: string,
	below: number | null
): Promise<RevisionLine[]> {
	let query = db
		.selectFrom('site_revision')
		.select((eb) => [
			'id',
			'number',
			'created_at',
			eb
				.selectFrom('visit')
				.whereRef('visit.revision_id', '=', 'site_revision.id')
				.select((e) => e.fn.countAll<number>().as('visits'))
				.as('visits')
		])
		.where('site_id', '=', siteId)
		.orderBy('number', 'desc')
		.limit(REVISIONS_PER_PAGE);
	if (below !== null) query = query.where('number', '<', below);
	const rows = await query.execute();
	return rows.map((row) => ({
		id: row.id,
		number: row.number,
		createdAt: row.created_at,
		visits: row.visits ?? 0
	}));
}
