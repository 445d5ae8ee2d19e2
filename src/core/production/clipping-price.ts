/** What clipping costs, and whether a larger device would pay. */
export interface ClippingPrice {
	/** Not made a year, kWh. */
	readonly aYear: number;
	/** In the currency, a year. */
	readonly costAYear: number;
	/** Years after which a dearer device has paid for itself; null for never. */
	readonly paysAfter: number | null;
}

const YEAR = 365.25;

/**
 * @param lost kWh in the time watched, @param days of it, @param price of a kWh
 * @param dearer what the larger device costs more, in the same currency
 */
export function clippingPrice(
	lost: number,
	days: number,
	price: number,
	dearer: number
): ClippingPrice {
	const aYear = days > 0 ? (lost * YEAR) / days : 0;
	const costAYear = aYear * price;
	return { aYear, costAYear, paysAfter: costAYear > 0 ? dearer / costAYear : null };
}
