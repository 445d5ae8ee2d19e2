import { unzipSync, strFromU8 } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import saltmarsh from '../../../../demo/saltmarsh-2026-11-17.zembo-visit.json';
import { readVisitData, writeVisitDocument } from '$core/document';
import { testId } from '../../../../tests/support/scenario';
import { ALL_SITES } from '../../../../tests/support/sites';
import { whole } from '../../../../tests/support/whole';
import { waiting } from '../../../../tests/support/waiting-pictures';
import { importVisit } from '../repositories/import';
import { MISSING_PICTURE } from '$lib/report/html';
import { openDatabase, type Db } from '../database/open';
import { handedVisit, htmlOf, pdfOf, zipOf } from './files';

const NOW = Date.UTC(2026, 10, 18);
const read = readVisitData(structuredClone(saltmarsh));
if (!read.ok) throw new Error(read.problem.what);
const document = read.value;
const full = handedVisit(document, 'full', NOW);
const short = handedVisit(document, 'short', NOW);
const pagesOf = (pdf: Uint8Array) =>
	Buffer.from(pdf)
		.toString('latin1')
		.match(/\/Type \/Page\b(?!s)/g)?.length ?? 0;

let db: Db;
beforeAll(async () => {
	db = await openDatabase(':memory:');
});
afterAll(() => db.destroy());

describe('the report as PDF', () => {
	it('is a tagged file with its own fonts, on either size of page', async () => {
		for (const [page, width] of [
			['A4', '595.28'],
			['LETTER', '612']
		] as const) {
			const pdf = await whole(pdfOf(db, full, page));
			const text = Buffer.from(pdf).toString('latin1');
			expect(text.slice(0, 5)).toBe('%PDF-');
			expect(text).toContain('/StructTreeRoot');
			expect(text).toContain('/ToUnicode');
			expect(text).toContain(`/MediaBox [0 0 ${width}`);
			expect(pagesOf(pdf)).toBeGreaterThan(1);
		}
	});
	it('for the owner has one page', async () => {
		expect(pagesOf(await whole(pdfOf(db, short, 'A4')))).toBe(1);
		expect(pagesOf(await whole(pdfOf(db, short, 'LETTER')))).toBe(1);
	});
	it('is the same to the byte when it is made again', async () => {
		const [once, again] = [pdfOf(db, short, 'A4'), pdfOf(db, short, 'A4')];
		expect(Buffer.compare(await whole(once), await whole(again))).toBe(0);
	});
});

describe('the archive of a visit', () => {
	it('has the file as it is, the readings, and the report twice', async () => {
		const files = unzipSync(await whole(zipOf(db, full, 'A4')));
		expect(Object.keys(files).sort()).toEqual([
			'readings.csv',
			'report.html',
			'report.pdf',
			'visit.zembo-visit.json'
		]);
		expect(strFromU8(files['visit.zembo-visit.json']!)).toBe(writeVisitDocument(document));
		const lines = strFromU8(files['readings.csv']!).trim().split('\r\n');
		expect(lines).toHaveLength(document.visit.readings.length + 1);
	});
	it('and its other files have a name that every file system takes', () => {
		const odd = { ...document, site: { ...document.site, name: 'Pier №4 / “Slip”' } };
		expect(handedVisit(odd, 'full', NOW).name).toMatch(/^[a-z0-9-]+-2026-11-17$/i);
	});
});

it('the report as HTML carries the checksum of the file, and its drawings', async () => {
	const html = strFromU8(await whole(htmlOf(db, full)));
	expect(html).toMatch(/SHA-256 [0-9a-f]{64}/);
	expect(html).toContain('One-line diagram of Saltmarsh Ferry Terminal');
	expect(html).toContain('Plan of Canopy, inner bay with its strings');
});

/** What was stored before photographs were decoded where they come in. */
const DAMAGED: readonly (readonly number[])[] = [
	// cut behind its beginning
	[0xff, 0xd8, 0xff],
	// no frame
	[0xff, 0xd8, 0xff, 0xe0, 0, 4, 0, 0, 0xff, 0xda],
	// the shape of a JPEG, and no picture
	[0xff, 0xd8, 0xff, 0xda, 0, 2, 0xff, 0xd9],
	// a PNG and a WebP that end at once
	[0x89, ...Buffer.from('PNG\r\n')],
	[...Buffer.from('RIFF\0\0\0\0WEBP')]
];

it('photographs that cannot be decoded never stop a report or an archive', async () => {
	const walked = ALL_SITES.find(({ inspection }) =>
		inspection.some(({ photographs }) => photographs.length > 0)
	)!;
	const line = { takenAt: document.visit.startedAt, addedAt: document.visit.startedAt };
	const size = { type: 'image/jpeg', width: 2, height: 1 } as const;
	const photographs = DAMAGED.map((_, i) => ({ id: testId(i + 1), ...line, ...size }));
	const inspection = walked.inspection.map((entry) => ({
		...entry,
		photographs: entry.photographs.length > 0 ? photographs.map(({ id }) => id) : []
	}));
	const pictures = new Map(
		DAMAGED.map((bytes, i) => [testId(i + 1), { bytes: new Uint8Array(bytes), ...size }])
	);
	const told = { ...walked, inspection, photographs };
	const own = await openDatabase(':memory:');
	try {
		await importVisit(own, told, '2026-11-24T09:00:00Z', waiting(pictures));
		const archive = await whole(zipOf(own, handedVisit(told, 'full', NOW), 'A4'));
		const files = unzipSync(archive);
		expect(strFromU8(files['report.pdf']!.subarray(0, 5))).toBe('%PDF-');
		expect(strFromU8(files['report.html']!).split(MISSING_PICTURE).length).toBeGreaterThan(5);
		for (const { id } of photographs) expect(files[`photographs/${id}.jpg`]).toHaveLength(0);
	} finally {
		await own.destroy();
	}
});
