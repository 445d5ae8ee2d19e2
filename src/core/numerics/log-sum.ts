/**
 * Logarithm of a sum of numbers of which the logarithms are given, without overflow.
 *
 * @param values logarithms, [n]; -Infinity stands for 0
 * @returns -Infinity for none
 */
export function logSum(values: ArrayLike<number> & Iterable<number>): number {
	let most = -Infinity;
	for (const value of values) if (value > most) most = value;
	if (most === -Infinity) return -Infinity;
	let sum = 0;
	for (const value of values) sum += Math.exp(value - most);
	return most + Math.log(sum);
}
