import { describe, expect, it } from 'vitest';
import type { Observer } from '../../conditions';
import { dayShares, plainDays, plainUnit } from '../../../../tests/support/plain-days';
import { isOfSnow, snowOf } from './snow';

// From 1 April on; fifteen days of it are winter's yet.
const DAYS = 90;
const days = plainDays(DAYS);
const NORTH: Observer = { latitude: 60, longitude: 5 };
const SOUTH: Observer = { latitude: -60, longitude: 5 };
const snowy = (u: number, day: number) => (day >= 3 && day < 9 && (u + day) % 2 === 0 ? 0.2 : 1);
const look = (share: (u: number, day: number) => number, observer: Observer | null = NORTH) => {
	const shares = new Map(
		Array.from({ length: 6 }, (_, u) => [
			plainUnit(`u${u}`, 1),
			dayShares(Array.from({ length: DAYS }, (__, day) => share(u, day)))
		])
	);
	return snowOf({ days, observer, airTemperature: null }, shares);
};

describe('days on which snow lies on some and not on others', () => {
	it('are one event of the array, and say nothing of single units', () => {
		const { events, covered } = look(snowy);
		expect(events).toEqual([
			expect.objectContaining({ kind: 'snow', since: days[3]!.date, until: days[8]!.date })
		]);
		// Half of the units at a fifth of the others.
		expect(events[0]!.loss!.lost).toBeCloseTo(6 * 3 * 2 * 0.8, 0);
		expect([...covered.get('u0')!.subarray(0, 12)]).toEqual([0, 0, 0, 1, 1, 1, 1, 1, 1, 0, 0, 0]);
	});

	it('cover a unit until it is back at its usual', () => {
		const { covered } = look((u, day) => (u === 2 && day < 20 ? 0.3 : snowy(u, day)));
		expect(covered.get('u2')![19]).toBe(1);
		expect(covered.get('u2')![20]).toBe(0);
	});

	it('are none where it cannot snow, where one unit alone is off, or where nobody knows the place', () => {
		expect(look(snowy, { latitude: 12, longitude: 5 }).events).toEqual([]);
		expect(look(snowy, null).events).toEqual([]);
		expect(look((u, day) => (u === 1 && day < 40 ? 0.4 : 1)).events).toEqual([]);
		// The same days of another hemisphere's summer.
		const summer = look((u, day) => snowy(u, day - 60), NORTH);
		expect(summer.events).toEqual([]);
		expect(look((u, day) => snowy(u, day - 60), SOUTH).events).toHaveLength(1);
	});
});

it('an event of a unit that begins with the snow and is over after it is the snow’s', () => {
	const { events } = look(snowy);
	expect(isOfSnow({ since: days[4]!.date, until: days[15]!.date }, events)).toBe(true);
	expect(isOfSnow({ since: days[4]!.date, until: null }, events)).toBe(false);
	expect(isOfSnow({ since: days[40]!.date, until: days[50]!.date }, events)).toBe(false);
});
