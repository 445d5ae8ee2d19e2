import type { Verdict } from '../verdict';
import type { Reading } from '../../visit';

/** What is said of a reading that has a limit instead of a band. */
export interface LimitVerdict {
	readonly key: string;
	readonly reading: Reading;
	readonly verdict: Verdict;
	/** What it means. */
	readonly words: string;
	/** "at least 1 Mohm"; empty where there is none. */
	readonly limit: string;
	/** Clause, or that it is practice or judgement. */
	readonly source: string;
}

/** The part of {@link LimitVerdict} that a rule finds. */
export type Judged = Omit<LimitVerdict, 'key' | 'reading'>;

export const PRACTICE = 'common practice';
const JUDGEMENT = 'judgement';

export function judged(verdict: Verdict, words: string, limit = '', source = JUDGEMENT): Judged {
	return { verdict, words, limit, source };
}
