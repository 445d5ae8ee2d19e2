import fitted from './calibration.json';
import type { Cause } from './cause';

/** What {@link calibrated} is fitted to: how often lines were right that said so much. */
export interface SaidAndRight {
	readonly said: number;
	readonly right: boolean;
}

const logit = (p: number) => Math.log(p / (1 - p));
const logistic = (x: number) => 1 / (1 + Math.exp(-x));
const LEAST = 1e-9;

/**
 * A probability as often as lines that say so much are right. Below one half the posterior says too much,
 * since an array with one fault seldom has a second one in the next string; above it nothing is added: a line
 * is never surer than its readings make it.
 *
 * @param steepness of the odds below one half, 1 for the posterior as it is; fitted by
 * `npm run bench -- calibrate --write`
 */
export function calibrated(probability: number, steepness: number = fitted.steepness): number {
	if (probability >= 0.5 || probability <= LEAST) return probability;
	return logistic(steepness * logit(probability));
}

/** The posterior behind a calibrated probability. */
export function posteriorBehind(probability: number, steepness: number = fitted.steepness): number {
	if (probability >= 0.5 || probability <= LEAST) return probability;
	return logistic(logit(probability) / steepness);
}

/**
 * The steepness that makes what was said likeliest, by Newton's method in one unknown (the logarithm of the
 * likelihood is concave).
 */
export function fitSteepness(lines: readonly SaidAndRight[]): number {
	const below = lines.filter(({ said }) => said < 0.5 && said > LEAST);
	let steepness = 1;
	for (let round = 0; round < 50; round++) {
		let [gradient, curvature] = [0, 0];
		for (const { said, right } of below) {
			const x = logit(said);
			const p = logistic(steepness * x);
			gradient += x * (Number(right) - p);
			curvature += x * x * p * (1 - p);
		}
		const step = gradient / Math.max(curvature, 1e-12);
		steepness += step;
		if (Math.abs(step) < 1e-9) break;
	}
	return steepness;
}

/**
 * Lines with calibrated probabilities, in the order they stand in. That nothing is wrong stays as it is: it is
 * one statement, not one of many about single strings.
 */
export function calibratedLines(causes: readonly Cause[]): Cause[] {
	return causes.map((cause) => {
		if (cause.members[0].code === 'healthy') return cause;
		const probability = calibrated(cause.probability);
		const share = cause.probability > 0 ? probability / cause.probability : 1;
		const [first, ...others] = cause.members.map((member) => ({
			...member,
			probability: member.probability * share
		}));
		return { ...cause, probability, faulty: cause.faulty * share, members: [first!, ...others] };
	});
}
