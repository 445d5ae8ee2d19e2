import {
	clearSky,
	type Observer,
	type Plane,
	sunPosition,
	type SunPosition
} from '../../conditions';
import { median, quantile } from '../../numerics';
import { HOUR, type MonitoredYear } from '../series/year';
import { clearIrradiance } from './clear-sky-year';

/** Length of a slot of the day, hours, and of a window of days over which the brightest of it is taken. */
const SLOT = 0.5;
const WINDOW = 20;
/** Of the values of a slot in a window this quantile stands for a clear sky. */
const CLEAR = 0.9;
/** Light of the clear sky that tells of a plane, W/m2, and share of nameplate. */
const LEAST_IRRADIANCE = 120;
const LEAST_SHARE = 0.05;
/** Of the moments with more than this share of nameplate no more than so many may lack light in a plane. */
const STRONG = 0.2;
const MOST_DARK = 0.1;
/** A plateau's samples say nothing of the light. */
const BELOW_PLATEAU = 0.95;
/** Planes that are tried, degrees; then around the best. */
const COARSE = { tilt: 10, azimuth: 20, steepest: 70 };
const FINER = [
	{ reach: { tilt: 10, azimuth: 20 }, step: 5 },
	{ reach: { tilt: 4, azimuth: 4 }, step: 2 }
] as const;
/** Relative spread of power over light above which no plane explains the course, and up to which it is worth recording; judgement. */
const FITS = 0.5;
const OFFERED = 0.2;
/** Cells are hotter in more light: power falls by so much for 1000 W/m2; usual silicon, 30 K (common practice). */
const HEATING = 0.12;
/**
 * A plane is told by the course of its days first: from season to season soiling, haze and age change the level too.
 * So much the less the seasons count; judgement, from years of two other generators.
 */
const BY_SEASON = 0.3;
/** Fewest slots. */
const FEWEST = 40;

/** A plane inferred from the course of clear days. */
export interface InferredPlane extends Plane {
	/** Relative spread of the power over the light of that plane: how well it fits. */
	readonly spread: number;
	/** Whether it fits so well that it can be offered for the record. */
	readonly offered: boolean;
}

/**
 * The plane in which some units lie, by the brightest value of each half hour through the year against the clear
 * sky in planes of every tilt and azimuth.
 *
 * @param share power over nameplate by time; NaN where it does not count
 * @param plateau share at which they are cut off; Infinity where they are not
 * @param shift what has to be added to the times of samples for their middles, ms
 * @returns null where no plane explains the course, or too little of the year is there
 */
export function orientationOf(
	{ times, days }: Pick<MonitoredYear, 'times' | 'days'>,
	observer: Observer,
	share: Float64Array,
	plateau: number,
	shift: number
): InferredPlane | null {
	const points = brightest({ times, days }, observer, share, plateau, shift);
	if (points.length < FEWEST) return null;
	const found = planeOf(points);
	return found.spread <= FITS ? { ...found, offered: found.spread <= OFFERED } : null;
}

/** The plane whose light goes best with the power. */
function planeOf(points: readonly Point[]): Plane & { readonly spread: number } {
	let best = { tilt: 0, azimuth: 0, spread: Infinity, misfit: Infinity };
	const consider = (plane: Plane) => {
		const ratios = ratiosIn(points, plane);
		if (ratios === null) return;
		const spread = spreadOf(ratios.flat());
		const misfit = spreadOf(ratios.flatMap(overMedian)) + BY_SEASON * spread;
		if (misfit < best.misfit) best = { ...plane, spread, misfit };
	};
	for (let tilt = 0; tilt <= COARSE.steepest; tilt += COARSE.tilt) {
		for (let azimuth = 0; azimuth < 360; azimuth += tilt === 0 ? 360 : COARSE.azimuth) {
			consider({ tilt, azimuth });
		}
	}
	for (const { reach, step } of FINER) {
		const { tilt, azimuth } = best;
		for (
			let t = Math.max(0, tilt - reach.tilt);
			t <= Math.min(COARSE.steepest, tilt + reach.tilt);
			t += step
		) {
			for (let a = azimuth - reach.azimuth; a <= azimuth + reach.azimuth; a += step) {
				consider({ tilt: t, azimuth: (a + 360) % 360 });
			}
		}
	}
	return best;
}

/** Power over the light of a plane, by window of days; null where the plane gets no light while there is power. */
function ratiosIn(points: readonly Point[], plane: Plane): number[][] | null {
	const windows: number[][] = [];
	let count = 0;
	let strong = 0;
	let dark = 0;
	for (const { sun, sky, value, window } of points) {
		const irradiance = clearIrradiance(sun, plane, sky);
		// Power without light: the plane looks the other way.
		if (value > STRONG) {
			strong++;
			if (irradiance < LEAST_IRRADIANCE) dark++;
		}
		if (irradiance < LEAST_IRRADIANCE) continue;
		count++;
		(windows[window] ??= []).push(value / (irradiance * (1 - (HEATING * irradiance) / 1000)));
	}
	if (dark > MOST_DARK * strong || count < 0.5 * points.length) return null;
	return windows.filter((some) => some.length > 0);
}

function overMedian(ratios: readonly number[]): number[] {
	const middle = median(ratios);
	return ratios.map((ratio) => ratio / middle);
}

/** Spread of some ratios, relative: of their middle, and of their tails. */
function spreadOf(ratios: readonly number[]): number {
	const sorted = Float64Array.from(ratios).sort();
	const middle = median(sorted);
	const deviation = median(ratios.map((ratio) => Math.abs(ratio - middle)));
	const tails = quantile(sorted, 0.9) - quantile(sorted, 0.1);
	return (1.4826 * deviation + tails / 4) / middle;
}

interface Point {
	readonly sun: SunPosition;
	readonly sky: ReturnType<typeof clearSky>;
	readonly value: number;
	/** Number of its window of days. */
	readonly window: number;
}

/** The brightest of each half hour of each window of days, with the sun in its middle. */
function brightest(
	{ times, days }: Pick<MonitoredYear, 'times' | 'days'>,
	observer: Observer,
	share: Float64Array,
	plateau: number,
	shift: number
): Point[] {
	const points: Point[] = [];
	const slots = 24 / SLOT;
	for (let begin = 0; begin < days.length; begin += WINDOW) {
		const some = days.slice(begin, begin + WINDOW);
		if (some.length < WINDOW / 2) continue;
		const values = Array.from({ length: slots }, (): number[] => []);
		for (const { from, to } of some) {
			for (let t = from; t < to; t++) {
				if (Number.isNaN(share[t]!)) continue;
				const slot = Math.floor(((times.start + t * times.step) % (24 * HOUR)) / (SLOT * HOUR));
				values[slot]!.push(share[t]!);
			}
		}
		const middle = some[Math.floor(some.length / 2)]!;
		const midnight = Math.floor((times.start + middle.from * times.step) / (24 * HOUR)) * 24 * HOUR;
		values.forEach((list, slot) => {
			if (list.length < 5) return;
			const value = quantile(list, CLEAR);
			if (value < LEAST_SHARE || value > BELOW_PLATEAU * plateau) return;
			// The first sample of a slot stands at its beginning, the last one a step before its end.
			const within = Math.max(0, (SLOT * HOUR - times.step) / 2);
			const instant = midnight + slot * SLOT * HOUR + within + shift;
			const sun = sunPosition(instant, observer);
			if (sun.zenith >= 88) return;
			points.push({ sun, sky: clearSky(sun), value, window: begin / WINDOW });
		});
	}
	return points;
}
