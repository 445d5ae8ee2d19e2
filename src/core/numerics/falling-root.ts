const ROUNDS_AT_MOST = 200;

/**
 * Root of a function that falls from positive at `low` to negative at `high`.
 *
 * Regula falsi in the Illinois form (Dowell, Jarratt, BIT 11, 1971): stays inside its bracket and
 * converges superlinearly on the smooth curves of this circuit.
 *
 * @param tolerance width of the bracket, in the unit of the argument, at which it stops
 */
export function fallingRoot(
	f: (x: number) => number,
	low: number,
	high: number,
	tolerance: number
): number {
	let fLow = f(low);
	let fHigh = f(high);
	if (fLow <= 0) return low;
	if (fHigh >= 0) return high;
	let previous = 0;
	for (let round = 0; round < ROUNDS_AT_MOST && high - low > tolerance; round++) {
		let x = (low * fHigh - high * fLow) / (fHigh - fLow);
		if (!(x > low && x < high)) x = (low + high) / 2;
		const value = f(x);
		if (value === 0) return x;
		if (value > 0) {
			low = x;
			fLow = value;
			if (previous > 0) fHigh /= 2;
			previous = 1;
		} else {
			high = x;
			fHigh = value;
			if (previous < 0) fLow /= 2;
			previous = -1;
		}
		if (Math.abs(value) < 1e-12) return x;
	}
	return (low + high) / 2;
}
