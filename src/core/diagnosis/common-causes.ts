import { logNormalDensity, logSum } from '../numerics';
import type { SharedUncertainty, Shift } from '../expectation';

/**
 * What may move all strings of a group alike: nothing, soiling on all of them, conditions that were not as
 * stated, or a nameplate that is not theirs.
 */
export type SharedCause = 'as-stated' | 'soiling' | 'conditions-wrong' | 'record-wrong';

/** Judgement: how often each is met at a visit. */
const PRIOR: Readonly<Record<SharedCause, number>> = {
	'as-stated': 0.91,
	soiling: 0.02,
	'conditions-wrong': 0.06,
	'record-wrong': 0.01
};

/** How far conditions lie that are wrong: relative light, and K. */
const WRONG_BY = { light: 0.35, heat: 12 };
/**
 * Of wrong conditions, how often it is the sensor (tilted otherwise, dirty, read at another moment), the probe
 * (come loose, on another module), or both; judgement. A wrong nameplate shifts currents and voltages alike.
 */
const WRONG_ONES = { light: 0.45, heat: 0.45, both: 0.1 };
/** Soiling on all strings beyond what is allowed for: losses and their shares. */
const COMMON_SOILING = [0.03, 0.06, 0.1, 0.15, 0.22, 0.32].map((loss, i) => ({
	loss,
	share: [0.34, 0.3, 0.2, 0.1, 0.04, 0.02][i]!
}));

/** What cleaning gains where there is soiling to clean, and where there is none, %. */
export function predictedGain(shift: Shift, dirty: boolean): { value: number; sigma: number } {
	if (!dirty) return { value: 0, sigma: 2 };
	const value = 100 * Math.expm1(-Math.min(shift.irradiance, 0));
	return { value, sigma: Math.hypot(2, 0.2 * value) };
}

/** What is known of all strings besides their own readings. */
export interface SharedEvidence {
	/** What cleaning one string of all gained, %; null where nobody did. */
	readonly cleaningGain: number | null;
	/** ln by which strings of other types in the same light speak for wrong conditions; less than 0: against. */
	readonly againstConditions: number;
	/** How frequent faults may be at this array, as a multiple of the usual rates; equally likely each. */
	readonly frequencies: readonly number[];
}

export const NOTHING_ELSE: SharedEvidence = {
	cleaningGain: null,
	againstConditions: 0,
	frequencies: [1]
};

/**
 * ln by which the strings of a group speak for conditions that were not as stated, against all else that moves
 * them alike: a nameplate that is not theirs explains the same shift, and says nothing of the conditions.
 */
export function speaksAgainstConditions(shared: Readonly<Record<SharedCause, number>>): number {
	const wrong = shared['conditions-wrong'];
	const odds = wrong / Math.max(1 - wrong, 1e-12);
	const before = PRIOR['conditions-wrong'] / (1 - PRIOR['conditions-wrong']);
	return Math.max(-7, Math.min(7, Math.log(Math.max(odds, 1e-12) / before)));
}

/** ln of prior times density of a shift, under each shared cause. */
export function logSharedPriors(
	shift: Shift,
	uncertainty: SharedUncertainty,
	{ cleaningGain, againstConditions }: SharedEvidence = NOTHING_ELSE
): Readonly<Record<SharedCause, number>> {
	const cellTemperature = logNormalDensity(shift.cellTemperature, uncertainty.cellTemperature);
	const soiling = COMMON_SOILING.reduce((sum, { loss, share }) => {
		// Between two losses of the list the soiling may lie anywhere: the width covers the gap.
		const width = Math.hypot(uncertainty.irradiance, 0.25 * loss);
		return sum + share * Math.exp(logNormalDensity(shift.irradiance - Math.log(1 - loss), width));
	}, 1e-300);
	const irradiance = logNormalDensity(shift.irradiance, uncertainty.irradiance);
	const otherIrradiance = logNormalDensity(
		shift.irradiance,
		Math.hypot(WRONG_BY.light, uncertainty.irradiance)
	);
	const otherTemperature = logNormalDensity(
		shift.cellTemperature,
		Math.hypot(WRONG_BY.heat, uncertainty.cellTemperature)
	);
	const elsewhere = otherIrradiance + otherTemperature;
	const wrong = logSum([
		Math.log(WRONG_ONES.light) + otherIrradiance + cellTemperature,
		Math.log(WRONG_ONES.heat) + irradiance + otherTemperature,
		Math.log(WRONG_ONES.both) + elsewhere
	]);
	const cleaned = (dirty: boolean) => {
		if (cleaningGain === null) return 0;
		const { value, sigma } = predictedGain(shift, dirty);
		return logNormalDensity(cleaningGain - value, sigma);
	};
	return {
		'as-stated': cleaned(false) + Math.log(PRIOR['as-stated']) + irradiance + cellTemperature,
		soiling: cleaned(true) + Math.log(PRIOR.soiling) + Math.log(soiling) + cellTemperature,
		'conditions-wrong':
			cleaned(false) + againstConditions + Math.log(PRIOR['conditions-wrong']) + wrong,
		'record-wrong': cleaned(false) + Math.log(PRIOR['record-wrong']) + elsewhere
	};
}
