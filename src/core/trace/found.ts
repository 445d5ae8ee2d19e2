import type { Cause } from './cause';
import type { ProposedTest } from './next/proposed-test';

/** A part this likely is found. */
const FOUND = 0.95;
/** While the place of a cause is open, a test that tells more than this is still taken, bit. */
const WORTH_PLACING = 0.3;

/**
 * Whether a line names one part: one code, at one place, or at no place that a test would tell.
 *
 * @param next the best test of the same string or part; null where none is left
 */
export function isFound(
	{ members, probability }: Pick<Cause, 'members' | 'probability'>,
	next: Pick<ProposedTest, 'information'> | null
): boolean {
	const [first] = members;
	if (first.probability < FOUND || probability < FOUND) return false;
	const { within, linkShare = 1 } = first.place;
	if (linkShare < FOUND) return false;
	return within === undefined ? (next?.information ?? 0) <= WORTH_PLACING : within.share >= FOUND;
}
