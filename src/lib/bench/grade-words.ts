import type { Grade, Graded } from '$core/bench';

export const GRADE_WORDS: Readonly<Record<Grade, string>> = {
	good: 'good',
	fair: 'fair',
	weak: 'weak',
	out: 'out',
	unknown: 'not known'
};

/** What the mark of a grade shows of it. */
export function markOf({ grade, near, atMost }: Graded): Omit<Graded, 'words'> {
	return { grade, near, atMost };
}
