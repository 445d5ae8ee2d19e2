import { describe, expect, it } from 'vitest';
import { randomFrom } from '../numerics';
import { DrawnSky } from './sky';

const OBSERVER = { latitude: 54, longitude: 0 };
const PLANE = { tilt: 30, azimuth: 180 };
const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const JUNE = Math.floor(Date.UTC(2026, 5, 21) / DAY);
const DECEMBER = Math.floor(Date.UTC(2026, 11, 21) / DAY);

const skyOf = (
	seed: number,
	kinds: readonly (readonly [number, 'clear' | 'mixed' | 'overcast'])[] = []
) => new DrawnSky(OBSERVER, PLANE, randomFrom(seed), new Map(kinds));
/** Each quarter of an hour of a day. */
const dayOf = (sky: DrawnSky, day: number) =>
	Array.from({ length: 96 }, (_, n) => ({ n, now: sky.at(day * DAY + n * (HOUR / 4)) }));
const energy = (list: ReturnType<typeof dayOf>) =>
	list.reduce((sum, { now }) => sum + (now.beam + now.diffuse) / 4, 0);

describe('weather that is drawn', () => {
	it('is the same for the same seed', () => {
		expect(dayOf(skyOf(3), JUNE)).toEqual(dayOf(skyOf(3), JUNE));
		expect(dayOf(skyOf(3), JUNE)).not.toEqual(dayOf(skyOf(4), JUNE));
	});

	it('has nights without light, in which cells are as warm as the air', () => {
		for (const { n, now } of dayOf(skyOf(5), DECEMBER)) {
			if (n > 8 && n < 90) continue;
			expect(now).toMatchObject({ beam: 0, diffuse: 0 });
			expect(now.cell).toBe(now.air);
		}
	});

	it('never has less light than none, nor more than a clear sky and its clouds give', () => {
		for (let seed = 1; seed <= 10; seed++) {
			for (const { now } of dayOf(skyOf(seed), JUNE)) {
				expect(now.beam).toBeGreaterThanOrEqual(0);
				expect(now.diffuse).toBeGreaterThanOrEqual(0);
				expect(now.beam + now.diffuse).toBeLessThan(1500);
				expect(now.cell).toBeGreaterThanOrEqual(now.air);
			}
		}
	});

	it('has more light on a clear day than under clouds, and in June than in December', () => {
		const on = (day: number, kind: 'clear' | 'overcast') =>
			energy(dayOf(skyOf(9, [[day, kind]]), day));
		expect(on(JUNE, 'clear')).toBeGreaterThan(2 * on(JUNE, 'overcast'));
		expect(on(JUNE, 'clear')).toBeGreaterThan(2 * on(DECEMBER, 'clear'));
		// A clear midsummer day on a tilted plane at 54 degrees: 7 to 9 kWh/m2.
		expect(on(JUNE, 'clear')).toBeGreaterThan(6500);
		expect(on(JUNE, 'clear')).toBeLessThan(9500);
	});

	it('is even about noon on a clear day', () => {
		const day = dayOf(skyOf(9, [[JUNE, 'clear']]), JUNE);
		const at = (n: number) => day[n]!.now.beam + day[n]!.now.diffuse;
		for (let n = 4; n <= 20; n += 4) {
			expect(at(48 + n) / at(48 - n)).toBeGreaterThan(0.9);
			expect(at(48 + n) / at(48 - n)).toBeLessThan(1.1);
		}
	});
});
