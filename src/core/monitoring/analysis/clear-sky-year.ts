import {
	clearSky,
	type Observer,
	onPlane,
	type Plane,
	type SkyIrradiance,
	sunPosition,
	type SunPosition
} from '../../conditions';
import type { Times } from '../series/grid';

/** The sun is computed so often, ms, and drawn straight in between. */
const EVERY = 900_000;

/**
 * Light that enters the glass of a plane under a clear sky, W/m2, for the course of a day: the beam less by its angle,
 * the rest as it falls. Against the site-years of another generator this course tells planes within 3 degrees; with a
 * modifier on the light around the sun as well it turns those that face east and west by 6 to 9 degrees to the south.
 */
export function clearIrradiance(sun: SunPosition, plane: Plane, sky: SkyIrradiance): number {
	const { effectiveBeam, sky: fromSky, ground } = onPlane(sun, plane, sky);
	return effectiveBeam + fromSky + ground;
}

/** Light that enters the glass of a plane under a clear sky, W/m2, in the middle of each step. */
export function clearSkyOn(observer: Observer, plane: Plane, times: Times): Float64Array {
	const irradiance = new Float64Array(times.count);
	const at = (instant: number) => {
		const sun = sunPosition(instant, observer);
		return sun.zenith >= 90 ? 0 : clearIrradiance(sun, plane, clearSky(sun));
	};
	if (times.step >= EVERY) {
		for (let t = 0; t < times.count; t++) irradiance[t] = at(times.start + t * times.step);
		return irradiance;
	}
	let knot = Number.NaN;
	let low = 0;
	let high = 0;
	for (let t = 0; t < times.count; t++) {
		const instant = times.start + t * times.step;
		const below = Math.floor(instant / EVERY) * EVERY;
		if (below !== knot) {
			low = below === knot + EVERY ? high : at(below);
			high = at(below + EVERY);
			knot = below;
		}
		irradiance[t] = low + ((high - low) * (instant - below)) / EVERY;
	}
	return irradiance;
}
