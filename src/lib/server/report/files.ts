import { createHash } from 'node:crypto';
import { strToU8, zipSync } from 'fflate';
import { writeVisitDocument } from '$core/document/file';
import { pictureFile } from '$core/document/picture';
import type { PhotographLine } from '$core/document/photograph';
import { writeSiteDocument, type SiteDocument } from '$core/document/site';
import type { Site, VisitDocument } from '$core/document/visit';
import { assess } from '$core/trace/assess';
import type { Report } from '$lib/report/block';
import { reportHtml } from '$lib/report/html';
import { readingsRows } from '$lib/report/readings-csv';
import { siteReport } from '$lib/report/site-report';
import { visitsOfSite } from '$lib/report/site-visits';
import { visitReport, type ReportForm } from '$lib/report/visit-report';
import { writeCsv } from '$lib/ui/csv';
import { HTML_FILE, PDF_FILE, READINGS_FILE, SITE_FILE, VISIT_FILE } from '../archive/names';
import type { Db } from '../database/open';
import { findPhotograph } from '../repositories/photographs';
import { reportPdf, type ReportPage } from './pdf';

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
	const { site, visit, record } = document;
	return {
		report: visitReport(document, assess(record, visit), form, sha256(text), now),
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

/** Photographs of a report as data URLs by their id. */
async function picturesOf(db: Db, { blocks }: Report): Promise<Map<string, string>> {
	const pictures = new Map<string, string>();
	for (const block of blocks) {
		if (block.kind !== 'pictures') continue;
		for (const { id } of block.pictures) {
			const found = await findPhotograph(db, id);
			if (!found) continue;
			const base64 = Buffer.from(found.bytes).toString('base64');
			pictures.set(id, `data:${found.type};base64,${base64}`);
		}
	}
	return pictures;
}

export async function pdfOf(db: Db, { report, at }: Handed, page: ReportPage): Promise<Uint8Array> {
	return reportPdf(report, await picturesOf(db, report), page, new Date(at));
}

export async function htmlOf(db: Db, { report }: Handed): Promise<string> {
	return reportHtml(report, await picturesOf(db, report));
}

/** The open file, every reading as CSV, the report in both shapes, every photograph. */
export async function zipOf(db: Db, handed: Handed, page: ReportPage): Promise<Uint8Array> {
	const [name, text] = handed.file;
	const files: Record<string, Uint8Array> = {
		[name]: strToU8(text),
		[READINGS_FILE]: strToU8(writeCsv(handed.readings)),
		[PDF_FILE]: await pdfOf(db, handed, page),
		[HTML_FILE]: strToU8(await htmlOf(db, handed))
	};
	for (const photograph of handed.photographs) {
		const found = await findPhotograph(db, photograph.id);
		if (found) files[pictureFile(photograph)] = found.bytes;
	}
	return zipSync(files, { level: 6, mtime: new Date(handed.at) });
}

/** A name that every file system takes. */
export function siteFileName({ name }: Pick<Site, 'name'>): string {
	const letters = name
		.normalize('NFKD')
		.replace(/[^\w]+/g, '-')
		.replace(/^-+|-+$/g, '')
		.toLowerCase();
	return letters || 'site';
}
