import { solarLongitude } from '../../conditions';
import { millisOfClock } from '../../units';

const DAY = 86_400_000;

const SEASON_POINTS = [
	{ words: 'March equinox', longitude: 0, near: [3, 20] },
	{ words: 'June solstice', longitude: 90, near: [6, 21] },
	{ words: 'September equinox', longitude: 180, near: [9, 22] },
	{ words: 'December solstice', longitude: 270, near: [12, 21] }
] as const;

/** An equinox or a solstice. */
export interface SeasonPoint {
	readonly words: string;
	/** ms since 1970-01-01 UTC */
	readonly at: number;
}

/**
 * The two equinoxes and two solstices of a year: when the sun's apparent longitude is a multiple of 90
 * degrees. Within about a minute between 1950 and 2050, as {@link solarLongitude}.
 */
export function seasonPoints(year: number): SeasonPoint[] {
	return SEASON_POINTS.map(({ words, longitude, near: [month, day] }) => {
		let low = millisOfClock(year, month, day) - 4 * DAY;
		let high = low + 8 * DAY;
		const past = (instant: number) =>
			((solarLongitude(instant) - longitude + 540) % 360) - 180 >= 0;
		while (high - low > 1000) {
			const middle = (low + high) / 2;
			if (past(middle)) high = middle;
			else low = middle;
		}
		return { words, at: high };
	});
}
