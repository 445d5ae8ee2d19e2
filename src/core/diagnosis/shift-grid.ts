import type { SharedEstimate, Shift } from '../expectation';

/** A point of the plane of light and heat with the area it stands for. */
export interface GridPoint extends Shift {
	readonly logArea: number;
}

/** Standard uncertainties from one point to the next, and steps from the middle to each side. */
const SPACING = 1.5;
const STEPS = 2;

/** Steps along both axes; the corners, with 1e-4 of a normal density between them, are left out. */
const OFFSETS = Array.from({ length: 2 * STEPS + 1 }, (_, i) => i - STEPS)
	.flatMap((i, _, all) => all.map((j) => [i, j] as const))
	.filter(([i, j]) => i * i + j * j <= 5);

/**
 * A grid over effective light and heat, laid along the axes of the readings' own covariance about
 * each answer they allow. At its spacing the trapezoid rule on a normal density is exact to 3e-4 along each
 * (2 exp(-2 pi^2/h^2)), and 2e-4 of it lies outside.
 */
export function shiftGrid(estimates: readonly SharedEstimate[]): GridPoint[] {
	return estimates.flatMap(({ shift, information: [ll, lh, hh] }) => {
		const determinant = ll * hh - lh * lh;
		const varIrradiance = hh / determinant;
		const covariance = -lh / determinant;
		const varTemperature = ll / determinant;
		// Lower Cholesky factor of the covariance.
		const a = Math.sqrt(varIrradiance);
		const b = covariance / a;
		const c = Math.sqrt(Math.max(varTemperature - b * b, 1e-12));
		const logArea = Math.log(SPACING * SPACING * a * c);
		return OFFSETS.map(([i, j]) => {
			const u = SPACING * i;
			const v = SPACING * j;
			return {
				irradiance: shift.irradiance + a * u,
				cellTemperature: shift.cellTemperature + b * u + c * v,
				logArea
			};
		});
	});
}
