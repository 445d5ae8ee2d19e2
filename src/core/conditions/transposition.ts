import { extraterrestrial, sunPosition, type Observer } from './sun';
import { cosd } from '../units';
import { clearSkyAt, diffuseShare, type SkyIrradiance } from './clear-sky';
import { incidenceAngle, onPlane, type Plane } from './plane';

/** The sun must stand this high for a transposition to tell anything, degrees; Zembo default. */
const LOWEST_SUN = 10;
/** Beyond this angle of incidence a plane receives hardly any beam to measure the sky by, degrees. */
const GRAZING = 80;
/** Relative standard uncertainty: the sky model itself, and a share of the logarithm of the ratio; Zembo default. */
const UNCERTAINTY = { sky: 0.03, perLogRatio: 0.25 };
const ROUNDS = 5;

/** Irradiance of one plane from that measured on another at the same moment. */
export interface Transposed {
	/** W/m2 */
	readonly value: number;
	/** Of the transposition alone, 1. */
	readonly relativeStandardUncertainty: number;
}

/**
 * The sky that would give the measured irradiance on one plane is looked for between overcast and clear
 * (diffuse share after Erbs, Klein, Duffie, Solar Energy 28, 1982, not verified), then put on the other plane
 * ({@link onPlane}).
 *
 * @param measured plane-of-array irradiance on the first plane, W/m2
 * @param instant UTC, ms since 1970-01-01
 * @returns null where the sun is too low or the first plane faces away from it
 */
export function transposeIrradiance(
	measured: number,
	from: Plane,
	to: Plane,
	instant: number,
	observer: Observer
): Transposed | null {
	const sun = sunPosition(instant, observer);
	if (90 - sun.zenith < LOWEST_SUN || incidenceAngle(sun, from) > GRAZING) return null;
	const above = extraterrestrial(sun);
	const cosine = cosd(sun.zenith);
	const skyOf = (global: number): SkyIrradiance => {
		const diffuse = global * diffuseShare(Math.min(1, global / (above * cosine)));
		return { global, diffuse, direct: (global - diffuse) / cosine, extraterrestrial: above };
	};
	let global = clearSkyAt(sun, observer.altitude ?? 0).global;
	for (let round = 0; round < ROUNDS; round++) {
		const there = onPlane(sun, from, skyOf(global)).effective;
		global = Math.min(Math.max((global * measured) / there, 1), 1.1 * above * cosine);
	}
	const sky = skyOf(global);
	const ratio = onPlane(sun, to, sky).effective / onPlane(sun, from, sky).effective;
	return {
		value: measured * ratio,
		relativeStandardUncertainty: Math.hypot(
			UNCERTAINTY.sky,
			UNCERTAINTY.perLogRatio * Math.log(ratio)
		)
	};
}
