import { normalQuantile } from '../numerics';

/** How a reading compares. A pass means within tolerance, not safe to touch. */
export type Grade = 'pass' | 'marginal' | 'fail';

/** The result of a reading. `not-assessed`: nothing to compare it with. */
export type Verdict = Grade | 'not-assessed';

/** Distances in standard uncertainties from which a reading is marginal, and from which it fails. */
export interface Thresholds {
	/** Below the expected value, where faults take a reading. */
	readonly marginal: number;
	readonly fail: number;
	/** Above it, where few faults take one. */
	readonly above: { readonly marginal: number; readonly fail: number };
}

/** Share of healthy visits that may show a `fail`, and a `marginal` or a `fail`, anywhere; Zembo default. */
const FALSE_ALARMS_PER_VISIT = { marginal: 0.15, fail: 0.04 };
/** Share of those alarms that may come from readings below their expected value; Zembo default. */
const SHARE_BELOW = 0.85;

/**
 * Thresholds for a visit of so many judged readings, so that a healthy visit shows a `fail` anywhere in at
 * most 4 % of visits and a `marginal` or a `fail` in at most 15 %, however many readings it has (Sidak, J. Am. Stat.
 * Assoc. 62, 1967). Most of that is spent on readings that are low, since faults lower voltage and current.
 */
export function thresholds(judged: number): Thresholds {
	const at = (share: number, side: number) => {
		const each = 1 - (1 - share) ** (1 / Math.max(judged, 1));
		return -normalQuantile(side * each);
	};
	const both = (side: number) => ({
		marginal: at(FALSE_ALARMS_PER_VISIT.marginal, side),
		fail: at(FALSE_ALARMS_PER_VISIT.fail, side)
	});
	return { ...both(SHARE_BELOW), above: both(1 - SHARE_BELOW) };
}

/** @param distance measured less expected, in standard uncertainties */
export function gradeOf(distance: number, limits: Thresholds): Grade {
	const size = Math.abs(distance);
	const { marginal, fail } = distance > 0 ? limits.above : limits;
	if (size > fail) return 'fail';
	return size > marginal ? 'marginal' : 'pass';
}
