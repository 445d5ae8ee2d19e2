import type { Cause } from './cause';

/** A part this likely is found. */
const FOUND = 0.95;

/** Whether a line names one part: one code, at one place where readings tell its place. */
export function isFound({ members, probability }: Pick<Cause, 'members' | 'probability'>): boolean {
	const [first] = members;
	if (first.probability < FOUND || probability < FOUND) return false;
	const { within } = first.place;
	return within === undefined || within.share >= FOUND;
}
