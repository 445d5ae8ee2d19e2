import { describe, expect, it } from 'vitest';
import { randomFrom } from '../../numerics';
import { degradationOf } from './degradation';
import { corrected, type Corrected } from './stc-share';

const NAMEPLATE = 10_000;
const SEASONS = ['03-20', '06-21', '09-22', '12-21'];

interface Series {
	readonly perYear?: number;
	readonly years: number;
	/** Days of each year. */
	readonly days?: readonly string[];
	/** Relative error of a reading. */
	readonly error?: (index: number) => number;
	readonly instrument?: (year: number) => string | undefined;
}

function measured({
	perYear = -0.006,
	years,
	days = ['06-21'],
	error = () => 0,
	instrument = () => 'cell A'
}: Series): Corrected[] {
	return Array.from({ length: years }, (_, year) =>
		days.map((day, place) => {
			const since = year + place / days.length;
			const share = (0.98 + perYear * since) * (1 + error(year * days.length + place));
			return corrected(
				{
					date: `${2014 + year}-${day}`,
					watts: NAMEPLATE * share,
					irradiance: 1000,
					cellTemperature: 25,
					instrument: instrument(year)
				},
				NAMEPLATE
			);
		})
	).flat();
}
const alternating = (by: number) => (index: number) => (index % 2 ? by : -by);

describe('degradation', () => {
	it('is the slope over the years, and says when it passes the limit', () => {
		const found = degradationOf(measured({ years: 8, error: alternating(0.001) }), 0.8)!;
		expect(found.perYear).toBeCloseTo(-0.006, 3);
		expect(found.low).toBeLessThan(found.perYear);
		expect(found.high).toBeGreaterThan(found.perYear);
		expect(found.instruments).toBe('same');
		expect(found.jump).toBeNull();
		expect(found.passes.likely).toBeCloseTo(30, -1);
		expect(found.passes.soonest!).toBeLessThan(found.passes.likely!);
	});

	it('of few readings has a wide range', () => {
		const width = (years: number) => {
			const { low, high } = degradationOf(measured({ years }), 0.8)!;
			return high - low;
		};
		expect(width(3)).toBeGreaterThan(width(9));
	});

	it('is none of two readings or of one summer', () => {
		expect(degradationOf(measured({ years: 2 }), 0.8)).toBeNull();
		const summer = measured({ years: 1, days: ['06-01', '06-10', '06-20'] });
		expect(degradationOf(summer, 0.8)).toBeNull();
	});

	it('passed the limit where it is below, and never passes it where it rises', () => {
		expect(degradationOf(measured({ years: 4 }), 0.99)!.passes.likely).toBe(0);
		expect(degradationOf(measured({ years: 9, perYear: 0.002 }), 0.8)!.passes.likely).toBeNull();
	});

	it('is not moved by a season that reads low each year, nor by one bad reading', () => {
		const seasonal = (index: number) => (index % 4 === 3 ? -0.05 : 0);
		// Begins after the low season and ends with it, so that a plain line would fall too steeply.
		const found = degradationOf(measured({ years: 4, days: SEASONS, error: seasonal }), 0.8)!;
		expect(found.perYear).toBeCloseTo(-0.006, 3);
		const spoilt = measured({ years: 9, error: (index) => (index === 8 ? -0.15 : 0) });
		expect(Math.abs(degradationOf(spoilt, 0.8)!.perYear + 0.006)).toBeLessThan(0.004);
	});

	it('by pairs a year apart is the same, and is not moved by one change of instrument', () => {
		const changed = measured({
			years: 10,
			error: (index) => (index >= 5 ? 0.04 : 0),
			instrument: () => undefined
		});
		const { yearOnYear } = degradationOf(changed, 0.8)!;
		expect(yearOnYear!.pairs).toBe(9);
		expect(yearOnYear!.perYear).toBeCloseTo(-0.006, 3);
		expect(degradationOf(measured({ years: 3 }), 0.8)!.yearOnYear).toBeNull();
	});
});

describe('a change of instrument', () => {
	const random = randomFrom(20_261_130);
	/** Share of series whose range holds the truth. */
	function covered(series: Omit<Series, 'error'>, by: number, from: number): number {
		const RUNS = 120;
		let hits = 0;
		for (let run = 0; run < RUNS; run++) {
			const days = series.days?.length ?? 1;
			const found = degradationOf(
				measured({
					...series,
					error: (index) => 0.012 * random.normal() + (index >= from * days ? by : 0)
				}),
				0.8
			)!;
			if (found.low <= -0.006 && found.high >= -0.006) hits++;
		}
		return hits / RUNS;
	}
	const named = (year: number) => (year < 5 ? 'cell A' : 'cell B');

	it('that is named leaves the truth in the range', () => {
		expect(covered({ years: 10, instrument: named }, 0.02, 5)).toBeGreaterThanOrEqual(0.9);
		expect(
			covered({ years: 10, days: SEASONS, instrument: named }, 0.02, 5)
		).toBeGreaterThanOrEqual(0.9);
	});

	it('that nobody named leaves the truth in the range, whether there was one or not', () => {
		const instrument = () => undefined;
		expect(covered({ years: 10, instrument }, 0.02, 5)).toBeGreaterThanOrEqual(0.9);
		expect(covered({ years: 10, instrument }, 0, 5)).toBeGreaterThanOrEqual(0.9);
		expect(covered({ years: 6, days: SEASONS, instrument }, 0.02, 3)).toBeGreaterThanOrEqual(0.9);
	});

	it('with one instrument throughout the range is no wider than it must be, and holds it', () => {
		expect(covered({ years: 10 }, 0, 5)).toBeGreaterThanOrEqual(0.9);
		const width = (instrument: () => string | undefined) => {
			const { low, high } = degradationOf(measured({ years: 10, instrument }), 0.8)!;
			return high - low;
		};
		expect(width(() => 'cell A')).toBeLessThan(0.5 * width(() => undefined));
	});

	it('that is large is seen, and said with its day', () => {
		const found = degradationOf(
			measured({
				years: 8,
				days: SEASONS,
				error: (index) => alternating(0.004)(index) + (index >= 16 ? -0.08 : 0),
				instrument: () => undefined
			}),
			0.8
		)!;
		expect(found.jump).toMatchObject({ date: '2018-03-20' });
		expect(found.jump!.by).toBeCloseTo(-0.08, 1);
		expect(found.perYear).toBeCloseTo(-0.006, 2);
		expect(found.instruments).toBe('not-stated');
	});
});
