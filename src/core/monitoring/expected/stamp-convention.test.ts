import { describe, expect, it } from 'vitest';
import { randomFrom } from '../../numerics';
import { clearHours } from './production';
import { CONVENTIONS, conventionOf, stampedBy } from './stamp-convention';

const PLACE = { latitude: 52, longitude: 8 };
const HOUR = 3_600_000;
/** A year of hours under clouds that come and go, at their true middles. */
function cloudy(seed: number, unrest = 0.12) {
	const random = randomFrom(seed);
	let cover = 0.5;
	return clearHours(Date.UTC(2025, 0, 1), Date.UTC(2026, 0, 1), PLACE, 10).map((hour) => {
		cover = Math.max(0, Math.min(1, cover + unrest * random.normal()));
		return { ...hour, global: hour.global * (1 - 0.75 * cover) };
	});
}
/** As they are read, stamps being taken for beginnings. */
const OFF = { beginning: 0, middle: HOUR / 2, end: HOUR } as const;

describe('what the times of a weather file stand for', () => {
	it.each(CONVENTIONS)('is found by the sun: the %s of the hour', (convention) => {
		for (let seed = 1; seed <= 5; seed++) {
			const hours = cloudy(seed);
			const read = hours.map((hour) => ({ ...hour, at: hour.at + OFF[convention] }));
			expect(conventionOf(read, PLACE)).toBe(convention);
			expect(stampedBy(read, convention).map(({ at }) => at)).toEqual(hours.map(({ at }) => at));
		}
	});

	it('is never the wrong end of the hour, however the clouds come and go', () => {
		for (let seed = 1; seed <= 6; seed++) {
			const read = cloudy(seed, 0.5).map((hour) => ({ ...hour, at: hour.at + OFF.end }));
			expect([null, 'end', 'middle']).toContain(conventionOf(read, PLACE));
		}
	});

	it('is not said of a few days, or of no light', () => {
		const hours = cloudy(1);
		expect(conventionOf(hours.slice(0, 48), PLACE)).toBeNull();
		expect(
			conventionOf(
				hours.map((hour) => ({ ...hour, global: 0 })),
				PLACE
			)
		).toBeNull();
	});
});
