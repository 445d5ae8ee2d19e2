import type { Part } from './part';
import { endOfString, partsOnward } from './path';
import { isAcBranch, type ArrayRecord, type StringRecord } from './record';

/** Strings that the record shows to be in parallel, and those that may be besides. */
export interface ParallelGroup {
	readonly strings: readonly [StringRecord, ...StringRecord[]];
	/** Strings of unknown connection that may be in parallel with these. */
	readonly maybe: readonly StringRecord[];
	/** Input that they share; null where the record names none. */
	readonly input: string | null;
}

/**
 * Strings in parallel by what they are connected to: the input they share, or the combiner that joins them
 * whether its input is recorded or not. What is not known stays not known: a string without input and
 * combiner may be in parallel with every other string on its inverter.
 */
export function parallelStrings(record: ArrayRecord): ParallelGroup[] {
	const strings = record.strings.filter((string) => !isAcBranch(string));
	const connectors = strings.map((string) => connectorsOf(record, string));
	const groups: { strings: StringRecord[]; connectors: Set<string> }[] = [];
	strings.forEach((string, i) => {
		const shared = groups.filter((group) =>
			connectors[i]!.some((connector) => group.connectors.has(connector))
		);
		const merged = {
			strings: [...shared.flatMap((group) => group.strings), string],
			connectors: new Set([...shared.flatMap((group) => [...group.connectors]), ...connectors[i]!])
		};
		// A string without any joint is a group of its own.
		for (const group of shared) groups.splice(groups.indexOf(group), 1);
		groups.push(merged);
	});
	const order = new Map(strings.map((string, i) => [string, i]));
	const sorted = groups
		.map((group) => group.strings.toSorted((a, b) => order.get(a)! - order.get(b)!))
		.toSorted((a, b) => order.get(a[0]!)! - order.get(b[0]!)!)
		.map((members) => ({
			members,
			input: members.find((string) => string.input !== null)?.input ?? null,
			end: endOfString(record, members[0]!)
		}));
	return sorted.map((group) => ({
		strings: group.members as [StringRecord, ...StringRecord[]],
		maybe: sorted
			.filter((other) => other !== group && mayJoin(group, other))
			.flatMap(({ members }) => members)
			.toSorted((a, b) => order.get(a)! - order.get(b)!),
		input: group.input
	}));
}

interface Joined {
	readonly input: string | null;
	readonly end: Part | null;
}

/** Whether the record leaves it open that two groups are in parallel. */
function mayJoin(one: Joined, other: Joined): boolean {
	// Two inputs that are both recorded are two; whether inputs are joined inside is the inverter's own.
	if (one.input !== null && other.input !== null) return false;
	return one.end === null || other.end === null || one.end === other.end;
}

/** What joins a string to others electrically: its input, and combiners on its way. */
function connectorsOf(record: ArrayRecord, string: StringRecord): string[] {
	const end = endOfString(record, string);
	return [
		...(string.input === null ? [] : [`input ${end?.id ?? ''} ${string.input}`]),
		...partsOnward(record, string.to)
			.filter(({ kind }) => kind === 'combiner')
			.map(({ id }) => `combiner ${id}`)
	];
}
