import type { ArrayRecord, StringRecord } from '$core/record';
import type { Assessment, Cause, ProposedTest } from '$core/diagnosis';

/** The causes of one string, of what strings share, or of all alike, as the trace screen and the report show them. */
export interface Finding {
	readonly key: string;
	readonly string: StringRecord | null;
	/** "A3", "Input A", "Inverter", "Q1", "All". */
	readonly name: string;
	readonly causes: readonly Cause[];
	readonly headline: string;
	/** What it may be, where the headline only says what is known. */
	readonly perhaps: string | null;
	/** Where it sits, as far as that is known. */
	readonly where: string | null;
	/** A reversed string is among what it may be. */
	readonly danger: boolean;
	/** What would tell most, best first. */
	readonly tests: readonly ProposedTest[];
}

/** A cause below this chance is not listed among a string's. */
const LISTED = 0.02;
/** A string is a finding from this chance of anything being wrong on. */
const FINDING = 0.15;
/** A chance of reversed leads from which they are feared. */
const FEARED = 0.05;

const isDanger = (causes: readonly Cause[]) =>
	causes.some(({ members }) =>
		members.some(({ code, probability }) => code === 'connector-reversed' && probability > FEARED)
	);

/** What a cause is of: the first part of its id. */
const keyOfCause = ({ id, stringId }: Cause) => stringId ?? id.split('/')[0]!;

function nameOf(
	causes: readonly Cause[],
	string: StringRecord | null,
	record: ArrayRecord
): string {
	if (string) return string.label;
	const { place, code } = causes[0]!.members[0];
	if (place.strings) return causes[0]!.where ?? '';
	if (place.input !== undefined) return `Input ${place.input}`;
	if (place.inverter) return 'Inverter';
	if (code === 'rsd-no-signal') return 'Shutdown';
	return record.parts.find(({ id }) => id === place.part)?.mark ?? 'All';
}

/** Findings with something to say, danger first, then in the order of the causes; then what concerns all strings. */
export function findingsOf(assessment: Assessment, record: ArrayRecord): Finding[] {
	const groups = new Map<string, Cause[]>();
	for (const cause of assessment.causes) {
		if (cause.members[0].code === 'healthy' || cause.probability < LISTED) continue;
		const key = keyOfCause(cause);
		groups.set(key, [...(groups.get(key) ?? []), cause]);
	}
	return [...groups.entries()]
		.map(([key, causes], order) => {
			const string = record.strings.find(({ id }) => id === key) ?? null;
			const part = causes[0]!.members[0].place.part;
			return {
				key,
				string,
				name: nameOf(causes, string, record),
				causes,
				headline: causes[0]!.title,
				perhaps: causes[0]!.perhaps,
				where: causes[0]!.where,
				danger: isDanger(causes),
				order,
				chance: causes.reduce((sum, cause) => sum + cause.probability, 0),
				tests: assessment.next.filter(({ stringId, place }) =>
					string
						? stringId === string.id
						: stringId === null &&
							(part === undefined || place.kind !== 'part' || place.part === part)
				)
			};
		})
		.filter(({ chance }) => chance >= FINDING)
		.sort(
			(a, b) =>
				Number(b.danger) - Number(a.danger) ||
				Number(a.key === 'visit') - Number(b.key === 'visit') ||
				a.order - b.order
		);
}
