const ROUNDS_AT_MOST = 400;

/** A step of this size relative to |x| + reach is the last. */
const FINE = 1e-14;

/** A step of this size that is not half of the one before it is the rounding of the function. */
const NOISE = 1e-11;

/**
 * The same for a Newton step where the function bends on the scale of `reach` at the sharpest: it then
 * leaves about the square of its last step.
 */
export const SMOOTH = 1e-9;

/** A value and its derivative, written by the function that is solved. */
export interface Slope {
	value: number;
	slope: number;
}

/**
 * Root of a rising function with its derivative: Newton kept inside a bracket by bisection, after
 * Press, Teukolsky, Vetterling, Flannery, Numerical Recipes, section 9.4. The bracket is widened
 * first where it does not hold the root, so that a guess is enough.
 *
 * @param f writes value and slope at x; values may be infinite, never NaN inside the domain
 * @param least the end of the domain below; -Infinity where there is none
 * @param lastNewton relative size of a Newton step after which no other is needed
 * @returns the root, or the end of the domain nearest to it
 */
export function risingRoot(
	f: (x: number, out: Slope) => void,
	start: number,
	reach: number,
	least = Number.NEGATIVE_INFINITY,
	lastNewton = FINE
): number {
	const out: Slope = { value: 0, slope: 0 };
	let x = Math.max(start, least);
	let low = Number.NEGATIVE_INFINITY;
	let high = Number.POSITIVE_INFINITY;
	let step = reach;
	let last = reach;
	for (let round = 0; round < ROUNDS_AT_MOST; round++) {
		f(x, out);
		const { value, slope } = out;
		if (value === 0) return x;
		if (value < 0) low = x;
		else high = x;
		let next = x - value / slope;
		const newton = next - x;
		const stalls = !(Math.abs(newton) <= 0.5 * Math.abs(last));
		if (stalls && Math.abs(newton) <= NOISE * (Math.abs(x) + reach)) return x;
		if (high === Number.POSITIVE_INFINITY || low === Number.NEGATIVE_INFINITY) {
			// Still one-sided: Newton as far as a growing reach, so that a flat slope cannot throw it.
			if (!Number.isFinite(newton) || Math.abs(newton) > step) {
				next = value < 0 ? x + step : x - step;
			}
			step *= 3;
			if (next <= least) {
				if (x === least || (low === Number.NEGATIVE_INFINITY && x - least < 1e-12 * step)) {
					return least;
				}
				next = (x + least) / 2;
			}
		} else if (stalls || !(next > low && next < high)) {
			next = (low + high) / 2;
			if (next === low || next === high) return next;
		}
		last = next - x;
		x = next;
		if (Math.abs(last) <= (last === newton ? lastNewton : FINE) * (Math.abs(x) + reach)) {
			return x;
		}
	}
	return x;
}
