import { degrees } from '../units/angle';

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
