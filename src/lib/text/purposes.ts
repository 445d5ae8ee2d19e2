import type { Purpose } from '$core/visit';

export const PURPOSE_WORDS: Readonly<Record<Purpose, string>> = {
	routine: 'Routine',
	fault: 'A fault is reported',
	'before-repair': 'Before a repair',
	'after-repair': 'After a repair',
	'take-over': 'Taking over',
	insurance: 'For the insurer or a standard'
};
