import { stringOfPlace, type Place } from './place';
import type { Reading, RepairEntry, Visit } from './visit';
import { type ArrayRecord, partsOnward, type StringRecord } from '../record';
import { millisOf } from '../units';

/** Whether the current of a string passes a part, or the part feeds its devices. */
function concerns(record: ArrayRecord, string: StringRecord, part: string): boolean {
	const kind = record.parts.find(({ id }) => id === part)?.kind;
	if (kind === 'transmitter' || kind === 'inverter' || kind === 'breaker') return true;
	return partsOnward(record, string.to).some(({ id }) => id === part);
}

/** Strings that a repair at a place changes. */
export function stringsAt(record: ArrayRecord, place: Place): readonly StringRecord[] {
	const id = stringOfPlace(place);
	if (id !== null) return record.strings.filter((string) => string.id === id);
	if (place.kind !== 'part') return record.strings;
	return record.strings.filter((string) => concerns(record, string, place.part));
}

/** Repairs that changed what is read at each string and part. */
function changesOf(
	record: ArrayRecord,
	repairs: readonly RepairEntry[]
): ReadonlyMap<string, readonly RepairEntry[]> {
	const changes = new Map<string, RepairEntry[]>();
	for (const repair of repairs) {
		if (repair.step !== 'repaired') continue;
		const ids = stringsAt(record, repair.place).map(({ id }) => id);
		for (const id of repair.place.kind === 'part' ? [...ids, repair.place.part] : ids) {
			changes.set(id, [...(changes.get(id) ?? []), repair]);
		}
	}
	return changes;
}

/**
 * Tells of a visit's readings whether they were entered after a repair. The order within the visit says so; only
 * where it was not recorded do the two clocks, which may differ.
 */
export function enteredAfter({
	readings
}: Pick<Visit, 'readings'>): (reading: Reading, repair: RepairEntry) => boolean {
	const order = new Map(readings.map(({ id }, index) => [id, index]));
	return ({ id, takenAt }, { readingsBefore, at }) =>
		readingsBefore === null
			? millisOf(takenAt) > millisOf(at)
			: (order.get(id) ?? -1) >= readingsBefore;
}

declare const EFFECTIVE: unique symbol;

/**
 * A visit as it counts after its repairs, for whatever computes from readings: expected values, verdicts, the diagnosis
 * and the interlock take nothing else. What was read at a string or a part before it was repaired is not in it.
 * Which of its readings are current is {@link findCurrentReadings}'s to say.
 */
export type EffectiveVisit = Visit & { readonly [EFFECTIVE]: true };

/** The one way from what was entered to what counts. */
export function effectiveVisit(record: ArrayRecord, entered: Visit): EffectiveVisit {
	return sinceRepairs(record, entered) as EffectiveVisit;
}

function sinceRepairs(record: ArrayRecord, visit: Visit): Visit {
	if (visit.repairs.every(({ step }) => step !== 'repaired')) return visit;
	const changes = changesOf(record, visit.repairs);
	const isAfter = enteredAfter(visit);
	const readings = visit.readings.filter((reading) => {
		const { place } = reading;
		const id = stringOfPlace(place) ?? (place.kind === 'part' ? place.part : null);
		const repairs = id === null ? undefined : changes.get(id);
		return repairs === undefined || repairs.every((repair) => isAfter(reading, repair));
	});
	return { ...visit, readings };
}
