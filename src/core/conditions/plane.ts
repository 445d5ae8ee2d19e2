import { cosd, degrees, sind } from '../units/angle';
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

/** What falls on a plane, W/m2. */
export interface PlaneIrradiance {
	readonly beam: number;
	readonly sky: number;
	readonly ground: number;
	/** All of it. */
	readonly total: number;
	/** What of it enters the glass, by {@link incidenceModifier} on the beam. */
	readonly effective: number;
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
	const sky = diffuse * (anisotropy * projection + ((1 - anisotropy) * (1 + cosd(plane.tilt))) / 2);
	const ground = (global * albedo * (1 - cosd(plane.tilt))) / 2;
	const modifier = incidenceModifier(angle);
	return {
		beam,
		sky,
		ground,
		total: beam + sky + ground,
		effective: beam * modifier + sky + ground
	};
}
