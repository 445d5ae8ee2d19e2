import type { PartOf } from '../record';
import type { Reading } from '../visit';

/** Share of its rating from which an inverter is at it, by its own display; Zembo default. */
export const AT_RATING = 0.965;

/** AC power an inverter shows, W; null where it was not read. */
function acPowerOf(
	inverter: Pick<PartOf<'inverter'>, 'id'>,
	standing: ReadonlyMap<string, Reading>
): number | null {
	return standing.get(`${inverter.id}/display/ac-power`)?.value ?? null;
}

/**
 * Whether an inverter feeds all it may. It then leaves the maximum of its strings on purpose, towards the
 * open-circuit voltage, and their operating voltage tells nothing of them.
 */
export function isAtItsRating(
	inverter: Pick<PartOf<'inverter'>, 'id' | 'specs'>,
	standing: ReadonlyMap<string, Reading>
): boolean {
	const [power, rating] = [acPowerOf(inverter, standing), inverter.specs.acWatts];
	return power !== null && rating !== null && power >= AT_RATING * rating;
}
