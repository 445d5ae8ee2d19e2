import { normalQuantile } from './normal';

/** What is said of a reading. `no-basis`: nothing to compare it with. */
export type VerdictWord = 'fits' | 'look' | 'off' | 'no-basis';

/** Distances in standard uncertainties at which a reading is worth a look, and off. */
export interface Thresholds {
	readonly look: number;
	readonly off: number;
}

/** Share of healthy visits that may show an `off` anywhere. */
const FALSE_ALARMS_PER_VISIT = 0.02;

/**
 * Thresholds for a visit of so many judged readings, so that a healthy visit shows an `off`
 * anywhere in at most 2 % of visits however many readings it has (Sidak, J. Am. Stat. Assoc. 62,
 * 1967). `look` lies half way, but not inside the band of two standard uncertainties that is drawn.
 */
export function thresholds(judged: number): Thresholds {
	const each = 1 - (1 - FALSE_ALARMS_PER_VISIT) ** (1 / Math.max(judged, 1));
	const off = -normalQuantile(each / 2);
	return { look: Math.max(2, off / 2), off };
}

export function verdictOf(distance: number, { look, off }: Thresholds): VerdictWord {
	const size = Math.abs(distance);
	if (size > off) return 'off';
	return size > look ? 'look' : 'fits';
}
