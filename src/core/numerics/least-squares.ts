import { solveLinear } from './solve-linear';

/** Least squares of a small vector function inside a box. */
export interface BoundedSolution {
	readonly point: readonly number[];
	readonly residuals: readonly number[];
}

const ROUNDS_AT_MOST = 200;

/**
 * Levenberg-Marquardt with its step projected onto a box; a bound that is touched and pushed
 * against is held for the round. Near an exact solution the damping vanishes and the step is
 * Newton's.
 *
 * Marquardt, SIAM J. Appl. Math. 11 (1963); Kanzow, Yamashita, Fukushima, J. Comput. Appl. Math.
 * 172 (2004) for the projected form.
 *
 * @param residual function of n unknowns; any unit, comparable sizes; finite inside the box
 */
export function solveBounded(
	residual: (point: readonly number[]) => number[],
	start: readonly number[],
	lowest: readonly number[],
	highest: readonly number[]
): BoundedSolution {
	const clamp = (value: number, i: number) => Math.min(Math.max(value, lowest[i]!), highest[i]!);
	let point = start.map(clamp);
	let residuals = residual(point);
	let cost = sumOfSquares(residuals);
	let damping = 1e-3;
	for (let round = 0; round < ROUNDS_AT_MOST && cost > 1e-30; round++) {
		const jacobian = differentiate(residual, point, residuals, lowest, highest);
		const gradient = point.map((_, i) => dotColumn(jacobian, i, residuals));
		const free = point.map(
			(value, i) =>
				!(value <= lowest[i]! && gradient[i]! > 0) && !(value >= highest[i]! && gradient[i]! < 0)
		);
		let improved = false;
		while (!improved && damping < 1e12) {
			const step = dampedStep(jacobian, gradient, free, damping);
			const trial = point.map((value, i) => clamp(value + step[i]!, i));
			const trialResiduals = residual(trial);
			const trialCost = sumOfSquares(trialResiduals);
			if (trialCost < cost) {
				improved = true;
				const still = trialCost > cost * (1 - 1e-14);
				point = trial;
				residuals = trialResiduals;
				cost = trialCost;
				damping = Math.max(damping * 0.1, 1e-16);
				if (still) return { point, residuals };
			} else {
				damping *= 8;
			}
		}
		if (!improved) break;
	}
	return { point, residuals };
}

function sumOfSquares(values: readonly number[]): number {
	return values.reduce((sum, value) => sum + value * value, 0);
}

function dotColumn(
	jacobian: readonly (readonly number[])[],
	column: number,
	vector: readonly number[]
): number {
	return vector.reduce((sum, value, row) => sum + jacobian[row]![column]! * value, 0);
}

/** Central differences inside the box, one-sided at its walls; jacobian[row][column]. */
function differentiate(
	residual: (point: readonly number[]) => number[],
	point: readonly number[],
	at: readonly number[],
	lowest: readonly number[],
	highest: readonly number[]
): number[][] {
	const jacobian = at.map(() => new Array<number>(point.length).fill(0));
	point.forEach((value, i) => {
		const reach = 1e-6 * Math.max(Math.abs(value), 1e-3 * (highest[i]! - lowest[i]!));
		const up = Math.min(value + reach, highest[i]!);
		const down = Math.max(value - reach, lowest[i]!);
		const move = (to: number) => residual(point.map((v, j) => (j === i ? to : v)));
		const above = move(up);
		const below = move(down);
		at.forEach((_, row) => {
			jacobian[row]![i] = (above[row]! - below[row]!) / (up - down);
		});
	});
	return jacobian;
}

/** Solves (J'J + damping diag J'J) step = -gradient over the free unknowns. */
function dampedStep(
	jacobian: readonly (readonly number[])[],
	gradient: readonly number[],
	free: readonly boolean[],
	damping: number
): number[] {
	const n = gradient.length;
	const matrix: number[][] = [];
	for (let i = 0; i < n; i++) {
		const row = new Array<number>(n + 1).fill(0);
		for (let j = 0; j < n; j++) {
			if (!free[i] || !free[j]) continue;
			for (const line of jacobian) row[j]! += line[i]! * line[j]!;
		}
		row[i] = free[i] ? row[i]! * (1 + damping) + 1e-300 : 1;
		row[n] = free[i] ? -gradient[i]! : 0;
		matrix.push(row);
	}
	return solveLinear(matrix);
}
