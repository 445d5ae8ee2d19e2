import { clearSky, type Observer, sunPosition } from '../../conditions';
import type { WeatherHour } from './weather';

/** What the time of an hour of weather stands for. */
export const CONVENTIONS = ['beginning', 'middle', 'end'] as const;
export type Convention = (typeof CONVENTIONS)[number];

const HOUR = 3_600_000;
/** What moves hours that were read as stamped at their beginnings to their true middles, ms. */
const SHIFT: Readonly<Record<Convention, number>> = {
	beginning: 0,
	middle: -HOUR / 2,
	end: -HOUR
};
/** Fewest hours with sun: some weeks. */
const FEWEST = 200;
/** The next best convention must leave so much more of the light unexplained for the best to be believed. */
const CLEARLY = 1.01;

/**
 * Whether the hours of a weather file are stamped at their beginnings, middles or ends, by the sun: clouds come in
 * the morning as well as in the afternoon, so the light follows the sun's height best at its true times.
 *
 * @param hours as read from stamps taken for beginnings
 * @returns null where the hours do not tell
 */
export function conventionOf(hours: readonly WeatherHour[], observer: Observer): Convention | null {
	const unexplained = CONVENTIONS.map((convention) => {
		let n = 0;
		let [sx, sy, sxx, syy, sxy] = [0, 0, 0, 0, 0];
		for (const { at, global } of hours) {
			const sky = clearSky(sunPosition(at + SHIFT[convention], observer)).global;
			if (sky <= 0 && global <= 0) continue;
			n++;
			sx += sky;
			sy += global;
			sxx += sky ** 2;
			syy += global ** 2;
			sxy += sky * global;
		}
		const [vx, vy, cxy] = [n * sxx - sx ** 2, n * syy - sy ** 2, n * sxy - sx * sy];
		return { convention, n, left: vx > 0 && vy > 0 ? 1 - cxy ** 2 / (vx * vy) : 1 };
	}).sort((a, b) => a.left - b.left);
	const [best, next] = unexplained;
	return best!.n >= FEWEST && next!.left >= CLEARLY * best!.left ? best!.convention : null;
}

/** The hours at the middles that a convention gives them. */
export function stampedBy(
	hours: readonly WeatherHour[],
	convention: Convention
): readonly WeatherHour[] {
	const shift = SHIFT[convention];
	return shift === 0 ? hours : hours.map((hour) => ({ ...hour, at: hour.at + shift }));
}
