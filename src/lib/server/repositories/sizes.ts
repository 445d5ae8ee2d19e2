import { sql } from 'kysely';
import type { Db } from '../database/open';

/** Strings of records by their revision, which is never rewritten; a few bytes each. */
const known = new Map<string, number>();
const KEPT = 10_000;

async function stringsOf(db: Db, revision: string | undefined): Promise<number> {
	if (revision === undefined) return 0;
	const before = known.get(revision);
	if (before !== undefined) return before;
	const { strings } = await db
		.selectFrom('site_revision')
		.select(
			sql<number>`coalesce(outline ->> 'strings', json_array_length(record, '$.strings'), 0)`.as(
				'strings'
			)
		)
		.where('id', '=', revision)
		.executeTakeFirstOrThrow();
	if (known.size >= KEPT) known.clear();
	known.set(revision, strings);
	return strings;
}

/** Strings of the record a visit points at; 0 where there is no such visit. */
export async function stringsOfVisit(db: Db, visit: string): Promise<number> {
	const row = await db
		.selectFrom('visit')
		.select('revision_id')
		.where('id', '=', visit)
		.executeTakeFirst();
	return stringsOf(db, row?.revision_id);
}

/** Strings of a site's newest record; 0 where there is no such site. */
export async function stringsOfSite(db: Db, site: string): Promise<number> {
	const row = await db
		.selectFrom('site_revision')
		.select('id')
		.where('site_id', '=', site)
		.orderBy('number', 'desc')
		.limit(1)
		.executeTakeFirst();
	return stringsOf(db, row?.id);
}
