import type { CauseCode, Spread } from '../faults';

/** Where a cause sits; empty for what concerns the whole visit. */
export interface CausePlace {
	readonly string?: string;
	readonly strings?: readonly string[];
	readonly input?: string;
	readonly inverter?: true;
	readonly site?: true;
	/** Part of the record. */
	readonly part?: string;
	/** Link of a chain: "supply-breaker", "positive". */
	readonly link?: string;
	/** Chance of the likeliest link, given the cause; absent where it has no links. */
	readonly linkShare?: number;
	readonly reading?: string;
	/** Within its string; absent where the readings do not tell. */
	readonly within?: Within;
}

/** What is left of a string after the readings at its single places. */
export interface Within {
	readonly spread: Spread;
	/** Places that hold it together with nineteen in twenty, by index from the negative end, in order. */
	readonly at: readonly number[];
	/** The likeliest of them and its chance, given the cause. */
	readonly likeliest: number;
	readonly share: number;
	/** "module 4", "one of modules 4 to 9". */
	readonly words: string;
}

export interface CauseMember {
	readonly code: CauseCode;
	readonly place: CausePlace;
	/** The cause as the start of a sentence. */
	readonly words: string;
	readonly probability: number;
	/** The likeliest size, in words; empty where the fault has none. */
	readonly severity: string;
	/** The same as a number in the fault's own unit; null where it has none. */
	readonly size: number | null;
}

/** A reading that speaks for a cause, against it, or not at all. */
export interface Reason {
	readonly readingId: string | null;
	readonly weighs: 'for' | 'against' | 'neither';
	readonly words: string;
}

/** One line of the answer: a cause, or several that cannot be told apart yet. */
export interface Cause {
	/** Stable within a visit: place and codes. */
	readonly id: string;
	readonly members: readonly [CauseMember, ...CauseMember[]];
	readonly probability: number;
	/** Less what of it is a reading to take again rather than a fault; by this lines are ordered. */
	readonly faulty: number;
	readonly stringId: string | null;
	/** What is said of it, its place apart: the cause where it is likely enough, else what is known. */
	readonly title: string;
	/** What it may be, where the title only says what is known. */
	readonly perhaps: string | null;
	/** Where in its string it sits, as far as that is known; null where it is not. */
	readonly where: string | null;
	readonly reasons: readonly Reason[];
	/** Whether the readings fit it better than a string without a fault; where not, it may be so all the same. */
	readonly borneOut: boolean;
	/** What would look the same, in words; null where nothing else would. */
	readonly lookAlikes: string | null;
}

/** A cause that the readings leave next to no room for. */
export interface RuledOut {
	readonly stringId: string;
	readonly code: CauseCode;
	readonly words: string;
}
