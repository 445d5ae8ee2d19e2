import { comparableStrings } from '$core/expectation/comparable';
import { peerGroup, type PeerGroup } from '$core/expectation/group';
import { findCurrentReadings } from '$core/visit/current-readings';
import type { ConditionsEntry, Visit } from '$core/visit/visit';
import type { ArrayRecord } from '$core/record/record';

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
