import type { Cause } from './cause';
import type { ProposedTest } from './next/proposed-test';

/** A part this likely is found. */
const FOUND = 0.95;
/** While the place of a cause is open, tests that tell more than this are still taken, bit. */
const WORTH_PLACING = 0.3;

/**
 * Whether a line names one part: one code, at one place, or at no place that a test would tell.
 *
 * @param tests of the same string or part
 */
export function isFound(
	{ members, probability }: Pick<Cause, 'members' | 'probability'>,
	tests: readonly Pick<ProposedTest, 'information'>[]
): boolean {
	const [first] = members;
	if (first.probability < FOUND || probability < FOUND) return false;
	const { within, linkShare = 1 } = first.place;
	if (linkShare < FOUND) return false;
	return within === undefined
		? tests.every(({ information }) => information <= WORTH_PLACING)
		: within.share >= FOUND;
}
