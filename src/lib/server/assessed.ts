import type { VisitDocument } from '$core/document/visit';
import { assess, type Assessment } from '$core/trace/assess';

/** Visits kept, the least used let go: people open page after page of the few that are under way. */
const KEPT = 4;
const kept = new Map<string, { readonly text: string; readonly assessment: Assessment }>();

/**
 * The assessment of a visit as it stands. One that was made before is given again where not a letter
 * of the record or the visit has changed since: the whole text is compared, so no change is missed.
 */
export function assessed({ record, visit, inspection }: VisitDocument): Assessment {
	const text = JSON.stringify([record, visit, inspection]);
	const before = kept.get(visit.id);
	const assessment = before?.text === text ? before.assessment : assess(record, visit, inspection);
	// The newest use stands last.
	kept.delete(visit.id);
	kept.set(visit.id, { text, assessment });
	if (kept.size > KEPT) kept.delete(kept.keys().next().value!);
	return assessment;
}
