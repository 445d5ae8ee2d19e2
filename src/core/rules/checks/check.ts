import type { UnknownPlace } from '../../record/unknowns';

/** One limit held against the record. */
export interface Check {
	readonly key: string;
	readonly title: string;
	/** Strings or part it is about. */
	readonly about: string;
	/** A note tells a figure that no rule limits; unknown names what is missing. */
	readonly outcome: 'fits' | 'finding' | 'unknown' | 'note';
	/** The answer in a sentence. */
	readonly words: string;
	/** What went in, with units. */
	readonly inputs: readonly (readonly [words: string, figure: string])[];
	/** How the answer came out of it, in words; empty where nothing was computed. */
	readonly formula: string;
	readonly clause: string;
	readonly at: UnknownPlace;
}

/** Where one walks to change what a check found. */
export const PLACES = {
	site: { kind: 'site' },
	strings: { kind: 'strings' }
} as const satisfies Record<string, UnknownPlace>;

/** A check that waits for something nobody knows yet. */
export function waitsFor(
	base: Pick<Check, 'key' | 'title' | 'about' | 'clause'>,
	missing: readonly string[],
	at: UnknownPlace
): Check {
	const words = `Cannot be said: ${missing.join(' and ')} not known yet.`;
	return { ...base, outcome: 'unknown', words, inputs: [], formula: '', at };
}

/** "4.3" or "523": three figures are enough to compare with a rating. */
export function amount(value: number, unit: string): string {
	const digits = Math.abs(value) >= 100 ? 0 : Math.abs(value) >= 10 ? 1 : 2;
	return `${value.toFixed(digits)} ${unit}`;
}
