import { createHash } from 'node:crypto';
import { zipSync, strToU8 } from 'fflate';
import { writeVisitDocument } from '$core/document/file';
import type { VisitDocument } from '$core/document/visit';
import { assess } from '$core/trace/assess';
import type { Report } from '$lib/report/block';
import { reportHtml } from '$lib/report/html';
import { readingsRows } from '$lib/report/readings-csv';
import { visitReport, type ReportForm } from '$lib/report/visit-report';
import { writeCsv } from '$lib/ui/csv';
import type { Db } from '../database/open';
import { findPhotograph } from '../repositories/photographs';
import { reportPdf, type ReportPage } from './pdf';

/** A visit's report with the photographs that it shows. */
interface Made {
	readonly report: Report;
	/** Data URLs by id. */
	readonly pictures: ReadonlyMap<string, string>;
	/** JPEG bytes by id. */
	readonly photographs: ReadonlyMap<string, Uint8Array>;
}

async function make(db: Db, document: VisitDocument, form: ReportForm, now: number): Promise<Made> {
	const checksum = createHash('sha256').update(writeVisitDocument(document)).digest('hex');
	const assessment = assess(document.record, document.visit);
	const report = visitReport(document, assessment, form, checksum, now);
	const ids = report.blocks.flatMap((block) =>
		block.kind === 'pictures' ? block.pictures.map(({ id }) => id) : []
	);
	const pictures = new Map<string, string>();
	const photographs = new Map<string, Uint8Array>();
	for (const id of ids) {
		const found = await findPhotograph(db, id);
		if (!found) continue;
		photographs.set(id, found.bytes);
		pictures.set(id, `data:${found.type};base64,${Buffer.from(found.bytes).toString('base64')}`);
	}
	return { report, pictures, photographs };
}

export async function visitPdf(
	db: Db,
	document: VisitDocument,
	form: ReportForm,
	page: ReportPage,
	now: number
): Promise<Uint8Array> {
	const { report, pictures } = await make(db, document, form, now);
	return reportPdf(report, pictures, page);
}

export async function visitHtml(
	db: Db,
	document: VisitDocument,
	form: ReportForm,
	now: number
): Promise<string> {
	const { report, pictures } = await make(db, document, form, now);
	return reportHtml(report, pictures);
}

/** The visit as an archive: its file, its readings as CSV, the report in both shapes, the photographs. */
export async function visitZip(
	db: Db,
	document: VisitDocument,
	page: ReportPage,
	now: number
): Promise<Uint8Array> {
	const { report, pictures, photographs } = await make(db, document, 'full', now);
	const files: Record<string, Uint8Array> = {
		'visit.zembo-visit.json': strToU8(writeVisitDocument(document)),
		'readings.csv': strToU8(writeCsv(readingsRows(document))),
		'report.pdf': await reportPdf(report, pictures, page),
		'report.html': strToU8(reportHtml(report, pictures))
	};
	for (const [id, bytes] of photographs) files[`photographs/${id}.jpg`] = bytes;
	return zipSync(files, { level: 6, mtime: new Date(document.visit.startedAt) });
}

/** A name that every file system takes. */
export function visitFileName({ site, visit }: VisitDocument, end: string): string {
	const plain = site.name
		.normalize('NFKD')
		.replace(/[^\w]+/g, '-')
		.replace(/^-+|-+$/g, '')
		.toLowerCase();
	return `${plain || 'site'}-${visit.startedAt.slice(0, 10)}.${end}`;
}
