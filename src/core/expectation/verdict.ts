import { normalQuantile } from './normal';

/** What is said of a reading. `no-basis`: nothing to compare it with. */
export type VerdictWord = 'fits' | 'look' | 'off' | 'no-basis';

/** Distances in standard uncertainties at which a reading is worth a look, and off. */
export interface Thresholds {
	/** Below the expected value, where faults take a reading. */
	readonly look: number;
	readonly off: number;
	/** Above it, where few faults take one. */
	readonly above: { readonly look: number; readonly off: number };
}

/** Share of healthy visits that may show an `off`, and a `look` or an `off`, anywhere; Zembo default. */
const FALSE_ALARMS_PER_VISIT = { look: 0.15, off: 0.04 };
/** Share of those alarms that may come from readings below their expected value; Zembo default. */
const SHARE_BELOW = 0.85;

/**
 * Thresholds for a visit of so many judged readings, so that a healthy visit shows an `off` anywhere in at
 * most 2 % of visits and a `look` in at most 15 %, however many readings it has (Sidak, J. Am. Stat.
 * Assoc. 62, 1967). Most of that is spent on readings that are low, since faults lower voltage and current.
 */
export function thresholds(judged: number): Thresholds {
	const at = (share: number, side: number) => {
		const each = 1 - (1 - share) ** (1 / Math.max(judged, 1));
		return -normalQuantile(side * each);
	};
	const both = (side: number) => ({
		look: at(FALSE_ALARMS_PER_VISIT.look, side),
		off: at(FALSE_ALARMS_PER_VISIT.off, side)
	});
	return { ...both(SHARE_BELOW), above: both(1 - SHARE_BELOW) };
}

/** @param distance measured less expected, in standard uncertainties */
export function verdictOf(distance: number, limits: Thresholds): VerdictWord {
	const size = Math.abs(distance);
	const { look, off } = distance > 0 ? limits.above : limits;
	if (size > off) return 'off';
	return size > look ? 'look' : 'fits';
}
