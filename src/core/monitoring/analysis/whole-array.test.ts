import { describe, expect, it } from 'vitest';
import { plainDays, PER_DAY } from '../../../../tests/support/plain-days';
import type { ArrayEvent, UnitEvent } from './event';
import {
	soilingOf,
	driftOf,
	isOfSoiling,
	middleOfDay,
	possibleDrifts,
	sensorQuestion,
	type DayIndex
} from './whole-array';

const DAYS = 200;
const days = plainDays(DAYS);
const dateOf = (day: number) => days[day]!.date;
const noise = (day: number) => 1 + 0.003 * Math.sin(12.9 * day + 78.2);
/** A clear day in every two. */
const clear = (
	array: (day: number) => number,
	sensor: (day: number) => number = () => Number.NaN
): DayIndex[] =>
	Array.from({ length: DAYS / 2 }, (_, i) => 2 * i).map((day) => ({
		day,
		array: array(day) * noise(day),
		sensor: sensor(day) * noise(day + 7)
	}));
const beside = (index: readonly DayIndex[]) =>
	index.map(({ day, array, sensor }) => ({ day, value: array / sensor }));

/** kWh of all units by day. */
const made = days.map(() => 20);
const dirty = (day: number) => (day < 60 ? 1 : day < 120 ? 1 - 0.0015 * (day - 60) : 1);

describe('soiling on the whole array', () => {
	it('falls slowly and is gone at once, which is told with the day of the rain', () => {
		const index = clear(dirty, () => 1);
		const [event, ...more] = soilingOf(days, index, beside(index), made);
		expect(more).toEqual([]);
		expect(event).toMatchObject({ kind: 'dirt', washed: dateOf(120) });
		expect(event!.change).toBeLessThan(-0.06);
		expect(event!.change).toBeGreaterThan(-0.12);
		// 9 % at the end of sixty days of 20 kWh, growing evenly.
		const taken = Array.from({ length: 60 }, (_, day) => 20 / (1 - 0.0015 * day) - 20);
		const truth = taken.reduce((a, b) => a + b, 0);
		expect(event!.loss!.lostBand.low).toBeLessThan(truth);
		expect(event!.loss!.lostBand.high).toBeGreaterThan(truth);
	});

	it('that lies on the sensor as well is seen against the clear sky', () => {
		const index = clear(dirty, dirty);
		const [event] = soilingOf(days, index, beside(index), made);
		expect(event).toMatchObject({ kind: 'dirt', washed: dateOf(120) });
	});

	it('seen both ways is one, not two', () => {
		const index = clear(dirty, () => 1);
		expect(soilingOf(days, index, beside(index), made)).toHaveLength(1);
	});

	it('is none where nothing came back: that is a fall', () => {
		const index = clear(
			(day) => 1 - 0.0008 * day,
			() => 1
		);
		expect(soilingOf(days, index, beside(index), made)).toEqual([]);
	});

	it('is none in a level year', () => {
		const index = clear(
			() => 1,
			() => 1
		);
		expect(soilingOf(days, index, beside(index), made)).toEqual([]);
	});
});

