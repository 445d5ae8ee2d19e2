import { cosd } from '../units/angle';
import { extraterrestrial, type SunPosition } from './sun';

/** Irradiance under an open sky, W/m2. */
export interface SkyIrradiance {
	/** On the level ground. */
	readonly global: number;
	/** Square to the sun. */
	readonly direct: number;
	/** From the sky, on the level ground. */
	readonly diffuse: number;
	/** Above the air, square to the sun. */
	readonly extraterrestrial: number;
}

/**
 * Clear sky after Haurwitz, Insolation in relation to cloudiness and cloud density, Journal of
 * Meteorology 2 (1945): 1098 cos z exp(-0.057/cos z) W/m2 on the level (from memory); split by
 * {@link diffuseShare}.
 */
export function clearSky(sun: SunPosition): SkyIrradiance {
	const cosine = cosd(sun.zenith);
	const above = extraterrestrial(sun);
	if (cosine <= 0) return { global: 0, direct: 0, diffuse: 0, extraterrestrial: above };
	const global = 1098 * cosine * Math.exp(-0.057 / cosine);
	const diffuse = global * diffuseShare(global / (above * cosine));
	return { global, direct: (global - diffuse) / cosine, diffuse, extraterrestrial: above };
}

/**
 * Share of the global irradiance that is diffuse, by clearness kt.
 * Erbs, Klein, Duffie, Solar Energy 28 (1982), from memory.
 */
export function diffuseShare(kt: number): number {
	if (kt <= 0.22) return 1 - 0.09 * kt;
	if (kt <= 0.8) {
		return 0.9511 - 0.1604 * kt + 4.388 * kt ** 2 - 16.638 * kt ** 3 + 12.336 * kt ** 4;
	}
	return 0.165;
}
