/** A used module's offer beside a new one's. Currency is whatever the person thinks in. */
export interface WorthAsk {
	/** Price of one used module, and of one new one. */
	readonly price: number;
	readonly newPrice: number;
	/** Nameplate power of each, W. */
	readonly label: number;
	readonly newLabel: number;
	/** As tested, share of its nameplate. */
	readonly share: number;
	/** Shipping of a whole pallet and how many modules go on one; null: collected. */
	readonly pallet: { readonly price: number; readonly modules: number } | null;
	/** Loss of power a year, share of the nameplate, of the used module and of the new one. */
	readonly ageing: number;
	readonly newAgeing: number;
	/** Share of its nameplate below which it is no longer worth its place. */
	readonly least: number;
	/** What a year's delay takes from the worth of a kWh, share; 0 counts all years alike. */
	readonly discount: number;
}

/** How a used module compares with a new one. */
type WorthVerdict = 'cheaper' | 'dearer' | 'used-up';

export interface WorthAnswer {
	/** Price with its part of the shipping. */
	readonly landed: number;
	readonly perLabelWatt: number;
	readonly perTestedWatt: number;
	readonly newPerWatt: number;
	/** Years until it falls below the least; 0 where it is there already. */
	readonly yearsLeft: number;
	/** Price of a watt for a year, over the discounted years that are left; null where none are. */
	readonly perWattYear: number | null;
	readonly newPerWattYear: number;
	/** Price, shipping off, at which a watt for a year costs what it does new; 0 where it is worth nothing. */
	readonly fairPrice: number;
	/** By the price of a watt for a year. */
	readonly verdict: WorthVerdict;
	/** It is cheaper by the watt of today, and dearer by the watt for a year. */
	readonly cheapTodayOnly: boolean;
}

/** New modules are reckoned with so many years, used ones with no more; common practice (power warranties), no source. */
const NEW_YEARS = 25;

/** What a used module is worth by the watt and by the watt for a year that it has left, against new. */
export function answerWorth(ask: WorthAsk): WorthAnswer {
	const { price, newPrice, label, newLabel, share, pallet, least, discount } = ask;
	const shipping = pallet ? pallet.price / Math.max(1, pallet.modules) : 0;
	const landed = price + shipping;
	const yearsLeft = share <= least ? 0 : (share - least) / ask.ageing;
	const used = wattYears(label, share, ask.ageing, Math.min(yearsLeft, NEW_YEARS), discount);
	const newPerWattYear = newPrice / wattYears(newLabel, 1, ask.newAgeing, NEW_YEARS, discount);
	const perWattYear = used > 0 ? landed / used : null;
	const perTestedWatt = landed / (label * share);
	const newPerWatt = newPrice / newLabel;
	const verdict =
		perWattYear === null ? 'used-up' : perWattYear > newPerWattYear ? 'dearer' : 'cheaper';
	return {
		landed,
		perLabelWatt: landed / label,
		perTestedWatt,
		newPerWatt,
		yearsLeft,
		perWattYear,
		newPerWattYear,
		fairPrice: Math.max(0, newPerWattYear * used - shipping),
		verdict,
		cheapTodayOnly: verdict === 'dearer' && perTestedWatt <= newPerWatt
	};
}

/**
 * Watts summed over years, later ones discounted.
 *
 * @param share of nameplate at first, @param ageing share of nameplate lost a year
 * @param years whole ones and a part
 * @returns W times years
 */
function wattYears(
	label: number,
	share: number,
	ageing: number,
	years: number,
	discount: number
): number {
	let sum = 0;
	for (let year = 0; year < years; year++) {
		const length = Math.min(1, years - year);
		const middle = year + length / 2;
		sum += (label * (share - ageing * middle) * length) / (1 + discount) ** middle;
	}
	return sum;
}

/** Clipping against a dearer inverter. */
export interface ClippingAsk {
	/** Energy lost to clipping, kWh a year. */
	readonly kWhAYear: number;
	/** Price of a kWh, and of the dearer inverter over this one. */
	readonly price: number;
	readonly dearerBy: number;
}

/** Years in which the energy pays for the dearer inverter; null where it never does. */
export function clippingPaysIn({ kWhAYear, price, dearerBy }: ClippingAsk): number | null {
	const year = kWhAYear * price;
	return year > 0 ? dearerBy / year : null;
}
