import type { ArrayRecord, StringRecord } from '$core/record/record';
import { REVERSED_STRING } from '$core/rules/cautions';
import type { Assessment } from '$core/trace/assess';
import type { Cause } from '$core/trace/cause';
import type { ProposedTest } from '$core/trace/next-tests';

/** The causes of one string, or of all strings alike, as the trace screen and the report show them. */
export interface Finding {
	readonly key: string;
	readonly string: StringRecord | null;
	readonly causes: readonly Cause[];
	readonly headline: string;
	/** What it may be, where the headline only says what is known. */
	readonly perhaps: string | null;
	/** Of all causes, each test once, least exposure first. */
	readonly tests: readonly ProposedTest[];
}

/** A cause below this chance is not listed among a string's. */
const LISTED = 0.02;
/** A string is a finding from this chance of anything being wrong on. */
const FINDING = 0.15;

/** A string that may be reversed is a danger to whoever closes a switch: it stands first. */
const isDanger = ({ tests }: Pick<Finding, 'tests'>) =>
	tests.some(({ cautions }) => cautions.includes(REVERSED_STRING));

/** Strings with something to say, danger first, then most certain; then what concerns all of them. */
export function findingsOf(assessment: Assessment, record: ArrayRecord): Finding[] {
	const groups = new Map<string, Cause[]>();
	for (const cause of assessment.causes) {
		if (cause.members[0].code === 'healthy' || cause.probability < LISTED) continue;
		const key = cause.stringId ?? 'all';
		groups.set(key, [...(groups.get(key) ?? []), cause]);
	}
	return [...groups.entries()]
		.map(([key, causes]) => ({
			key,
			string: record.strings.find((string) => string.id === key) ?? null,
			causes,
			headline: causes[0]?.title ?? '',
			perhaps: causes[0]?.perhaps ?? null,
			chance: causes.reduce((sum, cause) => sum + cause.probability, 0),
			tests: testsOf(causes)
		}))
		.filter(({ chance }) => chance >= FINDING)
		.sort(
			(a, b) =>
				Number(a.string === null) - Number(b.string === null) ||
				Number(isDanger(b)) - Number(isDanger(a)) ||
				b.chance - a.chance
		);
}

function testsOf(causes: readonly Cause[]): ProposedTest[] {
	const seen = new Set<string>();
	return causes.flatMap(({ tests }) =>
		tests.filter(({ title }) => !seen.has(title) && Boolean(seen.add(title)))
	);
}
