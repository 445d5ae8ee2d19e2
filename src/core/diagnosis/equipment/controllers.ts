import { rateOf } from '../../faults';
import { controllerFits } from '../../design-checks';
import { statesOf, type EquipmentCase } from './equipment-case';
import type { EquipmentBasis } from './basis';

/** What the labels say of a controller is right so many times to one. */
const LABELS_TELL = 2000;

/** Charge controllers against the strings they serve, by their labels: hot volts, and what PWM throws away. */
export function mismatchedControllers({ record, rates }: EquipmentBasis): EquipmentCase[] {
	const fits = controllerFits(record);
	return [...new Set(fits.map(({ part }) => part))].map((part): EquipmentCase => {
		const own = fits.filter((one) => one.part === part);
		const unfit = own.filter((one) => !one.fits);
		return {
			place: { part },
			where: `${own[0]!.mark} with ${(unfit.length > 0 ? unfit : own).map(({ strings }) => strings).join(', ')}`,
			states: statesOf([
				{
					code: 'controller-mismatch',
					prior: rateOf('controller-mismatch', rates),
					said: unfit.length > 0 ? LABELS_TELL : 1 / LABELS_TELL
				}
			]),
			probes: [],
			beside: true,
			reasons: own.map((one) => ({
				readingId: null,
				weighs: one.fits ? ('against' as const) : ('for' as const),
				words: `${one.strings}: ${one.words}`
			}))
		};
	});
}
