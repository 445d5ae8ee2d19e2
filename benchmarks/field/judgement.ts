import { isRead, verdictAt } from '$core/assessment';
import { readVisitData } from '$core/document';
import { assess } from '$core/diagnosis';
import type { FieldCase } from './sets';

/** What became of the visits of one kind. */
export interface JudgementTally {
	visits: number;
	/** A reading of the string concerned failed; of any string in healthy visits. */
	fail: number;
	/** The same, marginal or failed. */
	marginal: number;
	/** Another string than the one concerned failed. */
	other: number;
	/** The first line names a fault. */
	accused: number;
	/** The first line names the string concerned. */
	right: number;
}

/** Names under which a visit counts. */
function kindsOf({ kind, about }: FieldCase): string[] {
	if (kind !== 'healthy') return [kind];
	if (about.planes) return [kind, 'healthy, two planes'];
	return about.bifacial
		? [kind, 'healthy, bifacial']
		: [kind, `healthy, cells ${about.heat} K apart`];
}

/** Verdicts and first lines of all visits, by kind. */
export function tallyJudgement(cases: readonly FieldCase[]): Map<string, JudgementTally> {
	const tallies = new Map<string, JudgementTally>();
	for (const one of cases) {
		const read = readVisitData(one.file);
		if (!read.ok) throw new Error(read.problem.what);
		const { record, visit } = read.value;
		const { places, causes } = assess(record, visit);
		const labelOf = (id: string | null) => record.strings.find((s) => s.id === id)?.label;
		const judged = places.filter(isRead);
		const healthy = one.kind === 'healthy';
		const mine = judged.filter((place) => healthy || labelOf(place.stringId) === one.target);
		const rest = judged.filter((place) => !mine.includes(place));
		const [first] = causes;
		const fails = (list: typeof judged) => list.some((place) => verdictAt(place) === 'fail');
		for (const kind of kindsOf(one)) {
			const tally = tallies.get(kind) ?? {
				visits: 0,
				fail: 0,
				marginal: 0,
				other: 0,
				accused: 0,
				right: 0
			};
			tallies.set(kind, tally);
			tally.visits++;
			tally.fail += Number(fails(mine));
			tally.marginal += Number(
				mine.some((place) => ['marginal', 'fail'].includes(verdictAt(place)))
			);
			tally.other += Number(fails(rest));
			tally.accused += Number(!first?.members.some(({ code }) => code === 'healthy'));
			tally.right += Number(!healthy && labelOf(first?.stringId ?? null) === one.target);
		}
	}
	return tallies;
}
