import { createHash } from 'node:crypto';
import { strToU8 } from 'fflate';
import {
	type PhotographLine,
	pictureFile,
	type Site,
	type SiteDocument,
	type VisitDocument,
	writeSiteDocument,
	writeVisitDocument
} from '$core/document';
import { assess } from '$core/diagnosis';
import type { Report } from '$lib/report/block';
import { MISSING_PICTURE_HTML, pictureHtml, reportHtml } from '$lib/report/html';
import { readingsRows } from '$lib/report/readings-csv';
import { siteReport } from '$lib/report/site-report';
import { visitsOfSite } from '$lib/report/site-visits';
import { visitReport, type ReportForm } from '$lib/report/visit-report';
import { writeCsv } from '$lib/text/csv';
import { HTML_FILE, PDF_FILE, READINGS_FILE, SITE_FILE, VISIT_FILE } from '../archive/names';
import type { Db } from '../database/open';
import { fitToLeave } from '../photographs/decode';
import { findPhotograph } from '../repositories/photographs';
import { ArchiveWriter } from '../archive/write-archive';
import { makePdf } from './make-pdf';
import type { ReportPage } from './page-sizes';

/** What somebody takes with them: the report in its shapes, and what its archive holds. */
export interface Handed {
	readonly report: Report;
	/** Name and text of the open file. */
	readonly file: readonly [name: string, text: string];
	readonly readings: readonly (readonly string[])[];
	readonly photographs: readonly PhotographLine[];
	/** Instant that the files carry: that of their content, so that the same content gives the same bytes. */
	readonly at: string;
	/** Beginning of their names. */
	readonly name: string;
}

const sha256 = (text: string) => createHash('sha256').update(text).digest('hex');

export function handedVisit(document: VisitDocument, form: ReportForm, now: number): Handed {
	const text = writeVisitDocument(document);
	const { site, visit, record, inspection } = document;
	return {
		report: visitReport(document, assess(record, visit, inspection), form, sha256(text), now),
		file: [VISIT_FILE, text],
		readings: readingsRows([document]),
		photographs: document.photographs,
		at: visit.startedAt,
		name: `${siteFileName(site)}-${visit.startedAt.slice(0, 10)}`
	};
}

export function handedSite(document: SiteDocument): Handed {
	const text = writeSiteDocument(document);
	const { site, revisions, visits } = document;
	const instants = [
		...revisions.map(({ createdAt }) => createdAt),
		...visits.map(({ visit }) => visit.startedAt)
	];
	return {
		report: siteReport(document, sha256(text)),
		file: [SITE_FILE, text],
		readings: readingsRows(visitsOfSite(document)),
		photographs: visits.flatMap(({ photographs }) => photographs),
		at: instants.sort().at(-1)!,
		name: siteFileName(site)
	};
}

/** A stored photograph as it may leave; null where it is not here or cannot be decoded. */
async function photographOf(db: Db, id: string): Promise<Uint8Array | null> {
	const found = await findPhotograph(db, id);
	return found && fitToLeave(found.bytes);
}

/** Photographs that a report shows, read when they are wanted. */
async function* photographsOf(
	db: Db,
	{ blocks }: Report
): AsyncGenerator<readonly [string, Uint8Array]> {
	for (const block of blocks) {
		if (block.kind !== 'pictures') continue;
		for (const { id } of block.pictures) {
			const bytes = await photographOf(db, id);
			if (bytes) yield [id, bytes];
		}
	}
}

/** @param onProgress told the share that is written, 0 to 1 */
export function pdfOf(
	db: Db,
	{ report, at }: Handed,
	page: ReportPage,
	onProgress?: (share: number) => void
): AsyncGenerator<Uint8Array> {
	return makePdf({ report, page, at }, photographsOf(db, report), onProgress);
}

/** The report as HTML, piece by piece: the photographs of a long walk are never all in memory. */
export async function* htmlOf(db: Db, { report }: Handed): AsyncGenerator<Uint8Array> {
	for (const piece of reportHtml(report)) {
		if (typeof piece === 'string') {
			yield strToU8(piece);
			continue;
		}
		const bytes = await photographOf(db, piece.id);
		yield strToU8(
			bytes
				? pictureHtml(piece, `data:image/jpeg;base64,${Buffer.from(bytes).toString('base64')}`)
				: MISSING_PICTURE_HTML
		);
	}
}

/**
 * The open file, every reading as CSV, the report in both shapes, every photograph; one that cannot be
 * decoded is an empty file, since what a camera wrote into it cannot be told apart.
 */
export async function* zipOf(
	db: Db,
	handed: Handed,
	page: ReportPage,
	onProgress?: (share: number) => void
): AsyncGenerator<Uint8Array> {
	const [name, text] = handed.file;
	const zip = new ArchiveWriter(new Date(handed.at));
	yield* zip.add(name, [strToU8(text)]);
	yield* zip.add(READINGS_FILE, [strToU8(writeCsv(handed.readings))]);
	yield* zip.add(PDF_FILE, pdfOf(db, handed, page, onProgress));
	yield* zip.add(HTML_FILE, htmlOf(db, handed));
	for (const photograph of handed.photographs) {
		const bytes = await photographOf(db, photograph.id);
		yield* zip.add(pictureFile(photograph), bytes ? [bytes] : []);
	}
	yield* zip.end();
}

/** A name that every file system takes. */
export function siteFileName({ name }: Pick<Site, 'name'>): string {
	const letters = name
		.normalize('NFKD')
		.replace(/[^\w]+/g, '-')
		.replace(/^-|-$/g, '')
		.toLowerCase();
	return letters || 'site';
}
