import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { testRecord } from '../../../../tests/support/watched-record';
import { EMPTY_RECORD } from '../../record/record';
import { ageingOf, corrected, yearsSince } from './ageing';
import { powerOverHeat } from './heat';
import { seasonPoints } from './seasons';

const LABEL = 10_000;
const reading = (date: string, share: number, irradiance = 1000, cellTemperature = 25) => ({
	date,
	watts: (LABEL * share * irradiance) / 1000,
	irradiance,
	cellTemperature
});

describe('a benchmark reading', () => {
	it('at standard conditions is itself', () => {
		expect(corrected(reading('2026-06-21', 0.95), LABEL).share).toBeCloseTo(0.95, 12);
	});
	it('is carried there from other light and heat', () => {
		const { share, doubt } = corrected(
			{ ...reading('2026-06-21', 0.9, 800), cellTemperature: 50 },
			LABEL,
			-0.004
		);
		expect(share).toBeCloseTo(0.9 / 0.9, 12);
		expect(doubt).toBeNull();
	});
	it('in dim light says that it says little', () => {
		expect(corrected(reading('2026-12-21', 0.9, 300), LABEL).doubt).toContain('300');
	});
});

describe('ageing', () => {
	const years = (perYear: number, count: number, wobble = 0) =>
		Array.from({ length: count }, (_, i) =>
			corrected(
				reading(`${2018 + i}-06-21`, 0.98 + perYear * i + (i % 2 ? wobble : -wobble)),
				LABEL
			)
		);
	it('is the slope of the years, and says when it passes the limit', () => {
		const ageing = ageingOf(years(-0.006, 8, 0.001), 0.8)!;
		expect(ageing.perYear).toBeCloseTo(-0.006, 3);
		expect(ageing.low).toBeLessThan(ageing.perYear);
		expect(ageing.high).toBeGreaterThan(ageing.perYear);
		expect(ageing.passes.likely).toBeCloseTo(30, -1);
		expect(ageing.passes.soonest!).toBeLessThan(ageing.passes.likely!);
	});
	it('of few readings has a wide band', () => {
		const wide = ageingOf(years(-0.006, 3), 0.8)!;
		const narrow = ageingOf(years(-0.006, 9), 0.8)!;
		expect(wide.high - wide.low).toBeGreaterThan(narrow.high - narrow.low);
	});
	it('is none of two readings or of one summer', () => {
		expect(ageingOf(years(-0.006, 2), 0.8)).toBeNull();
		const summer = ['01', '10', '20'].map((day) =>
			corrected(reading(`2026-06-${day}`, 0.9), LABEL)
		);
		expect(ageingOf(summer, 0.8)).toBeNull();
	});
	it('below the limit has passed it', () => {
		expect(ageingOf(years(-0.006, 4), 0.99)!.passes.likely).toBe(0);
	});
	it('that rises never passes it', () => {
		expect(ageingOf(years(0.002, 9), 0.8)!.passes.likely).toBeNull();
	});
});

it('a kelvin costs what the label’s model says', () => {
	const cost = powerOverHeat(testRecord())!;
	expect(cost).toBeLessThan(-0.003);
	expect(cost).toBeGreaterThan(-0.005);
	expect(powerOverHeat(EMPTY_RECORD)).toBeNull();
});

it('equinoxes and solstices come in order, a year after those before', () => {
	fc.assert(
		fc.property(fc.integer({ min: 1960, max: 2048 }), (year) => {
			const points = seasonPoints(year);
			expect(points.map(({ at }) => new Date(at).getUTCMonth())).toEqual([2, 5, 8, 11]);
			seasonPoints(year + 1).forEach(({ at }, i) => {
				const days = (at - points[i]!.at) / 86_400_000;
				expect(Math.abs(days - 365.2422)).toBeLessThan(0.03);
			});
		}),
		{ numRuns: 30 }
	);
});

it('years are counted from the first date', () => {
	expect(yearsSince('2020-06-21', '2024-06-21')).toBeCloseTo(4, 2);
});
