import { median, noiseOf } from '../../numerics';

/** A stretch of a series along which it runs straight. */
export interface Segment {
	/** Indices of its first and last point. */
	readonly from: number;
	readonly to: number;
	/** Height of its line at both. */
	readonly begins: number;
	readonly ends: number;
}

/** Fewest points of a stretch. */
const SHORTEST = 5;
/** Smallest noise believed, so that a series without any is not cut to pieces. */
const LEAST_NOISE = 0.004;
/** A point further off its neighbours' median than so many times the noise is drawn in to there. */
const OUTLIER = 4;
/** Price of one more stretch, in squares of the noise and logarithms of the length; judgement. */
const PRICE = 12;

/**
 * Cuts a series into straight stretches with jumps between them: least squares with a price for each
 * stretch, found exactly over all cuts by dynamic programming (optimal partitioning: Jackson et al.,
 * IEEE Signal Processing Letters 12, 2005).
 *
 * @param x of the points, rising; days
 * @param y shares, about 1
 */
export function segmentsOf(x: readonly number[], y: readonly number[]): Segment[] {
	const n = y.length;
	if (n < SHORTEST) return [];
	const noise = Math.max(noiseOf(y), LEAST_NOISE);
	const tame = withoutOutliers(y, OUTLIER * noise);
	const fit = lineFits(x, tame);
	const price = PRICE * noise ** 2 * Math.log(n);
	const best = new Float64Array(n + 1).fill(Infinity);
	const cut = new Int32Array(n + 1);
	best[0] = -price;
	for (let end = SHORTEST; end <= n; end++) {
		for (let begin = 0; begin <= end - SHORTEST; begin++) {
			if (best[begin] === Infinity) continue;
			const cost = best[begin]! + fit(begin, end).squares + price;
			if (cost < best[end]!) {
				best[end] = cost;
				cut[end] = begin;
			}
		}
	}
	const segments: Segment[] = [];
	for (let end = n; end > 0; end = cut[end]!) {
		const begin = cut[end]!;
		const { at } = fit(begin, end);
		const within = heldWithin(tame, begin, end);
		segments.unshift({
			from: begin,
			to: end - 1,
			begins: within(at(x[begin]!)),
			ends: within(at(x[end - 1]!))
		});
	}
	return segments;
}

/** The ends of a steep line lie beyond its points; no level is believed that no point of it had. */
function heldWithin(y: readonly number[], begin: number, end: number): (level: number) => number {
	let least = Infinity;
	let most = -Infinity;
	for (let i = begin; i < end; i++) {
		least = Math.min(least, y[i]!);
		most = Math.max(most, y[i]!);
	}
	return (level) => Math.max(least, Math.min(most, level));
}

function withoutOutliers(y: readonly number[], most: number): number[] {
	return y.map((value, i) => {
		const centre = median(y.slice(Math.max(0, i - 3), i + 4));
		return Math.max(centre - most, Math.min(centre + most, value));
	});
}

/** Least-squares lines over any run of points, each in constant time by sums that run along. */
function lineFits(x: readonly number[], y: readonly number[]) {
	const running = (of: (i: number) => number) => {
		const sums = new Float64Array(x.length + 1);
		for (let i = 0; i < x.length; i++) sums[i + 1] = sums[i]! + of(i);
		return sums;
	};
	const sx = running((i) => x[i]!);
	const sy = running((i) => y[i]!);
	const sxx = running((i) => x[i]! ** 2);
	const sxy = running((i) => x[i]! * y[i]!);
	const syy = running((i) => y[i]! ** 2);
	return (begin: number, end: number) => {
		const n = end - begin;
		const mx = (sx[end]! - sx[begin]!) / n;
		const my = (sy[end]! - sy[begin]!) / n;
		const vx = sxx[end]! - sxx[begin]! - n * mx ** 2;
		const cxy = sxy[end]! - sxy[begin]! - n * mx * my;
		const vy = syy[end]! - syy[begin]! - n * my ** 2;
		const slope = vx > 0 ? cxy / vx : 0;
		return {
			squares: Math.max(vy - slope * cxy, 0),
			at: (where: number) => my + slope * (where - mx)
		};
	};
}
