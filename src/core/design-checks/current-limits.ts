import { type ArrayRecord, type ModuleType, type StringRecord, typesInString } from '../record';

/** Rear gain of the short-circuit current where the nameplate states none, %; Zembo default. */
const USUAL_REAR_GAIN = 10;

/** Short-circuit current for limits, A: the nameplate's, with what a bifacial module's rear adds. */
export function designIsc({ plate: nameplate, limits }: ModuleType): number {
	const gain = limits.bifacial === true ? (limits.rearGainPct ?? USUAL_REAR_GAIN) : 0;
	return nameplate.isc * (1 + gain / 100);
}

/** Highest short-circuit current of a string for limits, A; null where a type is missing. */
export function designIscOf(
	string: StringRecord,
	{ moduleTypes }: Pick<ArrayRecord, 'moduleTypes'>
): number | null {
	const types = typesInString(string).map((id) => moduleTypes.find((type) => type.id === id));
	return types.every((type) => type !== undefined) ? Math.max(...types.map(designIsc)) : null;
}

/** The same of strings in parallel together, A; null where a type is missing. */
export function designIscSum(
	strings: readonly StringRecord[],
	record: Pick<ArrayRecord, 'moduleTypes'>
): number | null {
	return strings.reduce<number | null>((sum, string) => {
		const isc = designIscOf(string, record);
		return sum === null || isc === null ? null : sum + isc;
	}, 0);
}
