import fc from 'fast-check';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { v7 as uuid } from 'uuid';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import {
	isBareJpeg,
	NO_SETTINGS,
	readSiteDocument,
	readVisitDocument,
	type SiteDocument,
	type VisitDocument,
	writeSiteDocument
} from '$core/document';
import { arrayRecord, testId, visitOf } from '../../../../tests/support/scenario';
import { ALL_SITES, HOLLIN_CREEK } from '../../../../tests/support/sites';
import { whole } from '../../../../tests/support/whole';
import { openDatabase, type Db } from '../database/open';
import type { DecodedPicture } from '../photographs/decode';
import { handedSite, handedVisit, zipOf } from '../report/files';
import { importSite, importVisit } from '../repositories/import';
import { waiting } from '../../../../tests/support/waiting-pictures';
import { withTemporaryFolder } from '../temporary-folder';
import { findSiteDocument } from '../repositories/site-document';
import { findVisit } from '../repositories/visits';
import { SITE_FILE } from './names';
import { readHandedIn, type HandedIn } from './read-archive';

const NOW = '2026-11-24T09:00:00Z';

/** A database of its own for as long as something is done with it. */
async function within<T>(act: (db: Db) => Promise<T>): Promise<T> {
	const db = await openDatabase(':memory:');
	try {
		return await act(db);
	} finally {
		await db.destroy();
	}
}

function given<T, P>(result: { ok: true; value: T } | { ok: false; problem: P }): T {
	if (!result.ok) throw new Error(JSON.stringify(result.problem));
	return result.value;
}

/** Hands in bytes as a file; its pictures last as long as something is done with them. */
function handIn<T>(
	bytes: Uint8Array,
	act: (read: Awaited<ReturnType<typeof readHandedIn>>) => T | Promise<T>
): Promise<T> {
	return withTemporaryFolder(async (folder) => {
		const path = join(folder, 'received');
		await writeFile(path, bytes);
		return act(await readHandedIn(path, folder));
	});
}

/** Imports an archive into an empty Zembo and exports it from there. */
async function through(bytes: Uint8Array): Promise<Uint8Array> {
	return handIn(bytes, (result) => within((db) => storedAndExported(db, given(result))));
}

async function storedAndExported(db: Db, read: HandedIn): Promise<Uint8Array> {
	if (read.kind === 'visit') {
		given(await importVisit(db, read.document, NOW, read.pictures));
		const document = (await findVisit(db, read.document.visit.id))!;
		return whole(zipOf(db, handedVisit(document, 'full', Date.parse(NOW)), 'A4'));
	}
	given(await importSite(db, read.document, NOW, read.pictures));
	return whole(zipOf(db, handedSite((await findSiteDocument(db, read.document.site.id))!), 'A4'));
}

/** JPEGs as they are stored, no two alike. */
const PICTURES = await Promise.all(
	[0, 1, 2, 3, 4, 5, 6, 7].map(async (n): Promise<DecodedPicture> => {
		const background = { r: 30 * n, g: 128, b: 255 - 30 * n };
		const bytes = await sharp({ create: { width: 4, height: 3, channels: 3, background } })
			.jpeg()
			.toBuffer();
		return { bytes, type: 'image/jpeg', width: 4, height: 3 };
	})
);

/** What somebody does to a record between two visits. */
const anyStep = fc.oneof(
	fc.record({
		do: fc.constant('fuse' as const),
		string: fc.nat(7),
		rating: fc.constantFrom(10, 15, 20)
	}),
	fc.record({
		do: fc.constant('count' as const),
		string: fc.nat(7),
		modules: fc.integer({ min: 8, max: 20 })
	}),
	fc.record({ do: fc.constant('swap' as const), string: fc.nat(6) }),
	fc.record({ do: fc.constant('drop' as const), string: fc.nat(7) }),
	fc.record({ do: fc.constant('year' as const), year: fc.integer({ min: 2005, max: 2025 }) })
);
type Step = typeof anyStep extends fc.Arbitrary<infer S> ? S : never;

function changed(record: VisitDocument['record'], step: Step): VisitDocument['record'] {
	if (step.do === 'year') return { ...record, inServiceSince: step.year };
	const strings = [...record.strings];
	const at = step.string % strings.length;
	const string = strings[at]!;
	if (step.do === 'fuse') strings[at] = { ...string, fuse: { rating: step.rating } };
	else if (step.do === 'count') strings[at] = { ...string, moduleCount: step.modules };
	else if (step.do === 'swap') strings.unshift(...strings.splice(at, 1));
	else if (strings.length > 2) strings.splice(at, 1);
	return { ...record, strings };
}

