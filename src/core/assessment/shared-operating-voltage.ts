import { type Reading, stringKey } from '../visit';
import {
	type ArrayRecord,
	endOfString,
	inputsOf,
	parallelStrings,
	type StringRecord
} from '../record';

/** The operating voltage that stands for a string before it is typed. */
export interface SharedVoltage {
	/** V */
	readonly voltage: number;
	/** Labels of the strings it was read at or typed for. */
	readonly from: string;
	/** It is shared by the record; else only taken over, since nobody recorded the inputs. */
	readonly recorded: boolean;
}

/** Which strings share one operating voltage, by the id of each string. */
export type VoltageKeys = ReadonlyMap<string, string>;

const UNKNOWN_INPUT = 'input not recorded';

/** Strings in parallel share their operating voltage; those of unknown connection are taken to, until told. */
export function voltageKeys(record: ArrayRecord): VoltageKeys {
	return new Map(
		parallelStrings(record).flatMap(({ strings, input }) => {
			const alone = strings.length === 1 && input === null;
			const key = alone ? UNKNOWN_INPUT : `shared ${strings[0].id}`;
			return strings.map(({ id }) => [id, key] as const);
		})
	);
}

/** The newest operating voltage that a string shares; null where none was read yet. */
export function sharedVoltage(
	record: Pick<ArrayRecord, 'strings'>,
	keys: VoltageKeys,
	standing: ReadonlyMap<string, Reading>,
	string: StringRecord
): SharedVoltage | null {
	const key = keys.get(string.id);
	// By the order of entry, which the map keeps: never by two clocks.
	const newest = [...standing.values()].findLast(
		({ place, quantity, atVolts: atVoltage }) =>
			quantity === 'operating-current' &&
			atVoltage !== null &&
			place.kind === 'string' &&
			keys.get(place.string) === key
	);
	if (!newest || newest.place.kind !== 'string') return null;
	const of = newest.place.string;
	const own = standing.get(stringKey(string.id, 'operating-current'));
	return {
		voltage: own?.atVolts ?? newest.atVolts!,
		from: record.strings.find(({ id }) => id === of)!.label,
		recorded: key !== UNKNOWN_INPUT
	};
}

/** Strings of unknown input by the operating voltage they were read at. */
export interface VoltageGroup {
	/** Mean of the group, V. */
	readonly voltage: number;
	readonly strings: readonly StringRecord[];
}

/** Voltages of one input differ by less than this between two strings, relative; Zembo default. */
const SAME_INPUT = 0.01;

/**
 * Inputs that operating voltages show: strings whose connection nobody recorded, in groups of equal voltage.
 *
 * @returns two groups or more; empty where the voltages do not tell inputs apart
 */
export function inputsByVoltage(
	record: Pick<ArrayRecord, 'strings'>,
	keys: VoltageKeys,
	standing: ReadonlyMap<string, Reading>
): VoltageGroup[] {
	const read = record.strings
		.filter(({ id }) => keys.get(id) === UNKNOWN_INPUT)
		.flatMap((string) => {
			const voltage = standing.get(stringKey(string.id, 'operating-current'))?.atVolts ?? null;
			return voltage === null ? [] : [{ string, voltage }];
		})
		.sort((a, b) => a.voltage - b.voltage);
	const groups: (typeof read)[] = [];
	for (const one of read) {
		const group = groups.at(-1);
		const last = group?.at(-1);
		if (group && last && one.voltage - last.voltage <= SAME_INPUT * last.voltage) group.push(one);
		else groups.push([one]);
	}
	if (groups.length < 2) return [];
	return groups.map((group) => ({
		voltage: group.reduce((sum, { voltage }) => sum + voltage, 0) / group.length,
		strings: record.strings.filter((string) => group.some((one) => one.string === string))
	}));
}

/**
 * Strings with the inputs that their voltages show, for the array record. Which group is on which input the
 * voltages do not say: names go to the groups in the order of their first string, as they are mostly wired.
 *
 * @returns null where the record names too few inputs that are free
 */
export function stringsWithInputs(
	record: ArrayRecord,
	groups: readonly VoltageGroup[]
): StringRecord[] | null {
	const ends = new Set(
		groups.flatMap(({ strings }) => strings.map((string) => endOfString(record, string)))
	);
	const [end, ...others] = [...ends];
	if (groups.length === 0 || !end || others.length > 0) return null;
	const used = new Set(record.strings.flatMap(({ input }) => input ?? []));
	const free = inputsOf(end).filter((name) => !used.has(name));
	if (free.length < groups.length) return null;
	const order = (group: VoltageGroup) => record.strings.indexOf(group.strings[0]!);
	return groups
		.toSorted((a, b) => order(a) - order(b))
		.flatMap(({ strings }, g) => strings.map((string) => ({ ...string, input: free[g]! })));
}
