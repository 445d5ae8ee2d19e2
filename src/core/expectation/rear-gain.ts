import type { Conditions } from '../conditions';
import type { ModuleType } from '../record';
import { REAR_GAIN } from './allowances';

/** Sources that already include what the rear receives, since modules of the array gave them. */
const INCLUDES_REAR: readonly Conditions['irradiance']['source'][] = ['control-module', 'siblings'];

/**
 * What a bifacial module generates from its rear, as a gain on the irradiance of its front; the group's
 * own currents narrow it down.
 *
 * @returns mean and standard uncertainty, 1; 0 for a module that is not recorded as bifacial
 */
export function rearGain(
	{ limits }: Pick<ModuleType, 'limits'>,
	{ irradiance }: Pick<Conditions, 'irradiance'>
): { readonly value: number; readonly uncertainty: number } {
	if (limits.bifacial !== true || INCLUDES_REAR.includes(irradiance.source)) {
		return { value: 0, uncertainty: 0 };
	}
	return REAR_GAIN;
}
