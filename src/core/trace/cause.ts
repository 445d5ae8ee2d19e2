import type { CauseCode } from '../faults/fault';
import type { ProposedTest } from './next-tests';

/** Where a cause sits; empty for what concerns the whole visit. */
interface CausePlace {
	readonly string?: string;
	readonly reading?: string;
}

export interface CauseMember {
	readonly code: CauseCode;
	readonly place: CausePlace;
	/** The cause as the start of a sentence. */
	readonly words: string;
	readonly probability: number;
	/** The likeliest size, in words; empty where the fault has none. */
	readonly severity: string;
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
	readonly stringId: string | null;
	/** What is said of it, its place apart: the cause where it is likely enough, else what is known. */
	readonly title: string;
	/** What it may be, where the title only says what is known. */
	readonly perhaps: string | null;
	readonly reasons: readonly Reason[];
	/** What would look the same and is not weighed by this version. */
	readonly lookAlikes: string | null;
	readonly tests: readonly ProposedTest[];
}
