import { changeSince } from '$core/assessment';
import { describe, expect, it } from 'vitest';
import { NO_SETTINGS, type SiteDocument } from '$core/document';
import { HOLLIN_CREEK, SALTMARSH } from '../../../tests/support/sites';
import { siteReport } from './site-report';

const siteOf = ({ site, revision, record, visit, inspection }: typeof SALTMARSH): SiteDocument => ({
	site,
	revisions: [{ ...revision, record }],
	visits: [{ revision: revision.id, visit, inspection, photographs: [] }],
	benchmarks: [],
	watch: NO_SETTINGS
});

describe('the report of a site over the years', () => {
	it('tells each visit with what it found, and each string as it was read', () => {
		const { blocks, footer } = siteReport(siteOf(SALTMARSH), 'abc');
		const tables = blocks.filter((block) => block.kind === 'table');
		expect(tables[0]!.rows[0]!.at(-1)!.text).toMatch(/^[AB]\d: /);
		const years = tables.find(({ columns }) => columns[2]?.words === 'V then')!;
		expect(years.rows).toHaveLength(SALTMARSH.record.strings.length);
		// Read once: nothing to compare with.
		expect(years.rows[0]![2]!.text).toBe('');
		expect(Number(years.rows[0]![3]!.text)).toBeGreaterThan(400);
		expect(footer).toContain('abc');
	});
	it('of a site that nobody visited says so', () => {
		const empty = { ...siteOf(HOLLIN_CREEK), visits: [] };
		const { blocks, facts } = siteReport(empty, 'abc');
		expect(blocks[1]).toMatchObject({ text: 'None was made.' });
		expect(facts[0]![1]).toBe('none was made');
	});
});

describe('the change of a string since a visit', () => {
	const at = (voc: number | null, current: number | null, running = false) => ({
		voc,
		current,
		running
	});
	it('is relative, and of currents of one kind alone', () => {
		expect(changeSince(at(396, 9), at(400, 10))).toEqual({
			voc: expect.closeTo(-0.01, 9),
			current: expect.closeTo(-0.1, 9)
		});
		expect(changeSince(at(396, 9, true), at(400, 10))).toMatchObject({ current: null });
	});
	it('cannot be told from nothing', () => {
		expect(changeSince(at(null, 9), at(400, 0))).toEqual({ voc: null, current: null });
	});
});
