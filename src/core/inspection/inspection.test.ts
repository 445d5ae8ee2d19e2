import { describe, expect, it } from 'vitest';
import {
	ALL_SITES,
	CAIRN_RIGG,
	HOLLIN_CREEK,
	KILN_LANE,
	SALTMARSH
} from '../../../tests/support/sites';
import { inspectionEntrySchema } from '../document';
import { EMPTY_RECORD } from '../record';
import { currentEntries } from './entry';
import { scaleInfrared } from './infrared';
import { INSPECTION_ITEMS, INSPECTION_STATIONS } from './items';
import { outcomeOfStop, placeOfDefect, inspectionOf } from './progress';
import { PART_NAMES } from '../record';

const stopsOf = (record: (typeof SALTMARSH)['record']) =>
	inspectionOf(record, []).flatMap(({ stops }) => stops.map(({ key }) => key));

describe('the walk', () => {
	it('asks only what this array has', () => {
		expect(stopsOf(KILN_LANE.record)).not.toContain('connectors');
		expect(stopsOf(KILN_LANE.record)).not.toContain('insulation');
		expect(stopsOf(HOLLIN_CREEK.record)).toContain('rs-tested');
		expect(stopsOf(SALTMARSH.record)).not.toContain('rs-tested');
		expect(stopsOf(CAIRN_RIGG.record)).not.toContain('loss-of-mains');
		expect(stopsOf(CAIRN_RIGG.record).some((key) => key.startsWith('battery-breaker/'))).toBe(true);
		expect(
			stopsOf(SALTMARSH.record).filter((key) => key.startsWith('box-terminals/'))
		).toHaveLength(4);
		expect(stopsOf(EMPTY_RECORD)).toContain('glass');
	});

	it('goes in the order of the energy, each item once', () => {
		expect(new Set(INSPECTION_ITEMS.map(({ id }) => id)).size).toBe(INSPECTION_ITEMS.length);
		for (const { record } of ALL_SITES) {
			const stations = inspectionOf(record, []).map(({ station }) => station);
			expect(stations).toEqual(INSPECTION_STATIONS.filter((s) => stations.includes(s)));
		}
	});

	it('shows the answers that stand, the worst first', () => {
		const { record, inspection } = SALTMARSH;
		const stops = inspectionOf(record, inspection).flatMap((segment) => segment.stops);
		const outcome = (key: string) => outcomeOfStop(stops.find((stop) => stop.key === key)!);
		expect(outcome('glass')).toBe('finding');
		expect(outcome('electrode')).toBe('not-seen');
		expect(outcome('frames')).toBe('fits');
		expect(stops.every((stop) => outcomeOfStop(stop) !== null)).toBe(true);
		const glass = inspection.find(({ stop }) => stop === 'glass')!;
		expect(placeOfDefect(record, glass.place)).toEqual({
			code: 'defect-place.module',
			params: { string: 'A3', module: 4 }
		});
		expect(placeOfDefect(record, { kind: 'part', partId: record.parts[0]!.id })).toEqual({
			code: 'defect-place.part',
			params: { part: PART_NAMES.combiner, mark: 'CB 1' }
		});
	});

	it('lets go of what was replaced or taken back', () => {
		const [first] = SALTMARSH.inspection;
		const second = { ...first!, id: 'second', supersedes: first!.id };
		const third = { ...second, id: 'third', supersedes: 'second', withdrawn: true };
		expect(currentEntries([first!, second])).toEqual([second]);
		expect(currentEntries([first!, second, third])).toEqual([]);
	});
});

describe('an answer', () => {
	const [fits] = SALTMARSH.inspection.filter(({ outcome }) => outcome === 'fits');
	it.each([
		['a finding without words', { outcome: 'finding', severity: 'note', words: '' }],
		['a finding without severity', { outcome: 'finding', severity: null, words: 'x' }],
		['what was not seen, without why', { outcome: 'not-seen', words: '' }],
		['what fits, with severity', { severity: 'note' }]
	])('is refused as %s', (_, change) => {
		expect(inspectionEntrySchema.safeParse({ ...fits, ...change }).success).toBe(false);
	});
});

describe('an infrared picture', () => {
	it('is scaled to full current, by its pattern', () => {
		const base = { difference: 9, amps: 5, fullAmps: 10 };
		expect(scaleInfrared({ ...base, pattern: 'section' }).scaled).toBeCloseTo(18, 6);
		expect(scaleInfrared({ ...base, pattern: 'connector' }).scaled).toBeCloseTo(9 * 2 ** 1.6, 6);
		expect(scaleInfrared({ ...base, pattern: 'section' }).words).toContain('bypass diode');
	});

	it('taken at little current says so', () => {
		const weak = scaleInfrared({ pattern: 'cell', difference: 3, amps: 2, fullAmps: 10 });
		expect(weak.weak).toBe(true);
		expect(weak.words).toContain('take it again under load');
	});
});
