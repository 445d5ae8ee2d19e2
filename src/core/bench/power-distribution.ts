import { clearSkyAt, onPlane, type Plane, sunPosition } from '../conditions';
import { millisOfClock, STC_IRRADIANCE } from '../units';

/** Where an array is, how it lies, and what a year brings it. */
export interface YearOfSun {
	/** Degrees, north positive. */
	readonly latitude: number;
	readonly plane: Plane;
	/** In the plane, hours of full sun a year (kWh/m2). */
	readonly sunHours: number;
}

const DAY = 86_400_000;
const STEP = DAY / 72;
/** Days between those of the year that are worked out. */
const EVERY = 10;
/** Light under clouds over that of the clear sky; Zembo default. */
const CLOUDY = 0.25;

/**
 * Loss of a year in a resistance over that of its hours of full sun at full power: the mean of the square of the power
 * over its mean, relative to full power. Hours are clear or cloudy, so many that the year has its hours of full sun;
 * current goes with the light.
 *
 * @returns 0 to 1 and a little; a plane with hardly any sun has that of a cloudy one
 */
export function squareOverMean({ latitude, plane, sunHours }: YearOfSun): number {
	let sum = 0;
	let squares = 0;
	const observer = { latitude, longitude: 0 };
	const start = millisOfClock(2025, 1, 1);
	for (let day = 0; day < 365; day += EVERY) {
		for (let at = start + day * DAY; at < start + (day + 1) * DAY; at += STEP) {
			const sun = sunPosition(at, observer);
			if (sun.zenith >= 90) continue;
			const share = onPlane(sun, plane, clearSkyAt(sun, 0)).effective / STC_IRRADIANCE;
			sum += share;
			squares += share ** 2;
		}
	}
	if (sum === 0) return CLOUDY;
	const clearHours = (sum * EVERY * STEP) / 3_600_000;
	const clear = Math.min(1, Math.max(0, (sunHours / clearHours - CLOUDY) / (1 - CLOUDY)));
	return ((clear + (1 - clear) * CLOUDY ** 2) * squares) / ((clear + (1 - clear) * CLOUDY) * sum);
}
