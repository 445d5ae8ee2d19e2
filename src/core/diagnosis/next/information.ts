/** What one thing that may be so would show, and its chance. */
export interface Possibility {
	readonly weight: number;
	/** On the scale that it is weighed on. */
	readonly value: number;
	readonly sigma: number;
}

/** Possibilities that one outcome would leave: so close that the figure cannot part them. */
export interface Outcome {
	readonly probability: number;
	readonly low: number;
	readonly high: number;
	/** Indices of the possibilities. */
	readonly of: readonly number[];
}

/** Figures this many standard uncertainties apart (of both together) are told apart. */
const APART = 2;
/** One reading in a hundred is wrong and tells nothing. */
const RELIABLE = 0.98;

/** Entropy of chances that add up to their sum, bit. */
export function entropy(weights: readonly number[]): number {
	const total = weights.reduce((sum, weight) => sum + weight, 0);
	if (total <= 0) return 0;
	return weights.reduce((sum, weight) => {
		const p = weight / total;
		return p > 0 ? sum - p * Math.log2(p) : sum;
	}, 0);
}

/**
 * The outcomes that a figure can tell apart, by value. Neighbours closer than their uncertainties are one
 * outcome; so what a figure would tell by lying between two is left out, and the information of a test
 * is a little more than what is said.
 */
export function outcomesOf(possibilities: readonly Possibility[]): Outcome[] {
	const order = possibilities
		.map((possibility, index) => ({ ...possibility, index }))
		.filter(({ weight }) => weight > 0)
		.sort((a, b) => a.value - b.value);
	const outcomes: {
		probability: number;
		low: number;
		high: number;
		of: number[];
		sigma: number;
		last: number;
	}[] = [];
	for (const { weight, value, sigma, index } of order) {
		const open = outcomes.at(-1);
		if (open && value - open.last < APART * Math.hypot(sigma, open.sigma)) {
			open.probability += weight;
			open.high = Math.max(open.high, value + 2 * sigma);
			open.of.push(index);
			open.last = value;
			open.sigma = Math.max(sigma, open.sigma);
		} else {
			outcomes.push({
				probability: weight,
				low: value - 2 * sigma,
				high: value + 2 * sigma,
				of: [index],
				last: value,
				sigma
			});
		}
	}
	return outcomes.map(({ probability, low, high, of }) => ({ probability, low, high, of }));
}

/**
 * Expected information of a test, bit: the entropy of its outcomes, since each possibility gives one
 * of them.
 */
export function informationOf(outcomes: readonly Outcome[]): number {
	return RELIABLE * entropy(outcomes.map(({ probability }) => probability));
}
