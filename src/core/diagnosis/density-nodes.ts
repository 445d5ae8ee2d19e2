import { ROOT_TWO_PI } from '../numerics';
import type { Scatter } from '../expectation';
import { MODEL_TAIL } from './evidence';

/**
 * Densities of a reading under every class of its string as sums of normal distributions, one for each value
 * of the scatter and one for the tail of the model, laid out for a loop over many points of light and heat.
 */
export interface DensityNodes {
	/** Normal distributions in each sum. */
	readonly count: number;
	/** 1 over the standard uncertainty, [classes x count]. */
	readonly inverse: Float64Array;
	/** Weight over standard uncertainty and the root of 2 pi, [classes x count]. */
	readonly peak: Float64Array;
	/** The widest of the sum but the model's tail, V or A, [classes]. */
	readonly widest: Float64Array;
}

/**
 * @param sigma standard uncertainty without the scatter, V or A, [classes]
 * @param scatterUnit change of the reading with the scatter, [classes]
 */
export function densityNodes(
	sigma: Float64Array,
	scatterUnit: Float64Array,
	{ values, weights }: Scatter
): DensityNodes {
	const count = values.length + 1;
	const inverse = new Float64Array(sigma.length * count);
	const peak = new Float64Array(sigma.length * count);
	const widest = new Float64Array(sigma.length);
	for (let c = 0; c < sigma.length; c++) {
		let square = 0;
		const put = (k: number, width: number, weight: number) => {
			inverse[c * count + k] = 1 / width;
			peak[c * count + k] = weight / (width * ROOT_TWO_PI);
		};
		for (let k = 0; k < values.length; k++) {
			const width = Math.hypot(sigma[c]!, scatterUnit[c]! * values[k]!);
			square += weights[k]! * width * width;
			put(k, width, (1 - MODEL_TAIL.share) * weights[k]!);
			if (width > widest[c]!) widest[c] = width;
		}
		put(values.length, MODEL_TAIL.factor * Math.sqrt(square), MODEL_TAIL.share);
	}
	return { count, inverse, peak, widest };
}

/** Beyond this many standard uncertainties, squared, a density is nothing. */
const NOTHING = 81;

/** Density of a deviation from the prediction of a class, 1/V or 1/A. */
export function densityUnder(
	{ count, inverse, peak }: DensityNodes,
	c: number,
	deviation: number
): number {
	let sum = 0;
	for (let i = c * count; i < (c + 1) * count; i++) {
		const z = deviation * inverse[i]!;
		const square = z * z;
		if (square < NOTHING) sum += peak[i]! * Math.exp(-0.5 * square);
	}
	return sum;
}
