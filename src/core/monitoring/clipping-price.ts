/** An estimate and between what nine in ten such estimates lie. */
export interface Between {
	readonly value: number;
	readonly low: number;
	readonly high: number;
}

/** What clipping costs, and whether a larger device would pay. */
export interface ClippingPrice {
	/** Not generated in a year, kWh. */
	readonly aYear: Between;
	/** In the currency, a year. */
	readonly costAYear: Between;
	/**
	 * Years after which a device that costs more has paid for itself; null for never, or where nobody has said
	 * what it costs more.
	 */
	readonly paysAfter: number | null;
}

const YEAR = 365.25;
/** Clipping is summer's: a part of a year says nothing of the whole. */
const FEWEST_DAYS = 330;

/**
 * @param lost kWh in the time watched
 * @param days of it
 * @param price of a kWh
 * @param dearer what the larger device costs more, in the same currency; null where nobody has said
 * @returns null where the time is no year
 */
export function clippingPrice(
	lost: Between,
	days: number,
	price: number,
	dearer: number | null
): ClippingPrice | null {
	if (days < FEWEST_DAYS) return null;
	const scaled = (factor: number): Between => ({
		value: lost.value * factor,
		low: lost.low * factor,
		high: lost.high * factor
	});
	const aYear = scaled(YEAR / days);
	const costAYear = scaled((YEAR / days) * price);
	return {
		aYear,
		costAYear,
		paysAfter: dearer !== null && costAYear.value > 0 ? dearer / costAYear.value : null
	};
}
