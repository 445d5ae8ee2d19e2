import { describe, expect, it } from 'vitest';
import { findCurrentReadings, QUANTITY_FACTS } from '$core/visit';
import { assess } from '$core/diagnosis';
import { ALL_SITES } from '../../../tests/support/sites';
import type { Block, Cell } from './block';
import { readingsRows } from './readings-csv';
import { visitReport } from './visit-report';

const NOW = Date.UTC(2026, 10, 26, 12);
const FORMS = ['full', 'short'] as const;
const reportOf = (document: (typeof ALL_SITES)[number], form: (typeof FORMS)[number]) =>
	visitReport(document, assess(document.record, document.visit), form, 'abc123', NOW);

const wordsOfCell = ({ text, soft = [] }: Cell) => [text, ...soft];
/** Every word of a block that a reader sees. */
function wordsOf(block: Block): string[] {
	switch (block.kind) {
		case 'heading':
		case 'text':
			return [block.text];
		case 'list':
			return block.items.flatMap(wordsOfCell);
		case 'table':
			return [
				...block.columns.map(({ words }) => words),
				...block.rows.flatMap((row) => row.flatMap(wordsOfCell))
			];
		case 'pictures':
			return block.pictures.map(({ words }) => words);
		case 'drawing':
			return [block.words];
	}
}
const CASES = ALL_SITES.flatMap((document) =>
	FORMS.map((form) => ({ name: document.site.name, form, document }))
);

describe.each(CASES)('the $form report of $name', ({ form, document }) => {
	const report = reportOf(document, form);
	const words = [
		report.title,
		report.subtitle,
		report.footer,
		...report.facts.flat(),
		...report.blocks.flatMap(wordsOf)
	];

	it('has no word that is none, and no figure that is none', () => {
		for (const one of words) expect(one).not.toMatch(/undefined|null|NaN|Infinity|\[object/);
	});

	it('never says that a thing is safe', () => {
		for (const one of words) {
			expect(one.replace(/mak(e|ing) safe/gi, '')).not.toMatch(/\bsafe\b/i);
		}
	});

	it('has rows as wide as its tables', () => {
		for (const block of report.blocks) {
			if (block.kind !== 'table') continue;
			for (const row of block.rows) expect(row).toHaveLength(block.columns.length);
		}
	});

	it('carries the checksum of its file, and is the same when it is made again', () => {
		expect(report.footer).toContain('abc123');
		expect(reportOf(document, form)).toEqual(report);
	});

	it('has a line for each who signs', () => {
		expect(report.signatures.length).toBeGreaterThan(0);
	});
});

describe.each(ALL_SITES.map((document) => ({ name: document.site.name, document })))(
	'the readings of $name',
	({ document }) => {
		const standing = [...findCurrentReadings(document.visit).values()];

		it('stand in the report, each with its unit', () => {
			const text = reportOf(document, 'full').blocks.flatMap(wordsOf).join('\n');
			for (const { quantity, value } of standing) {
				const { unit } = QUANTITY_FACTS[quantity];
				if (unit !== 'V' && unit !== 'A') continue;
				expect(text).toContain(`${value.toFixed(unit === 'V' ? 1 : 2).replace('-', '')} ${unit}`);
			}
		});

		it('stand as lines of one width in the list for other programs', () => {
			const [head, ...rows] = readingsRows([document]);
			for (const row of rows) expect(row).toHaveLength(head!.length);
			expect(rows.length).toBeGreaterThanOrEqual(standing.length);
		});
	}
);
