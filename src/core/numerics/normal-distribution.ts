/**
 * Quantile of the standard normal distribution: the z below which a share p of it lies.
 *
 * Rational approximation by P. J. Acklam (2003), relative error below 1.2e-9.
 *
 * @param p strictly between 0 and 1
 */
export function normalQuantile(p: number): number {
	const a = [
		-39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716,
		2.506628277459239
	];
	const b = [
		-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972,
		-13.28068155288572, 1
	];
	const c = [
		-0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734,
		4.374664141464968, 2.938163982698783
	];
	const d = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416, 1];
	const polynomial = (coefficients: readonly number[], x: number) =>
		coefficients.reduce((sum, coefficient) => sum * x + coefficient, 0);
	if (p > 0.5) return -normalQuantile(1 - p);
	if (p < 0.02425) {
		const q = Math.sqrt(-2 * Math.log(p));
		return polynomial(c, q) / polynomial(d, q);
	}
	const q = p - 0.5;
	const r = q * q;
	return (q * polynomial(a, r)) / polynomial(b, r);
}

export const ROOT_TWO_PI = Math.sqrt(2 * Math.PI);
const PEAK = 1 / ROOT_TWO_PI;

/**
 * Density of the normal distribution with mean 0.
 *
 * @param deviation and `sigma`, its standard deviation, in the same unit
 * @returns per that unit
 */
export function normalDensity(deviation: number, sigma: number): number {
	const z = deviation / sigma;
	return (PEAK / sigma) * Math.exp(-0.5 * z * z);
}

/** Logarithm of the normal density with mean 0. */
export function logNormalDensity(deviation: number, sigma: number): number {
	const z = deviation / sigma;
	return -0.5 * z * z - Math.log(sigma) - 0.9189385332046727;
}

/**
 * Share of the standard normal distribution above z, z of 0 or more.
 *
 * Complementary error function by a Chebyshev fit, relative error below 1.2e-7 everywhere (Press,
 * Teukolsky, Vetterling, Flannery, Numerical Recipes, 6.2; coefficients from memory, not verified against
 * the text, checked against known values in the test).
 */
export function normalTail(z: number): number {
	const x = z / Math.SQRT2;
	const t = 1 / (1 + 0.5 * x);
	const series = [
		0.17087277, -0.82215223, 1.48851587, -1.13520398, 0.27886807, -0.18628806, 0.09678418,
		0.37409196, 1.00002368, -1.26551223
	].reduce((sum, coefficient) => sum * t + coefficient, 0);
	return 0.5 * t * Math.exp(-x * x + series);
}
