import type { ArrayRecord } from './record';

/** So many strings in a row, and more, are written as a range. */
const RANGE = 3;

/**
 * Labels for a sentence, in the order of the record: "A1 to A4, B2". A range stands only for strings that
 * follow one another in the record, so it never includes one that was not meant. A label that is no string's
 * comes last, as it is; a label given twice appears once.
 */
export function labelRanges(
	{ strings }: Pick<ArrayRecord, 'strings'>,
	labels: readonly string[]
): string {
	const wanted = new Set(labels);
	const runs: string[][] = [];
	let open = false;
	for (const { label } of strings) {
		const meant = wanted.delete(label);
		if (meant && open) runs.at(-1)!.push(label);
		else if (meant) runs.push([label]);
		open = meant;
	}
	const words = runs.flatMap((run) =>
		run.length < RANGE ? run : [`${run[0]!} to ${run.at(-1)!}`]
	);
	return [...words, ...wanted].join(', ');
}

/** {@link labelRanges} of strings by their ids; an id the record does not have is left out. */
export function rangesOfIds(record: Pick<ArrayRecord, 'strings'>, ids: readonly string[]): string {
	const meant = record.strings.filter(({ id }) => ids.includes(id));
	return labelRanges(
		record,
		meant.map(({ label }) => label)
	);
}
