/**
 * Solves n linear equations by Gauss elimination with partial pivoting.
 *
 * @param matrix n rows of n coefficients and the right-hand side; changed in place
 * @returns n unknowns; not finite where the equations do not determine them
 */
export function solveLinear(matrix: number[][]): number[] {
	const n = matrix.length;
	for (let column = 0; column < n; column++) {
		let pivot = column;
		for (let row = column + 1; row < n; row++) {
			if (Math.abs(matrix[row]![column]!) > Math.abs(matrix[pivot]![column]!)) pivot = row;
		}
		[matrix[column], matrix[pivot]] = [matrix[pivot]!, matrix[column]!];
		const lead = matrix[column]!;
		for (let row = column + 1; row < n; row++) {
			const line = matrix[row]!;
			const factor = line[column]! / lead[column]!;
			for (let k = column; k <= n; k++) line[k]! -= factor * lead[k]!;
		}
	}
	const solution = new Array<number>(n).fill(0);
	for (let row = n - 1; row >= 0; row--) {
		let rest = matrix[row]![n]!;
		for (let k = row + 1; k < n; k++) rest -= matrix[row]![k]! * solution[k]!;
		solution[row] = rest / matrix[row]![row]!;
	}
	return solution;
}
