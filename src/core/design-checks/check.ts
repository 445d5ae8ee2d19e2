import type { UnknownPlace } from '../record';

/** What a design check is about; stable, since files of the command line carry it. */
export const CHECK_CODES = [
	'string-voltage-cold',
	'rated-voltage',
	'voltage-limit',
	'mppt-window',
	'insulation-test-voltage',
	'string-fuse',
	'sub-array-fuse',
	'rated-current',
	'input-current',
	'conductor-ampacity',
	'conductor-reverse-current',
	'conductor-overcurrent',
	'earthing-conductor',
	'ac-conductor',
	'ac-voltage-rise',
	'busbar',
	'pv-breaker',
	'rapid-shutdown',
	'arc-fault-protection',
	'ground-fault-protection',
	'dc-spd',
	'unequal-strings',
	'module-electronics',
	'charge-voltage',
	'charge-rate',
	'dc-ac-ratio'
] as const;
export type CheckCode = (typeof CHECK_CODES)[number];

/** A note states a figure that no rule limits. */
export const CHECK_VERDICTS = ['fail', 'not-assessed', 'note', 'pass'] as const;
export type CheckVerdict = (typeof CHECK_VERDICTS)[number];

export type CheckPlace =
	| { readonly string: string }
	| { readonly part: string }
	| { readonly input: string };

/** One requirement held against the array record. */
export interface Check {
	readonly key: string;
	readonly code: CheckCode;
	readonly title: string;
	/** Strings or part it is about, in words. */
	readonly about: string;
	readonly places: readonly CheckPlace[];
	readonly verdict: CheckVerdict;
	/** What the rule requires; null where it sets no limit, or none can be worked out yet. */
	readonly required: string | null;
	/** What the record has; null where that is not known. */
	readonly found: string | null;
	/** What follows, or what is missing; may be empty. */
	readonly remark: string;
	/** What went in, with units. */
	readonly inputs: readonly (readonly [words: string, figure: string])[];
	/** How the answer came out of it; empty where nothing was computed. */
	readonly formula: string;
	readonly clause: string;
	/** Where in the record it is changed. */
	readonly at: UnknownPlace;
}

/** What every check of one subject shares. */
export type CheckBase = Pick<
	Check,
	'key' | 'code' | 'title' | 'about' | 'places' | 'clause' | 'at'
>;

/** Where in the record one goes to change what a check found. */
export const PLACES = {
	site: { kind: 'site' },
	strings: { kind: 'strings' }
} as const satisfies Record<string, UnknownPlace>;

type Answer = Pick<Check, 'required' | 'found'> &
	Partial<Pick<Check, 'remark' | 'inputs' | 'formula' | 'clause'>>;

/** A check that was worked out. */
export function answered(base: CheckBase, verdict: CheckVerdict, answer: Answer): Check {
	return { ...base, verdict, remark: '', inputs: [], formula: '', ...answer };
}

/** A check that waits for something that is not recorded. @param missing nouns, at least one */
export function notAssessed(
	base: CheckBase,
	missing: readonly string[],
	known: Partial<Answer> = {}
): Check {
	const remark = `Not recorded: ${missing.join('; ')}.`;
	return {
		...base,
		verdict: 'not-assessed',
		required: null,
		found: null,
		inputs: [],
		formula: '',
		...known,
		remark: known.remark ? `${remark} ${known.remark}` : remark
	};
}

/** Places of strings. */
export function stringPlaces(strings: readonly { readonly id: string }[]): CheckPlace[] {
	return strings.map(({ id }) => ({ string: id }));
}

/** "4.30 A", "43.5 A" or "523 A": three figures are enough to compare with a rating. */
export function amount(value: number, unit: string): string {
	const digits = Math.abs(value) >= 100 ? 0 : Math.abs(value) >= 10 ? 1 : 2;
	return `${value.toFixed(digits).replace('-', '−')} ${unit}`;
}
