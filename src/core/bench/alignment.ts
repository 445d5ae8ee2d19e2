import { fromShadow } from '../conditions/shadow';
import type { Shadow } from './pile';

/** How the light on a module compares with that on the reference module, by the angles at which they lie. */
export interface Alignment {
	/** Light on the module over that on the reference module. */
	readonly factor: number;
	/** Standard uncertainty of the factor, relative. */
	readonly uncertainty: number;
	/** By shadows, by somebody who made sure, or taken for granted. */
	readonly by: 'shadow' | 'same-plane' | 'not-checked';
}

/**
 * Two modules that were laid side by side without a look at their angles differ by some 7 degrees (standard
 * uncertainty), with the sun at 45 degrees to the glass; Zembo default.
 */
const NOT_CHECKED = 0.12;
/** Those that were made sure to lie in one plane still differ by a degree; Zembo default. */
const SAME_PLANE = 0.015;
/** A stick and its shadow tell the angle within 2 degrees, standard uncertainty; Zembo default. */
const BY_SHADOW = (2 * Math.PI) / 180;
/** Share of a clear day's light that comes evenly from the sky, whatever the angle; as for irradiance by shadow. Zembo default. */
const EVEN = 0.08;

/**
 * What the angles of a module and of the reference module make of the light.
 *
 * @param own of the stick on the module, @param reference of the stick on the reference module
 */
export function alignmentOf(
	own: Shadow | undefined,
	reference: Shadow | undefined,
	samePlane: boolean
): Alignment {
	if (!own || !reference) {
		return samePlane
			? { factor: 1, uncertainty: SAME_PLANE, by: 'same-plane' }
			: { factor: 1, uncertainty: NOT_CHECKED, by: 'not-checked' };
	}
	const [there, here] = [lightAt(own), lightAt(reference)];
	return {
		factor: there.light / here.light,
		uncertainty: Math.hypot(there.uncertainty, here.uncertainty),
		by: 'shadow'
	};
}

/** Light at the angle of a shadow over that square to the sun. */
function lightAt({ height, length }: Shadow): { light: number; uncertainty: number } {
	const { angle, beamShare } = fromShadow(height, length);
	const light = EVEN + (1 - EVEN) * beamShare;
	const change = (1 - EVEN) * Math.sin((angle * Math.PI) / 180);
	// Square to the sun the angle's own uncertainty changes the light in second order.
	return {
		light,
		uncertainty: Math.max((change * BY_SHADOW) / light, BY_SHADOW ** 2)
	};
}