describe('a sensor and an array that drift apart', () => {
	it('are the sensor’s where it reads less and less: arrays do not get better', () => {
		const [event] = driftOf(
			days,
			clear(
				() => 1,
				(day) => 1 - 0.0004 * day
			),
			[]
		);
		expect(event).toMatchObject({ kind: 'sensor-drift', until: null, washed: null });
		expect(event!.change).toBeCloseTo(-0.08, 1);
	});

	it('are the array’s where it falls by itself', () => {
		const [event] = driftOf(
			days,
			clear(
				(day) => 1 - 0.0004 * day,
				() => 1
			),
			[]
		);
		expect(event).toMatchObject({ kind: 'fall', since: dateOf(0) });
		expect(event!.change).toBeLessThan(-0.05);
	});

	it('are the sensor’s where it reads more and more over a level array', () => {
		const [event] = driftOf(
			days,
			clear(
				() => 1,
				(day) => 1 + 0.0004 * day
			),
			[]
		);
		expect(event).toMatchObject({ kind: 'sensor-drift' });
		expect(event!.change).toBeGreaterThan(0.05);
	});

	it('by more than a sensor drifts are no drift, and are asked about', () => {
		const moved = driftOf(
			days,
			clear(
				() => 1,
				(day) => 1 + 0.01 * day
			),
			[]
		);
		expect(possibleDrifts(moved)).toEqual([]);
		expect(sensorQuestion(moved)).toContain('more than a sensor drifts');
		const slight = driftOf(
			days,
			clear(
				() => 1,
				(day) => 1 - 0.0004 * day
			),
			[]
		);
		expect(possibleDrifts(slight)).toEqual(slight);
		expect(sensorQuestion(slight)).toBeNull();
	});

	it('are not said for haze that touches both alike, nor without a sensor', () => {
		const haze = (day: number) => 1 - 0.0005 * day;
		expect(driftOf(days, clear(haze, haze), [])).toEqual([]);
		expect(driftOf(days, clear(haze), [])).toEqual([]);
	});

	it('are not said of a few weeks', () => {
		const short = clear(
			() => 1,
			(day) => 1 - 0.002 * day
		).filter(({ day }) => day < 60);
		expect(driftOf(days, short, [])).toEqual([]);
	});

	it('are judged on days without soiling', () => {
		const index = clear(dirty, () => 1);
		const soiling = soilingOf(days, index, beside(index), made);
		expect(driftOf(days, index, soiling)).toEqual([]);
	});
});

describe('the middle of a day', () => {
	it('is the median of what counts and is known', () => {
		const values = new Float64Array(2 * PER_DAY).fill(5);
		values.fill(9, 40, 50);
		values[41] = Number.NaN;
		const middle = (counts: (t: number) => boolean) => middleOfDay(values, days[0]!, counts);
		expect(middle(() => true)).toBe(5);
		expect(middle((t) => t >= 40 && t < 50)).toBe(9);
		expect(middle(() => false)).toBeNaN();
	});
});

describe('what a unit seems to do under soiling', () => {
	const dates = days.map(({ date }) => date);
	const soiling: readonly ArrayEvent[] = [
		{
			kind: 'dirt',
			since: dateOf(60),
			until: dateOf(119),
			change: -0.2,
			washed: dateOf(120),
			loss: null
		}
	];
	const event = (
		kind: 'step' | 'slope',
		from: number,
		to: number | null,
		level: number
	): UnitEvent => ({
		unit: 'x',
		kind,
		since: dateOf(from),
		until: to === null ? null : dateOf(to),
		level,
		lost: 10,
		lostBand: { low: 8, high: 12 }
	});
	const shares = (share: (day: number) => number) =>
		Float64Array.from(dates, (_, day) => share(day));

	it('is soiling where the rain leaves it as good as it was', () => {
		// Cleaner than its peers before the rain, level with them after it.
		const cleaner = shares((day) => (day < 60 || day >= 120 ? 1 : 1 + 0.003 * (day - 60)));
		expect(isOfSoiling(event('step', 120, null, 0.85), soiling, dates, cleaner)).toBe(true);
		const dirtier = shares((day) => (day < 60 || day >= 120 ? 1 : 1 - 0.003 * (day - 60)));
		expect(isOfSoiling(event('slope', 60, 119, 0.83), soiling, dates, dirtier)).toBe(true);
	});

	it('is a fault of its own where it stays behind after the rain, on whatever day it began', () => {
		const broken = shares((day) => (day < 121 ? 1 : 0.85));
		expect(isOfSoiling(event('step', 121, null, 0.85), soiling, dates, broken)).toBe(false);
	});

	it('is its own where it falls faster than soiling does', () => {
		const failing = shares((day) => (day < 80 ? 1 : Math.max(0.3, 1 - 0.03 * (day - 80))));
		expect(isOfSoiling(event('slope', 80, 103, 0.3), soiling, dates, failing)).toBe(false);
	});
});
