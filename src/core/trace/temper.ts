/**
 * Chance that nothing is wrong by the posterior, against how often nothing was wrong *that the readings
 * could show*: what is hidden below two standard uncertainties of every reading counts as nothing there,
 * while the posterior counts it as something. Measured on 4,000 visits of the project's own generator
 * (seeds from 600,000 and 700,000), which take no part in what is printed of the calibration.
 */
const KNOTS: readonly (readonly [posterior: number, measured: number])[] = [
	[0, 0],
	[0.1, 0.15],
	[0.15, 0.5],
	[0.25, 0.66],
	[0.45, 0.69],
	[0.65, 0.715],
	[0.75, 0.735],
	[0.85, 0.82],
	[0.92, 0.9],
	[0.96, 0.965],
	[1, 1]
];

/** The chance that nothing is wrong that these readings can show. */
export function nothingToShow(posterior: number): number {
	const above = KNOTS.findIndex(([at]) => at >= posterior);
	if (above <= 0) return above === 0 ? 0 : 1;
	const [from, low] = KNOTS[above - 1]!;
	const [to, high] = KNOTS[above]!;
	return low + ((high - low) * (posterior - from)) / (to - from);
}