/** A site with a record that changes from visit to visit, and photographs in some of them. */
const anySite = fc
	.array(fc.record({ steps: fc.array(anyStep, { maxLength: 4 }), photographs: fc.nat(2) }), {
		minLength: 1,
		maxLength: 4
	})
	.map((years): { document: SiteDocument; pictures: Map<string, DecodedPicture> } => {
		let record = arrayRecord() as VisitDocument['record'];
		const revisions: SiteDocument['revisions'][number][] = [];
		const visits: SiteDocument['visits'][number][] = [];
		const pictures = new Map<string, DecodedPicture>();
		years.forEach(({ steps, photographs }, y) => {
			record = steps.reduce(changed, record);
			const year = 2019 + y;
			const at = `${year}-06-01T10:00:00Z`;
			// Revisions are kept in memory by their id, so no two sites may share one.
			const id = uuid();
			revisions.push({ id, number: 1 + 3 * y, createdAt: at, record });
			const own = (n: number) => testId(0x10000 * (y + 1) + n);
			const plain = visitOf({ record });
			visits.push({
				revision: id,
				visit: {
					...(plain as VisitDocument['visit']),
					id: own(1),
					startedAt: at,
					readings: plain.readings.map((reading, r) => ({
						...reading,
						id: own(0x100 + r)
					})) as VisitDocument['visit']['readings'],
					conditions: plain.conditions.map((entry) => ({
						...entry,
						id: own(2)
					})) as VisitDocument['visit']['conditions']
				},
				inspection: [],
				photographs: Array.from({ length: photographs }, (_, p) => {
					const photograph = own(0x1000 + p);
					pictures.set(photograph, PICTURES[2 * y + p]!);
					return {
						id: photograph,
						takenAt: at,
						addedAt: at,
						type: 'image/jpeg' as const,
						width: 4,
						height: 3
					};
				})
			});
		});
		const site = { id: testId(1), name: 'Generated', place: '', timeZone: 'Etc/UTC' };
		const document = { site, revisions, visits, benchmarks: [], watch: NO_SETTINGS };
		return { document: given(readSiteDocument(writeSiteDocument(document))), pictures };
	});

describe('an archive of a site', () => {
	it('exported, imported and exported again is the same to the byte', async () => {
		await fc.assert(
			fc.asyncProperty(anySite, async ({ document, pictures }) => {
				const first = await within(async (db) => {
					given(await importSite(db, document, NOW, waiting(pictures)));
					return whole(
						zipOf(db, handedSite((await findSiteDocument(db, document.site.id))!), 'A4')
					);
				});
				const names = Object.keys(unzipSync(first));
				expect(names.filter((name) => name.startsWith('photographs/'))).toHaveLength(pictures.size);
				expect(Buffer.compare(await through(first), first)).toBe(0);
			}),
			{ numRuns: 2 }
		);
	}, 120_000);

	it('has a file that comes out of an empty Zembo as it went in', async () => {
		await fc.assert(
			fc.asyncProperty(anySite, async ({ document, pictures }) => {
				const text = writeSiteDocument(document);
				const back = await within(async (db) => {
					given(await importSite(db, given(readSiteDocument(text)), NOW, waiting(pictures)));
					return (await findSiteDocument(db, document.site.id))!;
				});
				expect(writeSiteDocument(back)).toBe(text);
			}),
			{ numRuns: 15 }
		);
	});

	it('carries the demo’s sites with every visit, and an import into the same place changes nothing', async () => {
		await within(async (db) => {
			for (const document of ALL_SITES) given(await importVisit(db, document, NOW));
			const { site } = HOLLIN_CREEK;
			const document = (await findSiteDocument(db, site.id))!;
			const again = given(readSiteDocument(writeSiteDocument(document)));
			expect(again).toEqual(document);
			expect(given(await importSite(db, again, NOW))).toEqual({
				siteId: site.id,
				revisions: 0,
				visits: 0
			});
		});
	});

	it('adds what is missing to a site that is here, and refuses what is here with other content', async () => {
		await within(async (db) => {
			const [{ document, pictures }] = fc.sample(anySite, { numRuns: 1, seed: 4 }) as [
				typeof anySite extends fc.Arbitrary<infer S> ? S : never
			];
			const early = { ...document, visits: document.visits.slice(0, 1) };
			given(await importSite(db, early, NOW));
			expect(given(await importSite(db, document, NOW, waiting(pictures))).visits).toBe(
				document.visits.length - 1
			);
			const forged = structuredClone(document) as SiteDocument;
			const [visit] = forged.visits;
			visit!.visit.by = 'Somebody else';
			const before = writeSiteDocument((await findSiteDocument(db, document.site.id))!);
			expect(await importSite(db, forged, NOW)).toMatchObject({
				ok: false,
				problem: { what: expect.stringContaining('other content') }
			});
			expect(writeSiteDocument((await findSiteDocument(db, document.site.id))!)).toBe(before);
		});
	});
});

