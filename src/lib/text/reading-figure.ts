import { QUANTITY_FACTS, type Reading } from '$core/visit';
import { plainFigure } from './format';

/** Ohms from which a meter shows no figure. */
const OPEN_RESISTANCE = 1e7;
/** And volts of its diode test. */
const OPEN_DIODE = 9.9;

/** A reading as its meter shows it: figure and unit, "over range", "on". */
export function readingFigure({
	value,
	quantity,
	overRange
}: Pick<Reading, 'value' | 'quantity' | 'overRange'>): string {
	const { unit } = QUANTITY_FACTS[quantity];
	if (quantity === 'lamp') return value === 1 ? 'on' : 'off';
	if (quantity === 'shade-seen') return value === 1 ? 'a shadow' : 'no shadow';
	const open =
		unit === 'ohm' ? OPEN_RESISTANCE : quantity.includes('diode') ? OPEN_DIODE : Infinity;
	if (value >= open) return 'over range';
	if (overRange) return `over range, > ${plainFigure(value, unit)} ${unit}`.trim();
	return `${plainFigure(value, unit)} ${unit}`.trim();
}
