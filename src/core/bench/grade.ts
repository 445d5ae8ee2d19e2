import { AGEING_UNCERTAINTY, POWER_AGEING_PER_YEAR } from '../expectation';
import type { GradeProfile } from './module-batch';

export type Grade = 'good' | 'fair' | 'weak' | 'out' | 'unknown';

/** A grade with its reason. */
export interface Graded {
	readonly grade: Grade;
	readonly words: string;
	/** The band reaches over the limit of a grade: another take may move it. */
	readonly near: boolean;
	/** It was not measured on a load, so the module may be worse than its grade, and is not better. */
	readonly atMost: boolean;
}

/** Of a module whose year nobody knows. */
const UNKNOWN_YEARS = { usual: 10, uncertainty: 6 };
/** What labels promise and modules differ by, relative standard uncertainty; judgement. */
const TOLERANCE = 0.02;
/** Share above its nameplate that a module may have new, power tolerance; Zembo default. */
const NAMEPLATE_TOLERANCE = 0.05;
/** Below so much of what its age leaves a module is out, by band. */
const OUT_SHARE = 0.5;

const percent = (share: number) => `${(100 * share).toFixed(0)} %`;

/**
 * The grade of a share of label power.
 *
 * @param share corrected to standard conditions
 * @param uncertainty standard uncertainty of the share
 * @param years since it was made; null where unknown
 * @param loaded whether it was measured on a load; open circuit and short circuit alone are the most it can be
 * @param measured standard uncertainty without that of an angle nobody checked: a share that is possible only with it is
 *   questioned, not graded
 */
export function gradeOf(
	share: number | null,
	uncertainty: number,
	years: number | null,
	profile: GradeProfile,
	loaded: boolean,
	measured = uncertainty
): Graded {
	if (share === null)
		return {
			grade: 'unknown',
			words: 'Nothing to judge it by yet.',
			near: false,
			atMost: false
		};
	const possible = 1 + NAMEPLATE_TOLERANCE + 2 * measured;
	if (share > possible) {
		return {
			grade: 'unknown',
			words: `${percent(share)} of its nameplate is more than it can produce (at most ${percent(possible)} with tolerance and uncertainty). Check the irradiance, the nameplate, the meter and whether module and reference module lie in one plane, and measure again.`,
			near: false,
			atMost: false
		};
	}
	const graded =
		profile.by === 'limits'
			? byLimits(share, uncertainty, profile)
			: byBand(share, uncertainty, years, profile);
	if (loaded) return { ...graded, atMost: false };
	return {
		...graded,
		words: `At most ${graded.words} Open circuit and short circuit do not show a grown series resistance. Measure it on a load near its maximum: voltage and current on a heater or lamp will do.`,
		atMost: graded.grade !== 'out'
	};
}

type Judged = Omit<Graded, 'atMost'>;

function byLimits(share: number, uncertainty: number, { limits }: GradeProfile): Judged {
	const steps = [
		['good', limits.good],
		['fair', limits.fair],
		['weak', limits.weak]
	] as const;
	const grade = steps.find(([, least]) => share >= least)?.[0] ?? 'out';
	const near = steps.find(([, least]) => Math.abs(share - least) < 2 * uncertainty);
	return {
		grade,
		near: near !== undefined,
		words: `${percent(share)} of its nameplate; good from ${percent(limits.good)}, fair from ${percent(limits.fair)}, out below ${percent(limits.weak)}.${near ? ` The band reaches over ${percent(near[1])}: another take may move it.` : ''}`
	};
}

/** What a module of its age should still give, and whether this one surely gives less. */
function byBand(
	share: number,
	uncertainty: number,
	years: number | null,
	{ limits }: GradeProfile
): Judged {
	const age = years ?? UNKNOWN_YEARS.usual;
	const expected = 1 - POWER_AGEING_PER_YEAR * age;
	const ageing =
		POWER_AGEING_PER_YEAR * (years === null ? UNKNOWN_YEARS.uncertainty : AGEING_UNCERTAINTY * age);
	const band = 2 * Math.hypot(uncertainty, ageing, TOLERANCE);
	const least = expected - band;
	const near = Math.abs(share - least) < uncertainty;
	const words = `${percent(share)} of its nameplate; ${years === null ? 'of unknown age' : `after ${age} years`} ${percent(expected)} ± ${percent(band)} is usual.`;
	if (share >= least) return { grade: 'good', words, near };
	const kept = share / expected;
	if (kept + 2 * uncertainty < OUT_SHARE) {
		return { grade: 'out', words: `${words} It surely gives less than half of that.`, near };
	}
	const grade = kept >= limits.fair ? 'fair' : 'weak';
	return { grade, words: `${words} It gives ${percent(kept)} of that.`, near };
}
