import { type FaultCode, FAULTS } from '$core/visit';
import { partNamesFor } from '$lib/messages/text';
import { type ArrayRecord, holdsAll, type RecordHit, searchRecord, wordsOf } from '$core/record';
import { sql } from 'kysely';
import type { Db } from '../database/open';

/** Hits of one kind that one page shows. */
const SHOWN = 25;
/** Rows that may hold the words and are looked at closely. */
const CANDIDATES = 200;

interface SiteHit {
	readonly id: string;
	readonly name: string;
	readonly place: string;
}
interface PartHit extends RecordHit {
	readonly siteId: string;
	readonly siteName: string;
}
interface VisitHit {
	readonly visitId: string;
	readonly siteName: string;
	readonly timeZone: string;
	readonly startedAt: string;
	readonly words: string;
}

/** What is looked for, by kind. */
export interface Found {
	readonly sites: readonly SiteHit[];
	readonly parts: readonly PartHit[];
	readonly visits: readonly VisitHit[];
	readonly findings: readonly VisitHit[];
	readonly repairs: readonly VisitHit[];
}

const like = (word: string) => `%${word.replace(/[\\%_]/g, (letter) => `\\${letter}`)}%`;

/** Every word stands in one of the texts. */
function holds(texts: readonly string[], words: readonly string[]) {
	const all = sql.join(
		texts.map((text) => sql`coalesce(${sql.ref(text)}, '')`),
		sql` || ' ' || `
	);
	const each = words.map((word) => sql`(${all}) like ${like(word)} escape '\\'`);
	return each.length === 0 ? sql<boolean>`true` : sql<boolean>`(${sql.join(each, sql` and `)})`;
}

/** Looks through all sites: their names, parts and serials, visits, findings and repairs. */
export async function search(db: Db, question: string): Promise<Found> {
	const words = wordsOf(question);
	if (words.length === 0) return { sites: [], parts: [], visits: [], findings: [], repairs: [] };
	return {
		sites: await sitesWith(db, words),
		parts: await partsWith(db, words),
		visits: await visitsWith(db, words),
		findings: await findingsWith(db, words),
		repairs: await repairsWith(db, words)
	};
}

async function sitesWith(db: Db, words: readonly string[]): Promise<SiteHit[]> {
	return db
		.selectFrom('site')
		.select(['id', 'name', 'place'])
		.where(holds(['name', 'place'], words))
		.orderBy('name')
		.limit(SHOWN)
		.execute();
}

async function partsWith(db: Db, words: readonly string[]): Promise<PartHit[]> {
	const rows = await db
		.selectFrom('site_revision as revision')
		.innerJoin('site', 'site.id', 'revision.site_id')
		.select(['site.id', 'site.name', 'revision.record'])
		.where('revision.number', '=', (eb) =>
			eb
				.selectFrom('site_revision as newest')
				.whereRef('newest.site_id', '=', 'site.id')
				.select((max) => max.fn.max('newest.number').as('number'))
		)
		.orderBy('site.name')
		.execute();
	const hits: PartHit[] = [];
	for (const { id, name, record } of rows) {
		if (hits.length >= SHOWN) break;
		// Stored records were read through their schema when they came.
		const read = JSON.parse(record) as ArrayRecord;
		const found = searchRecord(read, words, SHOWN - hits.length, partNamesFor(read.rules));
		hits.push(...found.map((hit) => ({ ...hit, siteId: id, siteName: name })));
	}
	return hits;
}

async function visitsWith(db: Db, words: readonly string[]): Promise<VisitHit[]> {
	const rows = await db
		.selectFrom('visit')
		.innerJoin('site', 'site.id', 'visit.site_id')
		.select([
			'visit.id',
			'site.name',
			'site.time_zone',
			'visit.started_at',
			'visit.by_name',
			'visit.reason',
			'visit.inverter_says'
		])
		.where(holds(['visit.reason', 'visit.inverter_says', 'visit.by_name', 'visit.note'], words))
		.orderBy('visit.started_at', 'desc')
		.limit(SHOWN)
		.execute();
	return rows.map((row) => ({
		visitId: row.id,
		siteName: row.name,
		timeZone: row.time_zone,
		startedAt: row.started_at,
		words: [row.reason, row.inverter_says, row.by_name].filter(Boolean).join(', ')
	}));
}

/** Entries with the visit and the site that they are of, the newest first. */
async function entriesWith(
	db: Db,
	table: 'inspection_entry' | 'repair_entry',
	words: readonly string[]
) {
	return db
		.selectFrom('visit')
		.innerJoin('site', 'site.id', 'visit.site_id')
		.innerJoin(
			(eb) => eb.selectFrom(table).select(['visit_id', 'entry']).as('said'),
			(join) => join.onRef('said.visit_id', '=', 'visit.id')
		)
		.select(['said.entry', 'visit.id', 'site.name', 'site.time_zone', 'visit.started_at'])
		.where(holds(['said.entry'], words))
		.orderBy('visit.started_at', 'desc')
		.limit(CANDIDATES)
		.execute();
}

async function findingsWith(db: Db, words: readonly string[]): Promise<VisitHit[]> {
	const rows = await entriesWith(db, 'inspection_entry', words);
	return rows
		.flatMap((row) => {
			const entry = JSON.parse(row.entry) as { words: string; outcome: string };
			if (entry.outcome === 'fits' || !holdsAll(entry.words, words)) return [];
			return hitOf(row, entry.words);
		})
		.slice(0, SHOWN);
}

async function repairsWith(db: Db, words: readonly string[]): Promise<VisitHit[]> {
	// A cause is stored by its code, so its words are looked for among all repairs.
	const rows = await entriesWith(db, 'repair_entry', []);
	return rows
		.flatMap((row) => {
			const entry = JSON.parse(row.entry) as { code: string; words: string; serial: string };
			const said = [FAULTS[entry.code as FaultCode]?.words ?? entry.code, entry.words, entry.serial]
				.filter(Boolean)
				.join(', ');
			return holdsAll(said, words) ? hitOf(row, said) : [];
		})
		.slice(0, SHOWN);
}

function hitOf(
	row: { id: string; name: string; time_zone: string; started_at: string },
	words: string
): VisitHit[] {
	return [
		{
			visitId: row.id,
			siteName: row.name,
			timeZone: row.time_zone,
			startedAt: row.started_at,
			words
		}
	];
}
