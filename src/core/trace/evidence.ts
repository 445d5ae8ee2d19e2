import { logNormalDensity } from '../expectation/normal';

/**
 * How often a reading is simply wrong, and how it is then wrong; judgement. Leads swapped, decimal
 * mark or range, meter on AC or not touching, or anything at all.
 */
const WRONG_READING = {
	rate: 0.01,
	shares: { sign: 0.25, tenfold: 0.1, tenth: 0.1, zero: 0.25, anything: 0.3 }
} as const;

/** A reading under one hypothesis. */
export interface ReadingLikelihood {
	/** Density as a right reading, 1/V or 1/A. */
	readonly right: number;
	/** Density as a wrong one. */
	readonly wrong: number;
}

/**
 * @param measured V or A
 * @param predicted what the hypothesis foretells; null where it cannot
 * @param sigma standard uncertainty of prediction and reading together
 * @param scale the largest amount the place could show, for the flat part of wrong readings
 */
export function readingLikelihood(
	measured: number,
	predicted: number | null,
	sigma: number,
	scale: number
): ReadingLikelihood {
	const flat = 1 / (3 * scale);
	if (predicted === null) return { right: flat, wrong: 0 };
	const { rate, shares } = WRONG_READING;
	const right = (1 - rate) * density(measured - predicted, sigma);
	// Near a prediction of nothing the shapes fall together; only the flat part is then of use.
	const shaped =
		Math.abs(predicted) > 5 * sigma
			? shares.sign * density(measured + predicted, sigma) +
				shares.tenfold * density(measured - 10 * predicted, 10 * sigma) +
				shares.tenth * density(measured - predicted / 10, sigma / 4) +
				shares.zero * density(measured, 0.004 * scale)
			: 0;
	const wrong = rate * (shaped + shares.anything * flat);
	return { right, wrong };
}

/** Beyond this many standard uncertainties a density is nothing beside the flat part. */
const NOTHING = 9;

function density(deviation: number, width: number): number {
	return Math.abs(deviation) > NOTHING * width ? 0 : Math.exp(logNormalDensity(deviation, width));
}
