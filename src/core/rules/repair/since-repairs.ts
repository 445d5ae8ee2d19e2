import { stringOfPlace, type Place } from '../../expectation/place';
import type { RepairEntry, Visit } from '../../expectation/visit';
import { partsOnward } from '../../record/path';
import { millisOf } from '../../units/instant';
import type { ArrayRecord, StringRecord } from '../../record/record';

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

/** The newest repair that changed what is read at each string and part, ms since 1970. */
function changedAt(record: ArrayRecord, repairs: readonly RepairEntry[]): Map<string, number> {
	const changed = new Map<string, number>();
	for (const { step, place, at } of repairs) {
		if (step !== 'repaired') continue;
		const ids = stringsAt(record, place).map(({ id }) => id);
		for (const id of place.kind === 'part' ? [...ids, place.part] : ids) {
			changed.set(id, Math.max(changed.get(id) ?? 0, millisOf(at)));
		}
	}
	return changed;
}

/**
 * The visit as it stands after its repairs: what was read at a string or a part before it was put
 * right says nothing of it now.
 */
export function sinceRepairs(record: ArrayRecord, visit: Visit): Visit {
	if (visit.repairs.every(({ step }) => step !== 'repaired')) return visit;
	const changed = changedAt(record, visit.repairs);
	const readings = visit.readings.filter(({ place, takenAt }) => {
		const id = stringOfPlace(place) ?? (place.kind === 'part' ? place.part : null);
		const at = id === null ? undefined : changed.get(id);
		return at === undefined || millisOf(takenAt) > at;
	});
	return { ...visit, readings };
}
