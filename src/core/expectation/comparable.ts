import {
	type ArrayRecord,
	isAcBranch,
	type ModuleType,
	type Plane,
	planesOf,
	planesOfString,
	type StringRecord
} from '../record';

/** Strings that may be compared: one module type, one plane. */
export interface ComparableStrings {
	readonly type: ModuleType;
	/** Null where the record does not tell which way they face. */
	readonly plane: Plane | null;
	readonly strings: readonly StringRecord[];
	/** Strings that lie on several planes, with the plane of each module from the negative end. */
	readonly split: ReadonlyMap<string, readonly Plane[]>;
	/**
	 * Set where the plane is not recorded and currents suggest which strings face another way: a number
	 * for each direction.
	 */
	readonly presumed: number | null;
}

/** Strings of a record by module type and plane, in the order of the record. */
export function comparableStrings(record: ArrayRecord): ComparableStrings[] {
	const planes = planesOf(record);
	const groups = new Map<
		string,
		{ -readonly [K in keyof ComparableStrings]: ComparableStrings[K] }
	>();
	for (const type of record.moduleTypes) {
		for (const string of record.strings) {
			if (string.moduleTypeId !== type.id || isAcBranch(string)) continue;
			const { main, ofModules } = planesOfString(planes, string);
			const key = `${type.id} ${main?.id ?? ''}`;
			const known = groups.get(key) ?? {
				type,
				plane: main,
				strings: [],
				split: new Map<string, readonly Plane[]>(),
				presumed: null
			};
			groups.set(key, {
				...known,
				strings: [...known.strings, string],
				split:
					ofModules.length > 0 ? new Map([...known.split, [string.id, ofModules]]) : known.split
			});
		}
	}
	return [...groups.values()];
}
