import { placeWords, QUANTITY_FACTS } from '$core/visit';
import type { VisitDocument } from '$core/document';

const HEADING = [
	'Visit',
	'Taken at',
	'Place',
	'Quantity',
	'Value',
	'Unit',
	'At volts (V)',
	'Typed',
	'Source',
	'By',
	'Stands'
] as const;

/** Every reading of some visits as lines of a table, those that were replaced or taken back among them. */
export function readingsRows(visits: readonly VisitDocument[]): string[][] {
	return [[...HEADING], ...visits.flatMap(rowsOf)];
}

function rowsOf({ record, visit }: VisitDocument): string[][] {
	const gone = new Set([
		...visit.readings.flatMap(({ supersedes }) => supersedes ?? []),
		...visit.withdrawals.map(({ readingId }) => readingId)
	]);
	return visit.readings.map((reading) => {
		const { unit, words } = QUANTITY_FACTS[reading.quantity];
		return [
			visit.startedAt,
			reading.takenAt,
			placeWords(record, reading.place),
			words,
			`${reading.overRange ? '>' : ''}${reading.value}`,
			unit,
			reading.atVolts === null ? '' : String(reading.atVolts),
			reading.typed,
			reading.source,
			reading.by,
			gone.has(reading.id) ? 'no' : 'yes'
		];
	});
}
