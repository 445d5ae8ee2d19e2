import { comparableStrings } from '$core/expectation/comparable';
import { siblingGroup, type SiblingGroup } from '$core/expectation/group';
import { standingReadings } from '$core/expectation/standing';
import type { ConditionsEntry, Visit } from '$core/expectation/visit';
import type { ArrayRecord } from '$core/record/record';

/** The comparable strings of an array's first module type, about six years old, as one visit read them. */
export function siblingsOf(record: ArrayRecord, visit: Visit): SiblingGroup {
	return siblingGroup(comparableStrings(record)[0]!, {
		record,
		years: 5.9,
		visit,
		conditions: visit.conditions as [ConditionsEntry, ...ConditionsEntry[]],
		standing: standingReadings(visit)
	});
}
