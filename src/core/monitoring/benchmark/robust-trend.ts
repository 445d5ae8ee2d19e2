import { median, solveLinear } from '../../numerics';

/** One measured value of a series over years. */
export interface TrendPoint {
	/** Years since the first. */
	readonly year: number;
	/** Season it was taken in, 0 to 3. */
	readonly season: number;
	/** What it was measured with; points of one group share what that is wrong by. */
	readonly group: string;
	readonly value: number;
	/** Standard uncertainty that the points of a group do not share. */
	readonly uncertainty: number;
}

/** A straight line through points of several seasons and groups. */
export interface Trend {
	/** Per year. */
	readonly slope: number;
	/** Standard uncertainty of the slope. */
	readonly slopeUncertainty: number;
	/** Value at year 0, in the season and by the group of the first point. */
	readonly intercept: number;
	/** By how much the points of each further group lie above those of the first, in the order of the points. */
	readonly offsets: readonly {
		readonly group: string;
		readonly value: number;
		readonly uncertainty: number;
	}[];
}

/** Residuals beyond so many standard uncertainties count for less (Huber, Robust Statistics, 1981; from memory). */
const HUBER = 1.5;
const ROUNDS = 25;
/** Weights that change by less are settled. */
const SETTLED = 1e-3;

/**
 * Least squares with Huber's weights: a slope, an offset for each season that has two points or more, and one for each
 * group, which is held near zero by what groups usually differ by.
 *
 * The scatter of the points counts where it is larger than their uncertainties say.
 *
 * @param betweenGroups standard deviation of the difference between two groups
 */
export function robustTrend(points: readonly TrendPoint[], betweenGroups: number): Trend {
	const groups = [...new Set(points.map(({ group }) => group))];
	const seasons = seasonsWithOffset(points);
	const columns = points.map(({ year, season, group }) => [
		1,
		year,
		...seasons.map((one) => (season === one ? 1 : 0)),
		...groups.slice(1).map((one) => (group === one ? 1 : 0))
	]);
	const count = 2 + seasons.length + groups.length - 1;
	const pull = Array.from({ length: count }, (_, i) =>
		i < 2 + seasons.length ? 0 : betweenGroups ** -2
	);
	let weights = points.map(() => 1);
	let solution: number[] = [];
	let scale = 1;
	for (let round = 0; round < ROUNDS; round++) {
		solution = solveLinear(normal(points, columns, weights, pull, scale));
		const standing = points.map(
			({ value, uncertainty }, i) =>
				(value - columns[i]!.reduce((sum, x, j) => sum + x * solution[j]!, 0)) / uncertainty
		);
		const free = points.length - 2 - seasons.length;
		const bySquares = Math.sqrt(
			standing.reduce((sum, one, i) => sum + weights[i]! * one ** 2, 0) / Math.max(1, free)
		);
		scale = Math.max(1, free > 0 ? bySquares : 1);
		const middle = Math.max(1, 1.4826 * median(standing.map(Math.abs)));
		const before = weights;
		weights = standing.map((one) => Math.min(1, (HUBER * middle) / Math.max(Math.abs(one), 1e-12)));
		if (weights.every((weight, i) => Math.abs(weight - before[i]!) < SETTLED)) break;
	}
	const uncertaintyOf = (unknown: number) => {
		const rows = normal(points, columns, weights, pull, scale).map((row, i) => [
			...row.slice(0, count),
			i === unknown ? 1 : 0
		]);
		return Math.sqrt(Math.max(0, solveLinear(rows)[unknown]!));
	};
	const ownSeason = seasons.indexOf(points[0]!.season);
	return {
		slope: solution[1]!,
		slopeUncertainty: uncertaintyOf(1),
		intercept: solution[0]! + (ownSeason < 0 ? 0 : solution[2 + ownSeason]!),
		offsets: groups.slice(1).map((group, i) => ({
			group,
			value: solution[2 + seasons.length + i]!,
			uncertainty: uncertaintyOf(2 + seasons.length + i)
		}))
	};
}

/** Seasons that can have an offset: two points in each, and points enough to say more than the offsets. */
function seasonsWithOffset(points: readonly TrendPoint[]): number[] {
	const often = [0, 1, 2, 3].filter(
		(season) => points.filter((point) => point.season === season).length >= 2
	);
	// One of them is what the others are offset from; a lone point of another season goes without.
	return points.length >= often.length + 3 ? often.slice(1) : [];
}

/** The normal equations with the right-hand side as the last column; the scatter weakens all points alike. */
function normal(
	points: readonly TrendPoint[],
	columns: readonly (readonly number[])[],
	weights: readonly number[],
	pull: readonly number[],
	scale: number
): number[][] {
	return pull.map((own, j) => {
		const row = pull.map((_, k) => (j === k ? own : 0));
		let right = 0;
		for (const [i, { value, uncertainty }] of points.entries()) {
			const weight = (weights[i]! * columns[i]![j]!) / (scale * uncertainty) ** 2;
			for (let k = 0; k < row.length; k++) row[k]! += weight * columns[i]![k]!;
			right += weight * value;
		}
		return [...row, right];
	});
}