describe('an archive of a visit', () => {
	it('exported, imported and exported again is the same to the byte', async () => {
		const first = await within(async (db) => {
			given(await importVisit(db, HOLLIN_CREEK, NOW));
			return whole(zipOf(db, handedVisit(HOLLIN_CREEK, 'full', Date.parse(NOW)), 'A4'));
		});
		expect(Buffer.compare(await through(first), first)).toBe(0);
	});
});

describe('what is no archive of Zembo is refused in words', () => {
	const refusal = (bytes: Uint8Array) =>
		handIn(bytes, (read) => (read.ok ? 'taken' : `${read.problem.what} ${read.problem.mend}`));
	const [sample] = fc.sample(anySite, { numRuns: 1, seed: 9 });
	const text = writeSiteDocument(sample!.document);
	/** An archive that names a tenth of its file's size in its list of contents. */
	const understated = () => {
		const bytes = zipSync({ [SITE_FILE]: strToU8(text) });
		const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
		const at = Buffer.from(bytes).lastIndexOf('PK\u0001\u0002', undefined, 'latin1');
		view.setUint32(at + 24, view.getUint32(at + 24, true) / 10, true);
		return bytes;
	};
	it.each([
		['another archive', () => zipSync({ 'a.txt': strToU8('hello') }), 'holds neither'],
		[
			'half an archive',
			() => zipSync({ [SITE_FILE]: strToU8(text) }).subarray(0, 900),
			'cannot be unpacked'
		],
		['a file that is larger than the archive says', () => understated(), 'cannot be unpacked'],
		['text that is no JSON', () => strToU8('volts,amps\n1,2'), 'not JSON'],
		[
			'a site of a later version',
			() => strToU8(text.replace('"version": 4', '"version": 9')),
			'this Zembo reads zembo-site 1 to 4'
		]
	])('%s', async (_, bytes, words) => expect(await refusal(bytes())).toContain(words));

	it('a photograph that is missing or none; what a camera wrote beside one is left behind', async () => {
		const withPicture = fc
			.sample(anySite, { numRuns: 40, seed: 9 })
			.find(({ pictures }) => pictures.size === 1)!;
		const [[id, { bytes: plain }]] = [...withPicture.pictures] as [[string, DecodedPicture]];
		const archive = (bytes: Uint8Array | null) =>
			zipSync({
				[SITE_FILE]: strToU8(writeSiteDocument(withPicture.document)),
				...(bytes && { [`photographs/${id}.jpg`]: bytes })
			});
		expect(await refusal(archive(null))).toContain('is missing');
		expect(await refusal(archive(strToU8('GIF89a and no more')))).toContain('not a picture');
		expect(await refusal(archive(plain.subarray(0, 40)))).toContain('cannot be decoded');
		const taken = (bytes: Uint8Array) =>
			handIn(archive(bytes), async (read) => given(read).pictures.get(id)?.read() ?? null);
		expect(Buffer.compare((await taken(plain))!, plain)).toBe(0);
		const located = await sharp(plain)
			.withExif({ IFD3: { GPSLatitudeRef: 'N' } })
			.toBuffer();
		expect(isBareJpeg(located)).toBe(false);
		expect(isBareJpeg((await taken(located))!)).toBe(true);
		// Where it could not be decoded, the archive holds an empty file.
		expect(await taken(new Uint8Array())).toBeNull();
	});

	it('a visit whose file was changed by hand names the place', () => {
		const visit = readVisitDocument(
			JSON.stringify({ ...HOLLIN_CREEK, site: { ...HOLLIN_CREEK.site, timeZone: 'Nowhere' } })
		);
		expect(visit).toMatchObject({ ok: false, problem: { where: 'site.timeZone' } });
	});
});
