import { isRead } from '$core/assessment';
import { checkRecord } from '$core/design-checks';
import { describe, expect, it } from 'vitest';
import saltmarsh from '../../../demo/saltmarsh-2026-11-17.zembo-visit.json';
import kilnWalk from '../../../demo/kiln-lane-2026-10-20.zembo-visit.json';
import { readVisitData } from '$core/document';
import { assess } from '$core/diagnosis';
import type { Block } from './block';
import type { Report } from './block';
import { pictureHtml, reportHtml } from './html';
import { readingsRows } from './readings-csv';
import { visitReport } from './visit-report';

const NOW = Date.UTC(2026, 10, 18);

function documentOf(data: unknown) {
	const read = readVisitData(structuredClone(data));
	if (!read.ok) throw new Error(read.problem.what);
	return read.value;
}
const visit = documentOf(saltmarsh);
const walk = documentOf(kilnWalk);
const reportOf = (document: typeof visit, form: 'full' | 'short' = 'full') =>
	visitReport(document, assess(document.record, document.visit), form, 'abc123', NOW);

/** Everything that a report says, as one text. */
const words = (blocks: readonly Block[]) =>
	blocks
		.flatMap((block): string[] => {
			switch (block.kind) {
				case 'heading':
				case 'text':
					return [block.text];
				case 'list':
					return block.items.map(({ text }) => text);
				case 'table':
					return block.rows.flat().map(({ text }) => text);
				case 'pictures':
					return block.pictures.map(({ words: said }) => said);
				case 'drawing':
					return [block.words];
			}
		})
		.join('\n');

describe('the report of a visit in full', () => {
	const report = reportOf(visit);
	it('says who, when, why, and by which record', () => {
		expect(Object.fromEntries(report.facts)).toMatchObject({
			'Measured by': visit.visit.by,
			Record: 'revision 1'
		});
		expect(report.footer).toContain('SHA-256 abc123');
		expect(report.signatures).toEqual(['Measured by', 'Reviewed by']);
	});
	it('has every reading with its band, verdict and meaning', () => {
		const tables = report.blocks.filter((block) => block.kind === 'table');
		const readings = tables.find(({ columns }) => columns[2]?.words === 'Expected')!;
		const read = assess(visit.record, visit.visit).places.filter(isRead);
		expect(readings.rows).toHaveLength(read.length);
		expect(words(report.blocks)).toContain('±');
	});
	it('has causes, conditions, record, making safe and cautions under their headings', () => {
		const headings = report.blocks.flatMap((block) =>
			block.kind === 'heading' ? [block.text] : []
		);
		for (const one of [
			'Outcome',
			'Test conditions',
			'Array',
			'Readings',
			'Isolation',
			'Design checks',
			'Test equipment'
		]) {
			expect(headings).toContain(one);
		}
		expect(words(report.blocks)).toContain('IEC profile');
		expect(words(report.blocks)).not.toMatch(/\bsafe to\b/);
	});
	it('has findings with their photographs, and what could not be seen', () => {
		const of = reportOf(walk);
		expect(words(of.blocks)).toContain('Trunk cable hangs below two modules');
		expect(words(of.blocks)).toContain('Loft hatch painted shut');
		expect(of.blocks.some(({ kind }) => kind === 'pictures')).toBe(
			walk.inspection.some(({ photographs }) => photographs.length > 0)
		);
	});
	it('of an inspection opens with its defects, and asks for no conditions', () => {
		const said = words(reportOf(walk).blocks);
		expect(said.indexOf('Defects')).toBeLessThan(said.indexOf('Isolation'));
		expect(said).not.toContain('No causes yet');
		expect(said).not.toContain('Test conditions');
	});
	it('has every design check with what is required and found', () => {
		const table = report.blocks
			.filter((block) => block.kind === 'table')
			.find(({ columns }) => columns[0]!.words === 'Check')!;
		expect(table.rows).toHaveLength(checkRecord(visit.record).length);
		const fuse = table.rows.find(([title]) => title!.text.startsWith('String fuse'))!;
		expect(fuse[1]!.text).toContain('16.2 A');
		expect(fuse[2]!.text).toContain('15 A');
		expect(fuse[3]!.text).toBe('Fail');
	});
});

describe('the page for the owner', () => {
	it('is short, plain, and says what was not checked', () => {
		const said = words(reportOf(visit, 'short').blocks);
		expect(said).toContain('The array has 8 strings');
		expect(said).toContain('Nothing was repaired in this visit.');
		expect(said).toContain('What was not checked');
		expect(said.length).toBeLessThan(2500);
		expect(said).not.toContain('±');
	});
});

/** @returns the report with each photograph drawn from the same bytes */
const htmlOf = (report: Report) =>
	[...reportHtml(report)]
		.map((piece) => (typeof piece === 'string' ? piece : pictureHtml(piece, 'data:image/jpeg,')))
		.join('');

describe('the report as HTML', () => {
	it('needs nothing else, and lets no word of a person become markup', () => {
		const document = { ...visit, site: { ...visit.site, name: '<b>Pier & "Slip"</b>' } };
		const html = htmlOf(reportOf(document));
		expect(html).toContain('&lt;b&gt;Pier &amp; &quot;Slip&quot;&lt;/b&gt;');
		expect(html).not.toMatch(/<script|src="http|href=/);
	});
	it('has its photographs within', () => {
		const report = reportOf(walk);
		const ids = report.blocks.flatMap((block) =>
			block.kind === 'pictures' ? block.pictures.map(({ id }) => id) : []
		);
		const html = htmlOf(report);
		expect(html.match(/<img /g) ?? []).toHaveLength(ids.length);
	});
	it('takes no word of a person for a photograph', () => {
		const words = 'picture:019c0000-0008-7000-8000-000000000001';
		const inspection = walk.inspection.map((entry) => ({ ...entry, words }));
		expect(htmlOf(reportOf({ ...walk, inspection })).includes(words)).toBe(true);
	});
});

it('the readings as a table keep what was replaced, and say so', () => {
	const [first, ...others] = visit.visit.readings;
	const later = { ...first!, id: '019c0000-0008-7000-8000-000000000001', supersedes: first!.id };
	const replaced = { ...visit.visit, readings: [first!, ...others, later] };
	const rows = readingsRows([{ ...visit, visit: replaced }]);
	expect(rows).toHaveLength(visit.visit.readings.length + 2);
	expect(rows[1]!.at(-1)).toBe('no');
	expect(rows.at(-1)!.at(-1)).toBe('yes');
});
