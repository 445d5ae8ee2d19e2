import { type EffectiveVisit, type Quantity, QUANTITY_FACTS, type Reading } from '../visit';
import { parseQuantity, refuse, type Result, succeed } from '../units';

/** What a meter displays: a figure, or that the quantity is above the limit of its range. */
export interface MeterFigure {
	/** In the quantity's unit; the limit of the range where it is over range. */
	readonly value: number;
	readonly overRange: boolean;
}

/** Diode test where nothing conducts, V: as meters without a word for it have been noted here. */
export const DIODE_OVER_RANGE = 9.99;
/** Resistance of an open line where the limit of the range is not typed, ohm; Zembo default. */
const OPEN_LINE_RESISTANCE = 1e8;
/** Lowest upper limit of an insulation tester's range, Mohm; Zembo default, common practice. */
const TESTER_LIMIT = 20;

/** Words for "over range" on meters and in notes. */
const OVER_RANGE_WORDS =
	/^(?:[+-]?\s*(?:o\.?l\.?|0\.?l\.?|ofl|overload|over|over[\s-]*range|out of range|open|open line|open circuit|inf|infinite|infinity|∞))$/i;
const ABOVE = /^[>≥](.+)$/;

/** Whether a meter can display "over range" for a quantity: resistances, diode tests and voltages. */
export function canBeOverRange(quantity: Quantity): boolean {
	const { unit } = QUANTITY_FACTS[quantity];
	return unit === 'ohm' || unit === 'Mohm' || (unit === 'V' && quantity !== 'fuse-voltage');
}

const isDiode = (quantity: Quantity) => quantity.includes('diode');

/**
 * What a person typed from a meter: a figure with or without unit, "OL", "over range", "∞", "open", or
 * ">50" with the limit of the range.
 *
 * @param ratedVoltage highest voltage that the meter displays, V; null where nobody recorded it
 */
export function readMeterFigure(
	typed: string,
	quantity: Quantity,
	ratedVoltage: number | null
): Result<MeterFigure, string> {
	const { unit, limits } = QUANTITY_FACTS[quantity];
	const text = typed.trim();
	const above = ABOVE.exec(text)?.[1];
	const over = above !== undefined || OVER_RANGE_WORDS.test(text);
	if (!over) {
		const figure = parseQuantity(text, unit);
		if (!figure.ok) return figure;
		return (
			beyond(figure.value, limits, unit, text) ?? succeed({ value: figure.value, overRange: false })
		);
	}
	if (!canBeOverRange(quantity)) {
		return refuse(`“${text}” is not displayed for this quantity. Type the figure.`);
	}
	if (above !== undefined && !OVER_RANGE_WORDS.test(above)) {
		const limit = parseQuantity(above, unit);
		if (!limit.ok) return limit;
		return (
			beyond(limit.value, limits, unit, text) ?? succeed({ value: limit.value, overRange: true })
		);
	}
	const value = usualLimit(quantity, unit, ratedVoltage);
	return value === null
		? refuse('Over range: type the limit of the meter’s range as well, for example >600.')
		: succeed({ value, overRange: true });
}

function usualLimit(quantity: Quantity, unit: string, ratedVoltage: number | null): number | null {
	if (isDiode(quantity)) return DIODE_OVER_RANGE;
	if (unit === 'ohm') return OPEN_LINE_RESISTANCE;
	return unit === 'Mohm' ? TESTER_LIMIT : ratedVoltage;
}

function beyond(
	value: number,
	{ min, max }: { readonly min: number; readonly max: number },
	unit: string,
	text: string
): Result<never, string> | null {
	if (value >= min && value <= max) return null;
	const behind = unit ? ` ${unit}` : '';
	return refuse(
		`${text} is out of range here: ${min} to ${max}${behind}. Check the figure and its unit.`
	);
}

/**
 * The figure that a reading stands for where it is weighed: an open line and a diode that blocks are open
 * whatever the limit of the meter's range was.
 */
export function weighedValue({
	value,
	quantity,
	overRange
}: Pick<Reading, 'value' | 'quantity' | 'overRange'>): number {
	if (!overRange) return value;
	if (isDiode(quantity)) return Math.max(value, DIODE_OVER_RANGE);
	return QUANTITY_FACTS[quantity].unit === 'ohm' ? Math.max(value, OPEN_LINE_RESISTANCE) : value;
}

/** A voltage above the meter's range says only that the meter is not rated for the place. */
export function isAboveMeter({
	quantity,
	overRange
}: Pick<Reading, 'quantity' | 'overRange'>): boolean {
	return overRange === true && QUANTITY_FACTS[quantity].unit === 'V' && !isDiode(quantity);
}

/** A visit without voltages above the meter's range: they have no value to compare or to weigh. */
export function withoutAboveMeter(visit: EffectiveVisit): EffectiveVisit {
	return visit.readings.some(isAboveMeter)
		? { ...visit, readings: visit.readings.filter((reading) => !isAboveMeter(reading)) }
		: visit;
}

/** Figures of a pasted column in order, one a line or separated by tabs or semicolons; empty ones are left out. */
export function pastedFigures(text: string): string[] {
	return text
		.split(/[\r\n\t;]+/)
		.map((figure) => figure.trim())
		.filter((figure) => figure !== '');
}
