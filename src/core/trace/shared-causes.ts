import type { SharedDoubt } from '../expectation/error-model';
import { logNormalDensity } from '../expectation/normal';
import type { Shift } from '../expectation/siblings';

/** What may move all strings alike: nothing, dirt on all of them, or conditions that were not as stated. */
export type SharedCause = 'as-stated' | 'soiling' | 'conditions-wrong';

/** Judgement: how often each is met at a visit. */
const PRIOR: Readonly<Record<SharedCause, number>> = {
	'as-stated': 0.85,
	soiling: 0.08,
	'conditions-wrong': 0.07
};

/** How far conditions lie that are wrong: relative light, and K. */
const WRONG_BY = { light: 0.35, heat: 12 };
/** Dirt on all strings beyond what is allowed for: losses and their shares. */
const COMMON_DIRT = [0.03, 0.06, 0.1, 0.15, 0.22, 0.32].map((loss, i) => ({
	loss,
	share: [0.3, 0.25, 0.2, 0.12, 0.08, 0.05][i]!
}));

/** ln of prior times density of a shift, under each shared cause. */
export function logSharedPriors(
	shift: Shift,
	doubt: SharedDoubt
): Readonly<Record<SharedCause, number>> {
	const heat = logNormalDensity(shift.heat, doubt.heat);
	const dirt = COMMON_DIRT.reduce((sum, { loss, share }) => {
		// Between two losses of the list the dirt may lie anywhere: the width covers the gap.
		const width = Math.hypot(doubt.light, 0.25 * loss);
		return sum + share * Math.exp(logNormalDensity(shift.light - Math.log(1 - loss), width));
	}, 1e-300);
	return {
		'as-stated': Math.log(PRIOR['as-stated']) + logNormalDensity(shift.light, doubt.light) + heat,
		soiling: Math.log(PRIOR.soiling) + Math.log(dirt) + heat,
		'conditions-wrong':
			Math.log(PRIOR['conditions-wrong']) +
			logNormalDensity(shift.light, Math.hypot(WRONG_BY.light, doubt.light)) +
			logNormalDensity(shift.heat, Math.hypot(WRONG_BY.heat, doubt.heat))
	};
}

/** ln(sum of exp), without overflow. */
export function logSum(values: ArrayLike<number> & Iterable<number>): number {
	let most = -Infinity;
	for (const value of values) if (value > most) most = value;
	if (most === -Infinity) return -Infinity;
	let sum = 0;
	for (const value of values) sum += Math.exp(value - most);
	return most + Math.log(sum);
}
