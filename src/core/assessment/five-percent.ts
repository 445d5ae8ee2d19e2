import { type Reading, STRING_QUANTITIES, stringKey, type StringQuantity } from '../visit';
import { median } from '../numerics';
import { type ArrayRecord, planesOf, planesOfString, type StringRecord } from '../record';

/** What the plain rule says of one reading: within 5 % of its like, or not. */
export interface PlainRule {
	/** Off the median of its like, 1. */
	readonly relative: number;
	readonly passes: boolean;
	/** Share of one module in the string, 1: what 5 % of it hides. */
	readonly inModules: number;
}

/** Strings are alike within so much in steady light; IEC 62446-1, from memory. */
const WITHIN = 0.05;
/** Like strings that make a median. */
const LIKE = 3;

/**
 * Every string's reading against the median of strings of its type, length and plane, by the plain rule of
 * IEC 62446-1, for standing beside the band.
 */
export function plainRule(
	record: ArrayRecord,
	standing: ReadonlyMap<string, Reading>
): ReadonlyMap<string, PlainRule> {
	const rules = new Map<string, PlainRule>();
	for (const quantity of STRING_QUANTITIES) {
		for (const { strings, middle } of likes(record, standing, quantity)) {
			for (const string of strings) {
				const key = stringKey(string.id, quantity);
				const relative = standing.get(key)!.value / middle - 1;
				rules.set(key, {
					relative,
					passes: Math.abs(relative) <= WITHIN,
					inModules: Math.abs(relative) * string.moduleCount
				});
			}
		}
	}
	return rules;
}

function likes(
	record: ArrayRecord,
	standing: ReadonlyMap<string, Reading>,
	quantity: StringQuantity
) {
	const groups = new Map<string, StringRecord[]>();
	const planes = planesOf(record);
	for (const string of record.strings) {
		if (!standing.has(stringKey(string.id, quantity))) continue;
		const plane = planesOfString(planes, string).main?.id ?? '';
		const kind = `${string.moduleTypeId}/${string.moduleCount}/${plane}`;
		groups.set(kind, [...(groups.get(kind) ?? []), string]);
	}
	return [...groups.values()]
		.filter((group) => group.length >= LIKE)
		.map((group) => ({
			strings: group,
			middle: median(group.map(({ id }) => standing.get(stringKey(id, quantity))!.value))
		}))
		.filter(({ middle }) => middle > 0);
}
