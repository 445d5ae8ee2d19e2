import { comparableStrings } from '$core/expectation/comparable';
import { peerGroup, type PeerGroup } from '$core/expectation/group';
import { type ConditionsEntry, findCurrentReadings, type Visit } from '$core/visit';
import type { ArrayRecord } from '$core/record';

/** The comparable strings of an array's first module type, about six years old, as one visit read them. */
export function peersOf(record: ArrayRecord, visit: Visit): PeerGroup {
	return peerGroup(comparableStrings(record)[0]!, {
		record,
		years: 5.9,
		visit,
		conditions: visit.conditions as [ConditionsEntry, ...ConditionsEntry[]],
		standing: findCurrentReadings(visit)
	});
}
