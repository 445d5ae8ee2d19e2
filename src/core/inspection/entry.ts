export const OUTCOMES = ['fits', 'finding', 'not-seen'] as const;
export const SEVERITIES = ['act-now', 'mend-soon', 'note'] as const;
export type Severity = (typeof SEVERITIES)[number];

export const SEVERITY_WORDS: Readonly<Record<Severity, string>> = {
	'act-now': 'Immediate',
	'mend-soon': 'Scheduled',
	note: 'Observation'
};

export const PATTERNS = ['cell', 'section', 'module', 'string', 'connector'] as const;
export type InfraredPattern = (typeof PATTERNS)[number];

/** Where on the array an answer belongs. */
export type InspectionPlace =
	| { readonly kind: 'module'; readonly stringId: string; readonly module: number }
	| { readonly kind: 'string'; readonly stringId: string }
	| { readonly kind: 'part'; readonly partId: string };

/** An infrared picture's figures. */
export interface Infrared {
	readonly pattern: InfraredPattern;
	/** Warmer than its like beside it, K. */
	readonly difference: number;
	/** By the clamp at that moment, A. */
	readonly amps: number;
	/** Current to which the difference is scaled, A: label Imp, or what the string brings in full sun. */
	readonly fullAmps: number;
}

/** One answer of the walk. Never changed once stored: a correction supersedes. */
export interface InspectionEntry {
	readonly id: string;
	/** Item, and part where it is asked of each. */
	readonly stop: string;
	readonly outcome: (typeof OUTCOMES)[number];
	/** Of a finding; null else. */
	readonly severity: Severity | null;
	readonly place: InspectionPlace | null;
	/** What was found, or why it could not be seen. */
	readonly words: string;
	/** In the item's unit; null where nothing was measured. */
	readonly measured: number | null;
	readonly infrared: Infrared | null;
	/** Ids of photographs, in order. */
	readonly photographs: readonly string[];
	readonly at: string;
	readonly by: string;
	/** The answer that this one replaces. */
	readonly supersedes: string | null;
	/** Taken back: what it superseded stands no more, and neither does this. */
	readonly withdrawn: boolean;
}

/** Answers that stand, in the order they were given. */
export function currentEntries(entries: readonly InspectionEntry[]): InspectionEntry[] {
	const replaced = new Set(entries.map(({ supersedes }) => supersedes));
	return entries.filter(({ id, withdrawn }) => !withdrawn && !replaced.has(id));
}
