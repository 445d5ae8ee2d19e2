import { median } from '../numerics';

/**
 * How far the readings of comparable strings scatter beyond what meter and modules explain, from the
 * readings themselves and a prior.
 *
 * Voltages scatter because the cells of comparable strings are not equally warm, currents because the
 * irradiance moves between two readings. Nobody measures either, so both are estimated: a grid over the
 * scatter, each reading normal about the common value or, with a small chance, anywhere (a faulty
 * string must not pass for scatter). A reading is judged by what the others say, so a single outlier
 * does not widen its own band (leave-one-out predictive; Gelman et al., Bayesian Data Analysis, 3rd
 * ed. 2013, 7.1; not verified).
 */

/** What is believed of a scatter before any reading: log-normal. */
export interface ScatterPrior {
	/** Its median, in the unit of the scatter. */
	readonly median: number;
	/** Standard deviation of its logarithm, 1. */
	readonly logSpread: number;
	/** Chance that a reading belongs to a faulty string. */
	readonly faulty: number;
	/** Width over which the reading of a faulty string may lie, in the unit of the scatter. */
	readonly faultyWidth: number;
}

/** A reading against the common value of its group. */
export interface Miss {
	/** Measured less expected, in the unit of the scatter. */
	readonly miss: number;
	/** Standard uncertainty of that without the scatter, in the same unit. */
	readonly known: number;
}

/** A posterior over the scatter: values and their weights, which add up to 1. */
export interface Scatter {
	readonly values: readonly number[];
	readonly weights: readonly number[];
}

/** What makes a reading unsure, the part whose size is itself only estimated kept apart. V or A. */
export interface Scattered {
	/** Standard uncertainty without the scatter. */
	readonly without: number;
	/** Change of the reading with the scatter. */
	readonly unit: number;
	readonly scatter: Scatter;
}

/** Points of the grid, and how many standard deviations of the prior it reaches to each side. */
const POINTS = 11;
const REACH = 2.5;
/** Above this number of readings one more or less does not change the estimate. */
const ALL_COUNT = 48;
const ROUNDS = 6;

function gridOf({ median, logSpread }: ScatterPrior): { value: number; logPrior: number }[] {
	return Array.from({ length: POINTS }, (_, i) => {
		const z = REACH * ((2 * i) / (POINTS - 1) - 1);
		return { value: median * Math.exp(z * logSpread), logPrior: -0.5 * z * z };
	});
}

/** What is believed where no reading tells, or before any does. */
export function priorScatter(prior: ScatterPrior): Scatter {
	return normalised(gridOf(prior));
}

function normalised(points: readonly { value: number; logPrior: number }[]): Scatter {
	const most = Math.max(...points.map(({ logPrior }) => logPrior));
	const raw = points.map(({ logPrior }) => Math.exp(logPrior - most));
	const total = raw.reduce((sum, weight) => sum + weight, 0);
	return {
		values: points.map(({ value }) => value),
		weights: raw.map((weight) => weight / total)
	};
}

/** Root mean square of the scatter, in its unit. */
export function rmsOf({ values, weights }: Scatter): number {
	return Math.sqrt(values.reduce((sum, value, i) => sum + weights[i]! * value * value, 0));
}

/**
 * The scatter as each reading is to be judged by: from all other readings.
 *
 * @returns one posterior for all readings together, and one without each of them, [readings]
 */
export function estimateScatter(
	misses: readonly Miss[],
	prior: ScatterPrior
): { readonly all: Scatter; readonly without: readonly Scatter[] } {
	const grid = gridOf(prior);
	const flat = prior.faulty / prior.faultyWidth;
	const columns = grid.map(({ value, logPrior }) => {
		const variance = misses.map(({ known }) => known * known + value * value);
		const trust = new Float64Array(misses.length).fill(1);
		// The median starts the search, so that a few faulty strings cannot pull it to themselves.
		let centre = misses.length > 0 ? median(misses.map(({ miss }) => miss)) : 0;
		let [weight, pull] = [0, 0];
		for (let round = 0; round < ROUNDS; round++) {
			weight = 0;
			pull = 0;
			misses.forEach(({ miss }, i) => {
				const v = variance[i]!;
				const normal =
					((1 - prior.faulty) * Math.exp((-0.5 * (miss - centre) ** 2) / v)) /
					Math.sqrt(2 * Math.PI * v);
				trust[i] = normal / (normal + flat);
				weight += trust[i]! / v;
				pull += (trust[i]! * miss) / v;
			});
			if (weight > 0) centre = pull / weight;
		}
		/** ln of the evidence of the readings but one, the common value integrated out. */
		const evidence = (but: number | null) => {
			const w = but === null ? weight : weight - trust[but]! / variance[but]!;
			const p = but === null ? pull : pull - (trust[but]! * misses[but]!.miss) / variance[but]!;
			const at = w > 0 ? p / w : centre;
			let log = logPrior - (w > 0 ? 0.5 * Math.log(w) : 0);
			misses.forEach(({ miss }, i) => {
				if (i === but) return;
				const v = variance[i]!;
				const normal =
					((1 - prior.faulty) * Math.exp((-0.5 * (miss - at) ** 2) / v)) /
					Math.sqrt(2 * Math.PI * v);
				log += Math.log(normal + flat);
			});
			return log;
		};
		return { value, evidence };
	});
	const posterior = (but: number | null) =>
		normalised(columns.map(({ value, evidence }) => ({ value, logPrior: evidence(but) })));
	const all = misses.length > 0 ? posterior(null) : priorScatter(prior);
	return {
		all,
		without: misses.map((_, i) => (misses.length > ALL_COUNT ? all : posterior(i)))
	};
}

/** A posterior as a few values with the same mass and mean square, for a likelihood that is asked often. */
export function coarse({ values, weights }: Scatter, shares = [0.5, 0.35, 0.15]): Scatter {
	const found: { value: number; weight: number }[] = [];
	let i = 0;
	let left = weights[0] ?? 0;
	for (const share of shares) {
		let [need, square] = [share, 0];
		while (need > 1e-12 && i < values.length) {
			const take = Math.min(need, left);
			square += take * values[i]! ** 2;
			need -= take;
			left -= take;
			if (left <= 1e-12 && i < values.length) left = weights[++i] ?? 0;
		}
		found.push({ value: Math.sqrt(square / share), weight: share });
	}
	return { values: found.map(({ value }) => value), weights: found.map(({ weight }) => weight) };
}
