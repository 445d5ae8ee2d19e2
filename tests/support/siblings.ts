import { siblingGroup, type SiblingGroup } from '$core/expectation/group';
import { standingConditions, standingReadings } from '$core/expectation/standing';
import type { Visit } from '$core/expectation/visit';
import type { ArrayRecord } from '$core/record/record';

/** The strings of an array's first module type, about six years old, as one visit read them. */
export function siblingsOf(record: ArrayRecord, visit: Visit): SiblingGroup {
	return siblingGroup(
		record.moduleTypes[0]!,
		record,
		5.9,
		standingConditions(visit)!,
		visit,
		standingReadings(visit)
	);
}
