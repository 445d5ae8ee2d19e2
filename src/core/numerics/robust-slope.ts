import { median } from './quantile';

/** Noise of a series from its neighbours' differences, which slow changes and steps leave alone. */
export function noiseOf(values: ArrayLike<number>): number {
	const steps: number[] = [];
	for (let i = 1; i < values.length; i++) steps.push(Math.abs(values[i]! - values[i - 1]!));
	return steps.length === 0 ? 0 : (1.4826 * median(steps)) / Math.SQRT2;
}

/** A straight line's rise with its 95 % band. */
export interface RobustSlope {
	/** Per unit of x. */
	readonly slope: number;
	readonly low: number;
	readonly high: number;
	/** y at x = 0 */
	readonly intercept: number;
}

/** Pairs that are drawn on at most: beyond, every so manieth. */
const MOST_POINTS = 800;

/**
 * Median of the slopes between all pairs of points, with the band of 95 % by Kendall's statistic.
 * Sen, Estimates of the regression coefficient based on Kendall's tau, Journal of the American
 * Statistical Association 63 (1968).
 *
 * @returns null for fewer than 3 points, or where all x are the same
 */
export function robustSlope(x: ArrayLike<number>, y: ArrayLike<number>): RobustSlope | null {
	const every = Math.ceil(x.length / MOST_POINTS);
	const at = Array.from({ length: Math.ceil(x.length / every) }, (_, i) => i * every);
	const n = at.length;
	if (n < 3) return null;
	const slopes: number[] = [];
	for (let i = 0; i < n; i++) {
		for (let j = i + 1; j < n; j++) {
			const run = x[at[j]!]! - x[at[i]!]!;
			if (run !== 0) slopes.push((y[at[j]!]! - y[at[i]!]!) / run);
		}
	}
	if (slopes.length === 0) return null;
	const sorted = Float64Array.from(slopes).sort();
	const slope = median(sorted);
	const reach = 1.96 * Math.sqrt((n * (n - 1) * (2 * n + 5)) / 18);
	const pick = (rank: number) =>
		sorted[Math.max(0, Math.min(sorted.length - 1, Math.round(rank)))]!;
	return {
		slope,
		low: pick((sorted.length - reach) / 2 - 1),
		high: pick((sorted.length + reach) / 2),
		intercept: median(at.map((i) => y[i]! - slope * x[i]!))
	};
}
