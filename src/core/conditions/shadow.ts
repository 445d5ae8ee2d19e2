import { degrees, sind } from '../units';

/** What the shadow of an object held square to the glass says. */
export interface ShadowReading {
	/** Between the sun and the normal of the glass, degrees. */
	readonly angle: number;
	/** Of a beam square to the glass that reaches it at this angle, 0 to 1: the cosine. */
	readonly beamShare: number;
}

/**
 * The sun's angle off the glass from a stick: tan(angle) = shadow length / object height. The object
 * stands square to the glass, not plumb. Geometry.
 *
 * @param height of the object above the glass, in any unit of length, above 0
 * @param shadow on the glass, in the same unit, 0 or more
 */
export function fromShadow(height: number, shadow: number): ShadowReading {
	const radians = Math.atan2(shadow, height);
	return { angle: degrees(radians), beamShare: Math.cos(radians) };
}

/**
 * Share of the light on a clear day that comes evenly from the sky; a further 5 % come from close around the
 * sun and fall with the cosine as the beam does. Zembo default.
 */
const EVEN_SHARE = 0.08;
/** Standard uncertainty of the even share; Zembo default. */
const EVEN_SHARE_UNCERTAINTY = 0.05;
/** Standard uncertainty of the angle that a stick and a ruler give, radians (2 degrees); Zembo default. */
const ANGLE_UNCERTAINTY = (2 * Math.PI) / 180;

/** What a glass receives at the angle of a shadow. */
export interface IrradianceAtAngle extends ShadowReading {
	/** Light over that square to the sun, 0 to 1. */
	readonly share: number;
	/** Relative standard uncertainties of the share, by the angle and by the sky. */
	readonly byAngle: number;
	readonly bySky: number;
}

/**
 * Light at the angle of a shadow: beam and circumsolar light fall with the cosine, the rest of the sky's does not. The
 * cosine changes by tan(angle) per radian, so its uncertainty grows with the angle.
 *
 * @param height of the object, and @param shadow its length, in one unit as for {@link fromShadow}
 */
export function irradianceAtAngle(height: number, shadow: number): IrradianceAtAngle {
	const { angle, beamShare } = fromShadow(height, shadow);
	const share = EVEN_SHARE + (1 - EVEN_SHARE) * beamShare;
	return {
		angle,
		beamShare,
		share,
		byAngle: ((1 - EVEN_SHARE) * sind(angle) * ANGLE_UNCERTAINTY) / share,
		bySky: (EVEN_SHARE_UNCERTAINTY * (1 - beamShare)) / share
	};
}
