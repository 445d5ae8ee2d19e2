import type { SharedEstimate, Shift } from '../expectation/siblings';

/** A point of the plane of light and heat with the area it stands for. */
export interface GridPoint extends Shift {
	readonly logArea: number;
}

/** Points along each axis, and how far the grid reaches in standard uncertainties. */
const POINTS = 7;
const REACH = 3.9;

/**
 * A grid over effective light and heat, laid along the axes of the readings' own covariance about
 * each answer they allow. Spacing is 1.3 standard uncertainties, at which the trapezoid rule on a
 * normal density is exact to 2e-5 (2 exp(-2 pi^2/h^2)), and 1e-4 of it lies outside.
 */
export function shiftGrid(estimates: readonly SharedEstimate[]): GridPoint[] {
	return estimates.flatMap(({ shift, information: [ll, lh, hh] }) => {
		const determinant = ll * hh - lh * lh;
		const varLight = hh / determinant;
		const covariance = -lh / determinant;
		const varHeat = ll / determinant;
		// Lower Cholesky factor of the covariance.
		const a = Math.sqrt(varLight);
		const b = covariance / a;
		const c = Math.sqrt(Math.max(varHeat - b * b, 1e-12));
		const step = (2 * REACH) / (POINTS - 1);
		const logArea = Math.log(step * step * a * c);
		return Array.from({ length: POINTS * POINTS }, (_, i) => {
			const u = -REACH + step * (i % POINTS);
			const v = -REACH + step * Math.floor(i / POINTS);
			return { light: shift.light + a * u, heat: shift.heat + b * u + c * v, logArea };
		});
	});
}
