/** A used module's offer beside a new one's. Currency is whatever the person thinks in. */
export interface WorthAsk {
	/** Price of one used module, and of one new one. */
	readonly price: number;
	readonly newPrice: number;
	/** Label of each, W. */
	readonly label: number;
	readonly newLabel: number;
	/** As tested, share of its label. */
	readonly share: number;
	/** Shipping of a whole pallet and how many modules go on one; null: collected. */
	readonly pallet: { readonly price: number; readonly modules: number } | null;
	/** Loss of power a year, share of the label. */
	readonly ageing: number;
	/** Share of its label below which it is no longer worth its place. */
	readonly least: number;
}

export interface WorthAnswer {
	/** Price with its part of the shipping. */
	readonly landed: number;
	readonly perLabelWatt: number;
	readonly perTestedWatt: number;
	readonly newPerWatt: number;
	/** What it may cost as it tested, shipping off, to be no dearer a watt than new. */
	readonly fairPrice: number;
	/** Years until it falls below the least; 0 where it is there already. */
	readonly yearsLeft: number;
	readonly perWattYear: number | null;
	readonly newPerWattYear: number;
	readonly words: string;
}

/** New modules are reckoned with so many years; common practice (power warranties), no source. */
const NEW_YEARS = 25;

/** What a used module is worth a label watt, a tested watt, and a year that it has left, against new. */
export function answerWorth(ask: WorthAsk): WorthAnswer {
	const { price, newPrice, label, newLabel, share, pallet, ageing, least } = ask;
	const shipping = pallet ? pallet.price / Math.max(1, pallet.modules) : 0;
	const landed = price + shipping;
	const tested = label * share;
	const newPerWatt = newPrice / newLabel;
	const yearsLeft = share <= least ? 0 : (share - least) / ageing;
	const perTestedWatt = landed / tested;
	// Watts fall evenly: their mean over the years is halfway to the least.
	const perWattYear = yearsLeft > 0 ? landed / (((tested + label * least) / 2) * yearsLeft) : null;
	const newMean = newLabel * (1 - (ageing * NEW_YEARS) / 2);
	const newPerWattYear = newPrice / (newMean * NEW_YEARS);
	const dearer = perTestedWatt > newPerWatt;
	return {
		landed,
		perLabelWatt: landed / label,
		perTestedWatt,
		newPerWatt,
		fairPrice: Math.max(0, newPerWatt * tested - shipping),
		yearsLeft,
		perWattYear,
		newPerWattYear,
		words:
			yearsLeft === 0
				? 'It is below what is worth its place already.'
				: dearer
					? 'A watt of it as tested costs more than a new one.'
					: perWattYear !== null && perWattYear > newPerWattYear
						? 'A watt of it is cheaper than a new one today, a year of a watt is not: it has fewer left.'
						: 'Cheaper than new, by the watt and by the year.'
	};
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
