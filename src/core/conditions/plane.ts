import { cosd, degrees, sind } from '../units';
import type { SkyIrradiance } from './clear-sky';
import type { SunPosition } from './sun';

/** How modules lie. */
export interface Plane {
	/** From the horizontal, degrees. */
	readonly tilt: number;
	/** Where the glass looks, from north by east, degrees. */
	readonly azimuth: number;
}

/** Angle between the sun's rays and the normal of a plane, degrees, 0 to 180. */
export function incidenceAngle({ zenith, azimuth }: SunPosition, plane: Plane): number {
	const cosine =
		cosd(zenith) * cosd(plane.tilt) +
		sind(zenith) * sind(plane.tilt) * cosd(azimuth - plane.azimuth);
	return degrees(Math.acos(Math.max(-1, Math.min(1, cosine))));
}

/** Glass of a module: index of refraction, extinction in 1/m and thickness in m. */
const GLASS = { index: 1.526, extinction: 4, thickness: 0.002 };

/**
 * Share of the beam that still enters through the glass at an angle, 1 at right angles.
 * De Soto et al. (2006), equations 2 and 3: Snell, Fresnel and Bouguer for one sheet of glass.
 *
 * @param angle of incidence, degrees
 */
export function incidenceModifier(angle: number): number {
	if (angle >= 90) return 0;
	return transmittance(Math.max(angle, 1e-3)) / transmittance(1e-3);
}

function transmittance(angle: number): number {
	const refracted = degrees(Math.asin(sind(angle) / GLASS.index));
	const minus = refracted - angle;
	const plus = refracted + angle;
	const reflected =
		0.5 *
		(sind(minus) ** 2 / sind(plus) ** 2 +
			(sind(minus) / cosd(minus)) ** 2 / (sind(plus) / cosd(plus)) ** 2);
	return Math.exp((-GLASS.extinction * GLASS.thickness) / cosd(refracted)) * (1 - reflected);
}

/**
 * Angles of incidence at which a beam loses as much at the glass as even light from the whole sky and from the
 * ground does, degrees, on a plane of a tilt in degrees: Brandemuehl, Beckman, Solar Energy 24 (1980), from memory.
 */
const EVEN_ANGLE = {
	sky: (tilt: number) => 59.7 - 0.1388 * tilt + 0.001497 * tilt ** 2,
	ground: (tilt: number) => 90 - 0.5788 * tilt + 0.002693 * tilt ** 2
};

/** Modifiers of even light for each degree of tilt from flat to upright; drawn straight in between. */
const EVEN_MODIFIER = {
	sky: Array.from({ length: 91 }, (_, tilt) => incidenceModifier(EVEN_ANGLE.sky(tilt))),
	ground: Array.from({ length: 91 }, (_, tilt) => incidenceModifier(EVEN_ANGLE.ground(tilt)))
};

/**
 * Share of even light that enters the glass, 1 for a beam at right angles.
 *
 * @param tilt degrees; beyond upright as upright
 */
export function diffuseModifier(from: 'sky' | 'ground', tilt: number): number {
	const within = Math.min(Math.max(tilt, 0), 90);
	const below = Math.min(Math.floor(within), 89);
	const table = EVEN_MODIFIER[from];
	return table[below]! + (within - below) * (table[below + 1]! - table[below]!);
}

/** What falls on a plane, W/m2. */
export interface PlaneIrradiance {
	readonly beam: number;
	readonly sky: number;
	readonly ground: number;
	/** All of it. */
	readonly total: number;
	/**
	 * What of it enters the glass: beam and the light around the sun by {@link incidenceModifier}, even light by
	 * {@link diffuseModifier}.
	 */
	readonly effective: number;
	/** What of the beam alone enters it. */
	readonly effectiveBeam: number;
}

/** Of usual ground (common practice). */
const ALBEDO = 0.2;

/**
 * Irradiance on a plane by the model of Hay and Davies: the sky's light comes in part from around the
 * sun, by the beam's share of what is above the air, and in part evenly.
 * Hay, Davies, Calculation of the solar radiation incident on an inclined surface (1980), from memory.
 */
export function onPlane(
	sun: SunPosition,
	plane: Plane,
	{ direct, diffuse, global, extraterrestrial }: SkyIrradiance,
	albedo = ALBEDO
): PlaneIrradiance {
	const angle = incidenceAngle(sun, plane);
	const facing = Math.max(cosd(angle), 0);
	const anisotropy = extraterrestrial > 0 ? direct / extraterrestrial : 0;
	const projection = facing / Math.max(cosd(sun.zenith), 0.01745);
	const beam = direct * facing;
	const aroundSun = diffuse * anisotropy * projection;
	const even = (diffuse * (1 - anisotropy) * (1 + cosd(plane.tilt))) / 2;
	const sky = aroundSun + even;
	const ground = (global * albedo * (1 - cosd(plane.tilt))) / 2;
	const modifier = incidenceModifier(angle);
	return {
		beam,
		sky,
		ground,
		total: beam + sky + ground,
		effective:
			(beam + aroundSun) * modifier +
			even * diffuseModifier('sky', plane.tilt) +
			ground * diffuseModifier('ground', plane.tilt),
		effectiveBeam: beam * modifier
	};
}
