import { endOfString } from './path';
import {
	isAcBranch,
	typesInString,
	type ArrayRecord,
	type ModuleType,
	type StringRecord
} from './record';
import type { Part } from './part';

/** Strings that a limit treats alike: the same modules in series, and the same part at their end. */
export interface StringGroup {
	readonly strings: readonly [StringRecord, ...StringRecord[]];
	/** Type of each module in series; null where a type is missing from the record. */
	readonly types: readonly ModuleType[] | null;
	readonly end: Part | null;
}

export function stringGroups(record: ArrayRecord): StringGroup[] {
	const groups = new Map<
		string,
		{ strings: [StringRecord, ...StringRecord[]]; end: Part | null }
	>();
	for (const string of record.strings) {
		if (isAcBranch(string)) continue;
		const end = endOfString(record, string);
		const build = typesInString(string).toSorted().join();
		const key = `${build}/${end?.id ?? ''}`;
		const group = groups.get(key);
		if (group) group.strings.push(string);
		else groups.set(key, { strings: [string], end });
	}
	return [...groups.values()].map(({ strings, end }) => {
		const types = typesInString(strings[0]).map((id) =>
			record.moduleTypes.find((type) => type.id === id)
		);
		return { strings, end, types: types.every((type) => type !== undefined) ? types : null };
	});
}

/** "A1", "A1 to A4" where they follow one another, "A1, A2 and 3 more". */
export function marksOf(strings: readonly { readonly label: string }[]): string {
	const labels = strings.map(({ label }) => label);
	if (labels.length <= 3) return labels.join(', ');
	return `${labels.slice(0, 2).join(', ')} and ${labels.length - 2} more`;
}
