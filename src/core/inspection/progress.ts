import { type ArrayRecord, PART_NAMES } from '../record';
import { type InspectionMessage, say } from './messages';
import {
	INSPECTION_ITEMS,
	INSPECTION_STATIONS,
	type InspectionItem,
	type MeasuredItem,
	type InspectionStation
} from './items';
import { currentEntries, type InspectionEntry } from './entry';

/** One question of the walk at one part, with what was answered. */
export interface InspectionStop {
	/** Item and part: an answer belongs to this. */
	readonly key: string;
	readonly item: InspectionItem;
	/** What is measured at it, with the limit of this array; null where nothing is. */
	readonly measured: MeasuredItem | null;
	/** The part it is asked of; null for the whole array. */
	readonly part: {
		readonly id: string;
		readonly mark: string;
		readonly place: string | null;
	} | null;
	readonly answers: readonly InspectionEntry[];
}

export interface InspectionArea {
	readonly station: InspectionStation;
	readonly stops: readonly InspectionStop[];
}

/** Key of a question. */
function stopKey(item: string, partId: string | null): string {
	return partId === null ? item : `${item}/${partId}`;
}

/** The walk through this array, only what it has, in the order of the energy. */
export function inspectionOf(
	record: ArrayRecord,
	entries: readonly InspectionEntry[]
): InspectionArea[] {
	const standing = currentEntries(entries);
	const stops = INSPECTION_ITEMS.filter(({ when }) => when?.(record) ?? true).flatMap((item) => {
		const parts = item.per ? record.parts.filter(({ kind }) => item.per!.includes(kind)) : [null];
		return parts.map((part): InspectionStop => {
			const key = stopKey(item.id, part?.id ?? null);
			const answers = standing.filter((entry) => entry.stop === key);
			return {
				key,
				item,
				measured: item.measured?.(record) ?? null,
				part: part && { id: part.id, mark: part.mark, place: part.place },
				answers
			};
		});
	});
	return INSPECTION_STATIONS.map((station) => ({
		station,
		stops: stops.filter(({ item }) => item.station === station)
	})).filter(({ stops: some }) => some.length > 0);
}

/** What is measured at a stop of this array's walk; null where nothing is, or there is no such stop. */
export function measuredAt(record: ArrayRecord, stop: string): MeasuredItem | null {
	const stops = inspectionOf(record, []).flatMap((station) => station.stops);
	return stops.find(({ key }) => key === stop)?.measured ?? null;
}

/** How a stop stands, worst answer first. */
export function outcomeOfStop({ answers }: InspectionStop): InspectionEntry['outcome'] | null {
	const outcomes = answers.map(({ outcome }) => outcome);
	return outcomes.includes('finding')
		? 'finding'
		: outcomes.includes('not-seen')
			? 'not-seen'
			: (outcomes[0] ?? null);
}

/** Where an entry is; null where it has no place of its own. */
export function placeOfDefect(
	record: ArrayRecord,
	place: InspectionEntry['place']
): InspectionMessage | null {
	if (place === null) return null;
	if (place.kind === 'part') {
		const part = record.parts.find(({ id }) => id === place.partId);
		return part
			? say('defect-place.part', { part: PART_NAMES[part.kind], mark: part.mark })
			: say('defect-place.part-removed');
	}
	const string = record.strings.find(({ id }) => id === place.stringId)?.label ?? '?';
	return place.kind === 'string'
		? say('defect-place.string', { string })
		: say('defect-place.module', { string, module: place.module });
}
