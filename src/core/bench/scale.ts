import { clearSkyAt, type Observer, onPlane, type Plane, sunPosition } from '../conditions';
import { STC_IRRADIANCE } from '../units';

/** A group of modules as it was measured, and the array that it is to become. */
export interface ScaleAsk {
	/** Power of the measured group at its maximum, W, and irradiance on it, W/m2. */
	readonly power: number;
	readonly irradiance: number;
	readonly modules: number;
	/** Planes of the larger array. */
	readonly planes: readonly (Plane & { readonly modules: number })[];
	readonly observer: Observer;
	/** Instant of the day whose clear sky is asked, ms since 1970-01-01 UTC. */
	readonly day: number;
	/** Battery voltage while it charges, V; null where there is none. */
	readonly batteryVoltage: number | null;
	/** Battery capacity, Ah; null where it is not asked. */
	readonly capacity: number | null;
}

/** What one plane of the larger array gives. */
interface ScaledPlane {
	/** In full sun at right angles, W. */
	readonly fullSun: number;
	/** Highest on the clear day, W, and when, ms. */
	readonly peak: number;
	readonly peakAt: number;
	/** On the clear day, kWh. */
	readonly energy: number;
}

export interface ScaleAnswer {
	readonly planes: readonly ScaledPlane[];
	/** All planes in full sun, W: never reached together where they face different ways. */
	readonly fullSun: number;
	/** Highest of all planes at one moment of the clear day, W, and when. */
	readonly peak: number;
	readonly peakAt: number;
	readonly energy: number;
	/** Charge current at that peak, A, and over the capacity, 1/h; null where no battery is asked. */
	readonly current: number | null;
	readonly cRate: number | null;
}

const STEP = 10 * 60_000;
const DAY = 24 * 60 * 60_000;

/**
 * A measured group scaled to a larger array over several planes: power goes with the modules and with the
 * irradiance on each plane under a clear sky at one moment (module temperature as measured; losses of cables and
 * conversion not included).
 */
export function scaleGroup(ask: ScaleAsk): ScaleAnswer {
	const perModule = (ask.power / ask.modules) * (STC_IRRADIANCE / ask.irradiance);
	const midnight = Math.floor(ask.day / DAY) * DAY;
	// The sun's day is over the observer's longitude, not the clock's.
	const start = midnight - (ask.observer.longitude / 360) * DAY;
	const moments = Array.from({ length: DAY / STEP + 1 }, (_, i) => start + i * STEP);
	const courses = ask.planes.map((plane) =>
		moments.map((at) => {
			const sun = sunPosition(at, ask.observer);
			const { effective } = onPlane(sun, plane, clearSkyAt(sun, 0));
			return (perModule * plane.modules * Math.max(effective, 0)) / STC_IRRADIANCE;
		})
	);
	const together = moments.map((_, i) => courses.reduce((sum, course) => sum + course[i]!, 0));
	const best = (course: readonly number[]) => {
		const peak = Math.max(...course);
		return { peak, peakAt: moments[course.indexOf(peak)]! };
	};
	const energyOf = (course: readonly number[]) =>
		(course.reduce((sum, power) => sum + power, 0) * STEP) / 3.6e9;
	const whole = best(together);
	const current = ask.batteryVoltage === null ? null : whole.peak / ask.batteryVoltage;
	return {
		planes: ask.planes.map((plane, p) => ({
			fullSun: perModule * plane.modules,
			...best(courses[p]!),
			energy: energyOf(courses[p]!)
		})),
		fullSun: ask.planes.reduce((sum, { modules }) => sum + perModule * modules, 0),
		...whole,
		energy: energyOf(together),
		current,
		cRate: current === null || ask.capacity === null ? null : current / ask.capacity
	};
}

/** Solar time at a longitude (deg, east positive), "09:40"; the sun's noon is near 12:00. */
export function solarTime(at: number, longitude: number): string {
	const minutes = Math.round(at / 60_000 + longitude * 4) % (24 * 60);
	const two = (value: number) => String(value).padStart(2, '0');
	return `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
}
