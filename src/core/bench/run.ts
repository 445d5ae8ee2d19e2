import {
	type CableProblem,
	type CableRating,
	type CableSpec,
	rateCable,
	uncorrectedAmpacity
} from '../design-checks';
import type { Result } from '../units';

/** A run of cable as it is asked about, with the strings that feed it. */
export interface RunAsk {
	readonly cable: CableSpec;
	/** Operating current on the run, A. */
	readonly current: number;
	/** Short-circuit current of one string, A. */
	readonly isc: number;
	/** Strings in parallel, and how many of them this run carries. */
	readonly strings: number;
	readonly onRun: number;
	/** Factor on the current: 1.25 by both profiles. */
	readonly factor: number;
	/** Fuse of each string, A; null for none. */
	readonly fuse: number | null;
}

/** What a run has to carry, and whether it does. */
export interface RunAnswer {
	/** As it lies, A: the larger of factor × current and factor × Isc of its strings. */
	readonly required: number;
	/** Before corrections and at its terminals, A; null by the IEC. */
	readonly requiredUncorrected: number | null;
	/** What the strings beside it feed into a fault of a run without a fuse, A; 0 where there are none. */
	readonly reverse: number;
	readonly rating: Result<CableRating, CableProblem>;
	/** Null where no table covers the cable. */
	readonly verdict: 'pass' | 'fail' | null;
	readonly fails: readonly ('corrected' | 'uncorrected' | 'reverse' | 'fuse')[];
}

/**
 * A run of DC cable against all that was typed: NEC 690.8(A) and (B), 690.9, 240.4; IEC 62548-1; not
 * verified.
 */
export function answerRun(ask: RunAsk): RunAnswer {
	const { cable, current, isc, strings, onRun, factor, fuse } = ask;
	const most = Math.max(current, onRun * isc);
	const required = factor * most;
	const requiredUncorrected = cable.profile === 'NEC' ? 1.25 * required : null;
	const beside = Math.max(strings - onRun, 0);
	const reverse = fuse === null ? factor * beside * isc : 0;
	const rating = rateCable(cable);
	if (!rating.ok) {
		return { required, requiredUncorrected, reverse, rating, verdict: null, fails: [] };
	}
	const { corrected, ampacity, maximumFuse } = rating.value;
	const fails: RunAnswer['fails'] = [
		...(corrected < required ? (['corrected'] as const) : []),
		...(requiredUncorrected !== null && uncorrectedAmpacity(rating.value) < requiredUncorrected
			? (['uncorrected'] as const)
			: []),
		...(ampacity < reverse ? (['reverse'] as const) : []),
		// A string's fuse protects a run of that string alone.
		...(fuse !== null && onRun === 1 && strings > 1 && (maximumFuse === null || fuse > maximumFuse)
			? (['fuse'] as const)
			: [])
	];
	return {
		required,
		requiredUncorrected,
		reverse,
		rating,
		verdict: fails.length > 0 ? 'fail' : 'pass',
		fails
	};
}
