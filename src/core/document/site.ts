import { z } from 'zod';
import { applyChange, type ArrayRecord, changeBetween } from '../record';
import { refuse, type Result, succeed } from '../units';
import { recordChangeSchema } from './change';
import { problemOf, readJsonText, type Problem } from './file';
import { benchmarkEntrySchema, monitoringSettingsSchema } from './monitoring';
import { arrayRecordSchema, instant, whatDoesNotHold } from './record';
import { seenSchema, siteSchema, visitSchema, visitProblems } from './visit';

/*
 * A site over the years as one file. Hundreds of revisions of a record differ by a few entries each,
 * so only the first is written out; each other one is the change from the one before it.
 */

export const SITE_FORMAT = 'zembo-site';
const SITE_VERSION = 4;
/** Versions 1 to 3 lack what the schema takes as none. */
const READ_VERSIONS: readonly unknown[] = [1, 2, 3, SITE_VERSION];

const revisionHead = { id: z.uuid(), number: z.int().min(1), createdAt: instant };

const writtenSchema = z.strictObject({
	format: z.literal(SITE_FORMAT),
	version: z.literal(SITE_VERSION),
	site: siteSchema,
	/** In the order of their numbers, which need not begin at 1 nor be without gaps. */
	revisions: z.tuple(
		[z.strictObject({ ...revisionHead, record: arrayRecordSchema })],
		z.strictObject({ ...revisionHead, change: recordChangeSchema })
	),
	/** In the order in which they began. */
	visits: z
		.array(z.strictObject({ revision: z.uuid(), visit: visitSchema, ...seenSchema }))
		.max(5000),
	benchmarks: z.array(benchmarkEntrySchema).max(10_000),
	watch: monitoringSettingsSchema
});

/** A site as it is in the file. */
type WrittenSite = z.infer<typeof writtenSchema>;

/** A site with every revision of its record written out. */
export interface SiteDocument extends Pick<
	WrittenSite,
	'site' | 'visits' | 'benchmarks' | 'watch'
> {
	readonly revisions: readonly SiteRevision[];
}
interface SiteRevision {
	readonly id: string;
	readonly number: number;
	/** Instant */
	readonly createdAt: string;
	readonly record: ArrayRecord;
}
export type SiteVisit = SiteDocument['visits'][number];

/** Reads a site from the text of its file; every record is checked as if somebody had entered it. */
export function readSiteDocument(text: string): Result<SiteDocument, Problem> {
	const read = readJsonText(text, 'Choose an archive that Zembo exported.');
	if (!read.ok) return read;
	const data = read.value;
	const { format, version } = (data ?? {}) as { format?: unknown; version?: unknown };
	if (format !== SITE_FORMAT || !READ_VERSIONS.includes(version)) {
		return refuse({
			what: `This is ${String(format)} ${String(version)}; this Zembo reads ${SITE_FORMAT} 1 to ${SITE_VERSION}.`,
			where: format === SITE_FORMAT ? 'version' : 'format',
			mend: 'Export it again from a Zembo of this version.'
		});
	}
	const parsed = writtenSchema.safeParse({ ...(data as object), version: SITE_VERSION });
	if (!parsed.success) return refuse(problemOf(parsed.error));
	const revisions = writtenOut(parsed.data.revisions);
	if (!revisions.ok) return revisions;
	const { site, visits, benchmarks, watch } = parsed.data;
	const problem = problemOfVisits(revisions.value, visits);
	return problem
		? refuse(problem)
		: succeed({ site, revisions: revisions.value, visits, benchmarks, watch });
}

function writtenOut(written: WrittenSite['revisions']): Result<SiteRevision[], Problem> {
	const [first, ...later] = written;
	const revisions: SiteRevision[] = [first];
	const ids = new Set([first.id]);
	for (const [i, { change, ...head }] of later.entries()) {
		const wrong = (what: string) =>
			refuse({
				what,
				where: `revisions.${i + 1}`,
				mend: 'Export the site again; this file has been changed by hand or is damaged.'
			});
		const before = revisions.at(-1)!;
		if (ids.has(head.id)) return wrong('Two revisions carry this id.');
		if (head.number <= before.number) return wrong('A revision’s number is not above the last.');
		const record = applyChange(before.record, change);
		if (!record.ok) return wrong(record.problem);
		const problem = whatDoesNotHold(record.value);
		if (problem) return wrong(problem);
		ids.add(head.id);
		revisions.push({ ...head, record: record.value });
	}
	return succeed(revisions);
}

function problemOfVisits(
	revisions: readonly SiteRevision[],
	visits: readonly SiteVisit[]
): Problem | null {
	const records = new Map(revisions.map(({ id, record }) => [id, record]));
	const ids = new Set<string>();
	for (const [i, { revision, visit }] of visits.entries()) {
		const record = records.get(revision);
		const [problem] = ids.has(visit.id)
			? [{ path: ['visit', 'id'], message: 'Two visits carry this id.' }]
			: record
				? visitProblems(record, visit)
				: [{ path: ['revision'], message: 'No revision of this file has this id.' }];
		if (problem) {
			return {
				what: problem.message,
				where: ['visits', i, ...problem.path].join('.'),
				mend: 'Mend the value at this place, or export the site again.'
			};
		}
		ids.add(visit.id);
	}
	return null;
}

/** The text of a site's file; the same site always gives the same bytes. */
export function writeSiteDocument({ revisions, ...rest }: SiteDocument): string {
	const [first, ...later] = revisions.map((revision) => ({
		...revision,
		record: arrayRecordSchema.parse(revision.record) as ArrayRecord
	}));
	let before = first!.record;
	const changes = later.map(({ record, ...head }) => {
		const change = changeBetween(before, record);
		before = record;
		return { ...head, change };
	});
	const written = {
		format: SITE_FORMAT,
		version: SITE_VERSION,
		...rest,
		revisions: [first, ...changes]
	};
	// What an earlier version stored beyond the schema of today is written as it is stored.
	const { success, data } = writtenSchema.safeParse(written);
	return `${JSON.stringify(success ? data : written, null, '\t')}\n`;
}

/** The site file as JSON Schema (draft 2020-12). */
export function siteJsonSchema(): object {
	return {
		...z.toJSONSchema(writtenSchema, { target: 'draft-2020-12' }),
		title: `${SITE_FORMAT} ${SITE_VERSION}`,
		description: 'One PV site over the years: revisions of its record, visits, benchmark days.'
	};
}
