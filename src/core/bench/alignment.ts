import { irradianceAtAngle, type IrradianceAtAngle } from '../conditions';
import type { Shadow } from './module-batch';

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
/** Square to the sun an error of the angle tells in second order alone; Zembo default. */
const LEAST = 0.001;
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
	const [there, here] = [own, reference].map(({ height, length }) =>
		irradianceAtAngle(height, length)
	) as [IrradianceAtAngle, IrradianceAtAngle];
	return {
		factor: there.share / here.share,
		// The sky over both is the same: what is unsure of it weighs by what their shares differ.
		uncertainty: Math.hypot(there.byAngle, here.byAngle, there.bySky - here.bySky, LEAST),
		by: 'shadow'
	};
}
