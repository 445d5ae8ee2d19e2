import { describe, expect, it } from 'vitest';
import { clearSky, onPlane, type Plane, sunPosition } from '../../conditions';
import { randomFrom } from '../../numerics';
import { dateOfMillis } from '../../units';
import type { Times } from '../series/grid';
import { HOUR, type Day } from '../series/year';
import { clockOf } from './clock-check';

const OBSERVER = { latitude: 48, longitude: 11 };
const DAY = 24 * HOUR;
const START = Date.UTC(2025, 0, 1) - HOUR;
const STEP = HOUR / 2;
const TIMES: Times = { start: START, step: STEP, count: 365 * 48 };
/** Daylight saving of central Europe in 2025. */
const [SPRING, AUTUMN] = [Date.UTC(2025, 2, 30, 1), Date.UTC(2025, 9, 26, 1)];
const offsetAt = (instant: number) => (instant >= SPRING && instant < AUTUMN ? 2 : 1) * HOUR;

const DAYS: readonly Day[] = Array.from({ length: 365 }, (_, i): Day => {
	const midnight = (day: number) => {
		const clock = Date.UTC(2025, 0, 1) + day * DAY;
		return clock - offsetAt(clock - 2 * HOUR);
	};
	const at = (instant: number) => Math.min(TIMES.count, Math.max(0, (instant - START) / STEP));
	return {
		date: dateOfMillis(Date.UTC(2025, 0, 1) + i * DAY),
		from: at(midnight(i)),
		to: at(midnight(i + 1))
	};
});

/**
 * A year of power over nameplate under passing clouds.
 *
 * @param trueAt the true instant of what the export stamps with an instant
 * @param lowest the hill in the east hides the beam up to this height of the sun, degrees
 */
function shareOf(plane: Plane, trueAt: (instant: number) => number, lowest = 0): Float64Array {
	const random = randomFrom(7);
	return Float64Array.from({ length: TIMES.count }, (_, t) => {
		const sun = sunPosition(trueAt(START + t * STEP), OBSERVER);
		if (sun.zenith >= 90) return 0;
		const sky = clearSky(sun);
		const hidden = sun.azimuth < 180 && 90 - sun.zenith < lowest;
		const direct = hidden || random.chance(0.4) ? 0 : sky.direct;
		return onPlane(sun, plane, { ...sky, direct }).effective / 1000;
	});
}
const SOUTH = { tilt: 30, azimuth: 180 };
const EAST = { tilt: 35, azimuth: 90 };
const check = (plane: Plane, trueAt: (instant: number) => number, lowest?: number) =>
	clockOf({ times: TIMES, days: DAYS }, OBSERVER, [shareOf(plane, trueAt, lowest)])!.finding;

describe('the clock of an export', () => {
	it('that goes with the sun is left alone, wherever the modules face, behind a hill and without nights', () => {
		for (const plane of [SOUTH, EAST, { tilt: 60, azimuth: 270 }]) {
			expect(check(plane, (instant) => instant)).toBeNull();
		}
		expect(check(SOUTH, (instant) => instant, 12)).toBeNull();
		const lit = shareOf(EAST, (instant) => instant).map((share) =>
			share > 0 ? share : Number.NaN
		);
		expect(clockOf({ times: TIMES, days: DAYS }, OBSERVER, [lit])).toEqual({
			finding: null,
			middle: 0
		});
	});

	it('stamps the beginning or the end of its steps, which is told too', () => {
		const middle = (minutes: number) =>
			clockOf({ times: TIMES, days: DAYS }, OBSERVER, [
				shareOf(SOUTH, (instant) => instant + (minutes * HOUR) / 60)
			]);
		expect(middle(15)).toEqual({ finding: null, middle: HOUR / 4 });
		expect(middle(-15)).toEqual({ finding: null, middle: -HOUR / 4 });
	});

	it('that is late or early is corrected, up to the other side of the earth', () => {
		for (const hours of [0.5, 1, -1, 3.5, -7, 11.5]) {
			expect(check(EAST, (instant) => instant + hours * HOUR)).toEqual({
				kind: 'shifted',
				add: hours * HOUR
			});
		}
	});

	it('that keeps winter time or UTC all year is known by its summer', () => {
		const keeping = (offset: number) => (instant: number) =>
			instant + offsetAt(instant) - offset * HOUR;
		for (const offset of [0, 1, -5]) {
			expect(check(SOUTH, keeping(offset))).toEqual({
				kind: 'fixed-offset',
				offset: offset * HOUR || 0
			});
		}
	});

	it('that is late by different times is said to be irregular', () => {
		const set = (instant: number) => instant + (instant < SPRING ? 0 : 3 * HOUR);
		expect(check(SOUTH, set)).toMatchObject({ kind: 'irregular' });
	});

	it('says nothing of a few days, and of nights', () => {
		const share = shareOf(SOUTH, (instant) => instant + 3 * HOUR);
		const some = { times: TIMES, days: DAYS.slice(100, 106) };
		expect(clockOf(some, OBSERVER, [share])).toBeNull();
		expect(clockOf({ times: TIMES, days: DAYS }, OBSERVER, [share.fill(0)])).toBeNull();
	});
});
