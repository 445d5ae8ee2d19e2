/**
 * How often a reading is simply wrong, and how it is then wrong; judgement. Leads swapped, decimal
 * mark or range, meter on AC or not touching, or anything at all.
 */
const WRONG_READING = {
	rate: 0.01,
	shares: { sign: 0.25, tenfold: 0.1, tenth: 0.1, zero: 0.25, anything: 0.3 }
} as const;

/** What a hypothesis foretells of a reading. */
export interface Foretold {
	/** V or A; null where it foretells nothing. */
	readonly value: number | null;
	/** Standard uncertainty of prediction and reading together. */
	readonly sigma: number;
	/** The largest amount the place could show, for the flat part of wrong readings. */
	readonly scale: number;
}

/** Anything at all, up to one and a half times the largest amount, either sign. */
const flat = (scale: number) => 1 / (3 * scale);

/** Density of a reading as a right one, 1/V or 1/A. */
export function rightDensity(measured: number, { value, sigma, scale }: Foretold): number {
	if (value === null) return flat(scale);
	return (1 - WRONG_READING.rate) * density(measured - value, sigma);
}

/** Density of a reading as a wrong one. */
export function wrongDensity(measured: number, { value, sigma, scale }: Foretold): number {
	if (value === null) return 0;
	const { rate, shares } = WRONG_READING;
	const anything = shares.anything * flat(scale);
	// Near a prediction of nothing the shapes fall together, and a figure that fits has none of them; only
	// the flat part is then of use.
	if (Math.abs(value) <= 5 * sigma || Math.abs(measured - value) < 3 * sigma) {
		return rate * anything;
	}
	const shaped =
		shares.sign * density(measured + value, sigma) +
		shares.tenfold * density(measured - 10 * value, 10 * sigma) +
		shares.tenth * density(measured - value / 10, sigma / 4) +
		shares.zero * density(measured, 0.004 * scale);
	return rate * (shaped + anything);
}

/** Beyond this many standard uncertainties a density is nothing beside the flat part. */
const NOTHING = 9;
const PEAK = 1 / Math.sqrt(2 * Math.PI);

/** Normal density with mean 0. */
function density(deviation: number, sigma: number): number {
	const z = deviation / sigma;
	return z > NOTHING || z < -NOTHING ? 0 : (PEAK / sigma) * Math.exp(-0.5 * z * z);
}
