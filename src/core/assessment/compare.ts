import {
	conditionsAt,
	type EffectiveVisit,
	findCurrentReadings,
	stringKey,
	type StringQuantity
} from '../visit';
import type { ArrayRecord } from '../record';
import { STC, translatedString, translatePoint } from '../expectation';
import type { ModelJudgement } from './judge-by-model';
import { isRead, type PlaceResult, type ReadPlace } from './place-result';

/** One string in the comparison: everything that was read of it, worst first. */
export interface ComparedString {
	readonly stringId: string;
	readonly label: string;
	readonly voltage: ReadPlace | null;
	readonly running: ReadPlace | null;
	readonly short: ReadPlace | null;
	/** How far off it is in modules: of volts, or of its current as a share of the string. */
	readonly modules: number;
}

const ofString = (
	places: ReadonlyMap<string, PlaceResult>,
	id: string,
	quantity: StringQuantity
): ReadPlace | null => {
	const place = places.get(stringKey(id, quantity));
	return place && isRead(place) ? place : null;
};

const relativeAt = (place: ReadPlace | null) =>
	(place?.state === 'judged' ? place.relative : null) ?? 0;

const countedAt = (place: ReadPlace | null) => (place?.state === 'judged' ? place.counted : null);

/** All strings that were read, ordered by how far they are off in modules, the worst first. */
export function comparedStrings(
	record: ArrayRecord,
	{ places }: Pick<ModelJudgement, 'places'>
): ComparedString[] {
	const byKey = new Map(places.map((place) => [place.key, place]));
	return record.strings
		.map(({ id, label, moduleCount }): ComparedString => {
			const voltage = ofString(byKey, id, 'open-circuit-voltage');
			const running = ofString(byKey, id, 'operating-current');
			const short = ofString(byKey, id, 'short-circuit-current');
			const lost = [
				Math.abs(countedAt(voltage)?.modules ?? relativeAt(voltage) * moduleCount),
				...[running, short].map((place) => Math.abs(relativeAt(place)) * moduleCount)
			];
			return { stringId: id, label, voltage, running, short, modules: Math.max(...lost) };
		})
		.filter(({ voltage, running, short }) => voltage ?? running ?? short)
		.sort((a, b) => b.modules - a.modules);
}

/** Readings of a string carried to standard conditions, for reports and for other years. */
export interface AtStandard {
	/** V; null where it was not read. */
	readonly voc: number | null;
	/** A, of the short-circuit current, or of the running current where that was not read. */
	readonly current: number | null;
	/** Whether the current is a running one. */
	readonly running: boolean;
}

/**
 * What each string would have read at 1000 W/m2 and 25 degC: IEC 60891, procedure 2, from the light and
 * heat at each reading's own moment.
 *
 * @returns by the string's mark, so that visits to different revisions of a record can be compared
 */
export function atStandard(record: ArrayRecord, visit: EffectiveVisit): Map<string, AtStandard> {
	const standing = findCurrentReadings(visit);
	const found = new Map<string, AtStandard>();
	for (const string of record.strings) {
		const type = record.moduleTypes.find(({ id }) => id === string.moduleTypeId);
		if (!type) continue;
		const how = translatedString(type, string.moduleCount);
		const carried = (quantity: StringQuantity) => {
			const reading = standing.get(stringKey(string.id, quantity));
			const from = reading && conditionsAt(visit, reading.takenAt);
			if (!reading || !from) return null;
			const isVoltage = quantity === 'open-circuit-voltage';
			const point = isVoltage
				? { volts: reading.value, amps: 0 }
				: { volts: reading.atVolts ?? 0, amps: reading.value };
			const { volts: voltage, amps: current } = translatePoint(point, how, from, STC);
			return isVoltage ? voltage : current;
		};
		const short = carried('short-circuit-current');
		const running = carried('operating-current');
		found.set(string.label, {
			voc: carried('open-circuit-voltage'),
			current: short ?? running,
			running: short === null
		});
	}
	return found;
}

/** Relative change of a string at standard conditions from one visit to another, 1; null where it cannot be told. */
export interface ChangeSince {
	readonly voc: number | null;
	/** Of currents of one kind alone: a running one is not compared with a short-circuit one. */
	readonly current: number | null;
}

export function changeSince(now: AtStandard, then: AtStandard): ChangeSince {
	const relative = (a: number | null, b: number | null) =>
		a === null || b === null || b === 0 ? null : a / b - 1;
	return {
		voc: relative(now.voc, then.voc),
		current: now.running === then.running ? relative(now.current, then.current) : null
	};
}
