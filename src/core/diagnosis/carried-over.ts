import { type Verdict, verdictAt } from '../assessment';
import { type Place, placeKey, placeProblem, type Quantity, type Visit } from '../visit';
import { type ArrayRecord, differenceInWords, type NameOfPart } from '../record';
import type { InspectionEntry } from '../inspection';
import { assess, type Assessment } from './assess';

/** A reading that is judged differently by another revision of the record. */
interface ChangedVerdict {
	readonly place: Place;
	readonly quantity: Quantity;
	/** Null where there was none. */
	readonly before: Verdict | null;
	readonly after: Verdict | null;
}

/** What carrying a visit over to a newer revision of its record would change. */
export interface CarriedOver {
	/** Changes of the record, in words. */
	readonly record: readonly string[];
	readonly verdicts: readonly ChangedVerdict[];
	/** The most probable line before and after; null where there is none. */
	readonly firstCause: { readonly before: string | null; readonly after: string | null };
	/** Why it cannot be carried over: entries whose place is no longer in the record; empty where it can. */
	readonly obstacles: readonly string[];
}

/** A visit with the revision of the record that it points at. */
interface VisitBesideRecord {
	readonly record: ArrayRecord;
	readonly visit: Visit;
	readonly inspection: readonly InspectionEntry[];
}

/**
 * A visit beside the newest revision of its record.
 *
 * @param nameOfPart name of a kind of part in the language of the site
 */
export function carriedOver(
	{ record, visit, inspection }: VisitBesideRecord,
	newest: ArrayRecord,
	nameOfPart: NameOfPart
): CarriedOver {
	const obstacles = [
		...visit.readings.map(({ place }) => placeProblem(newest, place)),
		...visit.repairs.map(({ place }) => placeProblem(newest, place))
	].filter((problem) => problem !== null);
	if (obstacles.length > 0) {
		return {
			record: differenceInWords(record, newest, nameOfPart),
			verdicts: [],
			firstCause: { before: null, after: null },
			obstacles: [...new Set(obstacles)]
		};
	}
	const before = assess(record, visit, inspection);
	const after = assess(newest, visit, inspection);
	return {
		record: differenceInWords(record, newest, nameOfPart),
		verdicts: changedVerdicts(before, after),
		firstCause: { before: firstOf(before), after: firstOf(after) },
		obstacles: []
	};
}

function firstOf({ causes }: Assessment): string | null {
	const [first] = causes;
	return first ? `${first.title}${first.where ? `, ${first.where}` : ''}` : null;
}

function verdictsOf({ places, limits }: Assessment) {
	return new Map(
		[
			...places.flatMap((place) =>
				place.state === 'unread' ? [] : [{ reading: place.reading, verdict: verdictAt(place) }]
			),
			...limits
		].map(({ reading, verdict }) => [
			placeKey(reading.place, reading.quantity),
			{ place: reading.place, quantity: reading.quantity, verdict: verdict ?? null }
		])
	);
}

function changedVerdicts(before: Assessment, after: Assessment): ChangedVerdict[] {
	const [old, now] = [verdictsOf(before), verdictsOf(after)];
	return [...new Set([...old.keys(), ...now.keys()])].flatMap((key) => {
		const [was, is] = [old.get(key), now.get(key)];
		const { place, quantity } = (is ?? was)!;
		const [b, a] = [was?.verdict ?? null, is?.verdict ?? null];
		return b === a ? [] : [{ place, quantity, before: b, after: a }];
	});
}
