import type { Grade } from '$core/bench/grade';

export const GRADE_WORDS: Readonly<Record<Grade, string>> = {
	good: 'good',
	fair: 'fair',
	weak: 'weak',
	out: 'out',
	unknown: 'not known'
};
