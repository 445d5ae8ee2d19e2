import { type LimitVerdict, type PlaceResult, type Verdict, verdictAt } from '../assessment';
import {
	enteredAfter,
	type FaultCode,
	findCurrentReadings,
	keyOf,
	type Place,
	placeKey,
	type Quantity,
	type Reading,
	type RepairEntry,
	stringPlace,
	stringsAt,
	type Visit
} from '../visit';
import { type ArrayRecord, isAcBranch } from '../record';
import { retakesFor } from './kinds';

/** A reading that is taken again after a repair. */
interface RepeatMeasurement {
	readonly key: string;
	readonly place: Place;
	readonly quantity: Quantity;
	/** The last before the repair; null where it was not read. */
	readonly before: Reading | null;
	/** The first standing after it; null while it is not read. */
	readonly after: Reading | null;
	/** Of what was read after it; null while nothing is, or where nothing judges it. */
	readonly verdict: Verdict | null;
}

/** One cause at one place with what was done about it. */
export interface RepairCase {
	/** Place and code. */
	readonly key: string;
	readonly code: FaultCode;
	readonly place: Place;
	/** In the order in which they were made; the last one holds. */
	readonly entries: readonly [RepairEntry, ...RepairEntry[]];
	readonly retakes: readonly RepeatMeasurement[];
	/** Why it may not be closed yet, in words; null where it is closed. */
	readonly open: string | null;
}

/** Verdicts of everything that was read, by key. */
type Verdicts = ReadonlyMap<string, Verdict | null>;

/** Verdicts of all readings, by band or by limit. */
export function verdictsOf({
	places,
	limits
}: {
	readonly places: readonly PlaceResult[];
	readonly limits: readonly Pick<LimitVerdict, 'key' | 'verdict'>[];
}): Verdicts {
	return new Map([
		...places.map((place) => [place.key, verdictAt(place)] as const),
		...limits.map(({ key, verdict }) => [key, verdict] as const)
	]);
}

const codeKey = ({ place, code }: Pick<RepairEntry, 'place' | 'code'>) => {
	// The quantity of a place key has no part in it.
	return `${placeKey(place, '')}${code}`;
};

/** Every cause about which something was done, the newest entry first. */
export function repairCases(record: ArrayRecord, visit: Visit, verdicts: Verdicts): RepairCase[] {
	const cases = new Map<string, [RepairEntry, ...RepairEntry[]]>();
	for (const entry of visit.repairs) {
		const key = codeKey(entry);
		const known = cases.get(key);
		if (known) known.push(entry);
		else cases.set(key, [entry]);
	}
	const all = [...cases].map(([key, entries]) => ({
		key,
		entries,
		last: entries.at(-1)!
	}));
	return all
		.map(({ key, entries, last }): RepairCase => {
			const retakes = retakesOf(record, visit, last, verdicts);
			const code = last.code;
			const others = all.map((one) => one.last).filter((other) => other !== last);
			return {
				key,
				code,
				place: last.place,
				entries,
				retakes,
				open: whyOpen(record, visit, last, retakes, others)
			};
		})
		.sort((a, b) => (a.entries.at(-1)!.at < b.entries.at(-1)!.at ? 1 : -1));
}

/** What is read again after a repair: at its strings, and what was read at its very place. */
function retakesOf(
	record: ArrayRecord,
	visit: Visit,
	repair: RepairEntry,
	verdicts: Verdicts
): RepeatMeasurement[] {
	const { step, place, code } = repair;
	if (step !== 'repaired') return [];
	const isAfter = enteredAfter(visit);
	const atPlace = visit.readings
		.filter((reading) => placeKey(reading.place, '') === placeKey(place, ''))
		.map(({ place: where, quantity }) => ({ place: where, quantity }));
	const atStrings = stringsAt(record, place)
		.filter((string) => !isAcBranch(string))
		.flatMap(({ id }) =>
			retakesFor(code).map((quantity) => ({ place: stringPlace(id), quantity }))
		);
	const wanted = new Map(
		[...atPlace, ...atStrings].map((one) => [placeKey(one.place, one.quantity), one])
	);
	const standing = findCurrentReadings(visit);
	return [...wanted].map(([key, { place: where, quantity }]) => {
		const stands = standing.get(key) ?? null;
		const after = stands && isAfter(stands, repair) ? stands : null;
		const before =
			visit.readings.findLast((reading) => keyOf(reading) === key && !isAfter(reading, repair)) ??
			null;
		return {
			key,
			place: where,
			quantity,
			before,
			after,
			verdict: after && (verdicts.get(key) ?? null)
		};
	});
}

/** Why a cause is not closed, in words; null where it is. */
function whyOpen(
	record: ArrayRecord,
	visit: Visit,
	entry: RepairEntry,
	retakes: readonly RepeatMeasurement[],
	others: readonly RepairEntry[]
): string | null {
	if (entry.step !== 'repaired') return null;
	if (entry.code === 'gfdi-fuse-blown') {
		const problem = earthFaultOpen(record, visit, entry, others);
		if (problem) return problem;
	}
	// Of the whole string one current or the other is enough, and so is one way of looking at earth.
	const missing = retakes.filter(({ after }) => after === null);
	if (missing.length > 0) {
		return `${missing.length} of ${retakes.length} readings to take again.`;
	}
	const off = retakes.filter(({ verdict }) => verdict === 'fail');
	return off.length > 0
		? `${off.length} of the readings taken again ${off.length === 1 ? 'fails' : 'fail'}: continue the diagnosis.`
		: null;
}

/** The blown earth-fault fuse is the message: the fault itself is found, or shown not to be there. */
function earthFaultOpen(
	record: ArrayRecord,
	visit: Visit,
	entry: RepairEntry,
	others: readonly RepairEntry[]
): string | null {
	const settled = others.some(
		({ code, step }) => code === 'earth-fault' && (step === 'repaired' || step === 'excluded')
	);
	if (settled) return null;
	const standing = findCurrentReadings(visit);
	const isAfter = enteredAfter(visit);
	const since = (id: string, quantity: Quantity) => {
		const reading = standing.get(placeKey(stringPlace(id), quantity));
		return reading !== undefined && isAfter(reading, entry);
	};
	const unread = record.strings.filter(
		({ id }) =>
			!since(id, 'insulation-resistance') &&
			!(since(id, 'positive-to-earth') && since(id, 'negative-to-earth'))
	);
	const labels = unread.map(({ label }) => label);
	return `The fuse is the message, not the fault: find the earth fault, or show that there is none${labels.length > 0 ? ` (no reading to earth since at ${labels.join(', ')})` : ''}, and say so.`;
}
