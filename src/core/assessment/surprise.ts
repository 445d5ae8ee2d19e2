import type { Scattered } from '../expectation';
import { normalQuantile, normalTail } from '../numerics';

/** Below this a share of the normal distribution is no longer told from none. */
const LEAST_SHARE = 1e-280;

/**
 * How far out a difference lies, in standard deviations of a normal distribution that has as much beyond
 * it: the scatter being uncertain, its own distribution has heavier tails, and the fewer readings told of
 * it the heavier.
 *
 * @param difference measured less expected, V or A
 */
export function surprise(difference: number, { without, unit, scatter }: Scattered): number {
	const size = Math.abs(difference);
	const sigmas = scatter.values.map((value) => Math.hypot(without, unit * value));
	const beyond = sigmas.reduce(
		(sum, sigma, i) => sum + scatter.weights[i]! * normalTail(size / sigma),
		0
	);
	const z =
		beyond > LEAST_SHARE ? -normalQuantile(Math.min(beyond, 0.5)) : size / Math.max(...sigmas);
	return Math.sign(difference) * z;
}
