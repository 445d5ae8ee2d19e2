import { cosd } from '../units';
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

/** Linke turbidity of usual clear air; 2 is very clean, 5 hazy (common practice, no source). */
export const USUAL_TURBIDITY = 3;

/**
 * Clear sky with altitude and turbidity: Ineichen, Perez, A new airmass independent formulation for the
 * Linke turbidity coefficient, Solar Energy 73 (2002), equations 7 and 8 with the altitude corrections of the
 * same paper; not verified. Air mass after Kasten, Young, Applied Optics 28 (1989), not verified, corrected
 * for altitude by exp(-h/8435 m). The diffuse part is what the beam leaves of the global.
 *
 * @param altitude m above sea level
 * @param turbidity Linke turbidity at air mass 2, 1
 * @returns W/m2; zero while the sun is below the horizon
 */
export function clearSkyAt(
	sun: SunPosition,
	altitude: number,
	turbidity = USUAL_TURBIDITY
): SkyIrradiance {
	const cosine = cosd(sun.zenith);
	const above = extraterrestrial(sun);
	if (cosine <= 0) return { global: 0, direct: 0, diffuse: 0, extraterrestrial: above };
	const relative = 1 / (cosine + 0.50572 * (96.07995 - sun.zenith) ** -1.6364);
	const airMass = relative * Math.exp(-altitude / 8435);
	const fh1 = Math.exp(-altitude / 8000);
	const fh2 = Math.exp(-altitude / 1250);
	const cg1 = 5.09e-5 * altitude + 0.868;
	const cg2 = 3.92e-5 * altitude + 0.0387;
	const global =
		cg1 *
		above *
		cosine *
		Math.exp(-cg2 * airMass * (fh1 + fh2 * (turbidity - 1))) *
		Math.exp(0.01 * airMass ** 1.8);
	const b = 0.664 + 0.163 / fh1;
	const beam = b * above * Math.exp(-0.09 * airMass * (turbidity - 1));
	const most = (global * (1 - (0.1 - 0.2 * Math.exp(-turbidity)) / (0.1 + 0.88 / fh1))) / cosine;
	const direct = Math.min(beam, most, global / cosine);
	return { global, direct, diffuse: global - direct * cosine, extraterrestrial: above };
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
