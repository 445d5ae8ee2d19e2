import type { ModuleType, StringRecord } from '../record/record';
import { CATALOGUE } from '../faults/catalogue';
import type { Fault, Severity } from '../faults/fault';

/** One way a string may be: whole, or with one fault of one size. */
export interface Hypothesis {
	/** Null: whole. */
	readonly fault: Fault | null;
	readonly severity: Severity;
	readonly prior: number;
}

const WHOLE: Severity = { size: 0, share: 1, words: '' };

/**
 * Every hypothesis of one string with its prior: rate per part times the parts of this string,
 * spread over the sizes. The first is the whole string.
 */
export function hypothesesOf(
	string: StringRecord,
	type: ModuleType
): readonly [Hypothesis, ...Hypothesis[]] {
	const faulty = CATALOGUE.flatMap((fault) => {
		const prior = 1 - (1 - fault.rate) ** fault.parts(string, type);
		return prior > 0
			? fault.severities.map((severity) => ({ fault, severity, prior: prior * severity.share }))
			: [];
	});
	const total = faulty.reduce((sum, h) => sum + h.prior, 0);
	// Very long strings would add up to more than certainty; the shares then keep their proportion.
	const scale = Math.min(1, 0.6 / total);
	return [
		{ fault: null, severity: WHOLE, prior: 1 - total * scale },
		...faulty.map((h) => ({ ...h, prior: h.prior * scale }))
	];
}
