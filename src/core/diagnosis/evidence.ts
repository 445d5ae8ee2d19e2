import { normalDensity } from '../numerics';
import type { Scatter } from '../expectation';

/**
 * How often a reading is simply wrong, and how it is then wrong; judgement. Leads swapped, decimal
 * mark or range, meter on AC or not touching, or anything at all.
 */
const WRONG_READING = {
	rate: 0.01,
	shares: { sign: 0.25, tenfold: 0.1, tenth: 0.1, zero: 0.25, anything: 0.3 }
} as const;

/** What a hypothesis predicts of a reading. */
export interface Predicted {
	/** V or A; null where it predicts nothing. */
	readonly value: number | null;
	/** Standard uncertainty of prediction and reading together. */
	readonly sigma: number;
	/** The largest amount the place could show, for the flat part of wrong readings. */
	readonly scale: number;
	/** Standard uncertainties it may have instead of the one, with their shares; absent where it is known. */
	readonly spread?: Spread;
}

/** A standard uncertainty that is itself uncertain. */
export interface Spread {
	/** V or A, [nodes] */
	readonly sigmas: readonly number[];
	/** Their chances, which add up to 1. */
	readonly weights: readonly number[];
}

/**
 * The model, the nameplates and the record are never quite right: so often a healthy reading lies further
 * out than its uncertainty allows, and by so much. Without it a small difference would decide between
 * causes beyond what any of them is known to; Zembo default.
 */
export const MODEL_TAIL = { share: 0.04, factor: 2.5 };

/**
 * Standard uncertainties of a reading whose scatter is uncertain, the tail of the model among them.
 *
 * @param known standard uncertainty without the scatter, V or A
 * @param unit change of the reading with the scatter
 */
export function spreadWith(known: number, unit: number, scatter: Scatter): Spread {
	const sigmas = scatter.values.map((value) => Math.hypot(known, unit * value));
	const middle = Math.sqrt(
		sigmas.reduce((sum, sigma, i) => sum + scatter.weights[i]! * sigma * sigma, 0)
	);
	return {
		sigmas: [...sigmas, MODEL_TAIL.factor * middle],
		weights: [...scatter.weights.map((weight) => (1 - MODEL_TAIL.share) * weight), MODEL_TAIL.share]
	};
}

/** Anything at all, up to one and a half times the largest amount, either sign. */
const flat = (scale: number) => 1 / (3 * scale);

/** Density of a reading as a right one, 1/V or 1/A. */
export function rightDensity(measured: number, { value, sigma, scale, spread }: Predicted): number {
	if (value === null) return flat(scale);
	if (!spread) return (1 - WRONG_READING.rate) * density(measured - value, sigma);
	let sum = 0;
	for (let i = 0; i < spread.sigmas.length; i++) {
		sum += spread.weights[i]! * density(measured - value, spread.sigmas[i]!);
	}
	return (1 - WRONG_READING.rate) * sum;
}

/** Share of readings that are right. */
export const RIGHT = 1 - WRONG_READING.rate;
/** Density of a reading of which nothing is predicted, 1/V or 1/A. */
export const unpredictedDensity = (scale: number) => 1 / (3 * scale);

/** Density of a reading as a wrong one. */
export function wrongDensity(measured: number, { value, sigma, scale }: Predicted): number {
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

/** Normal density with mean 0. */
function density(deviation: number, sigma: number): number {
	const z = deviation / sigma;
	return z > NOTHING || z < -NOTHING ? 0 : normalDensity(deviation, sigma);
}
