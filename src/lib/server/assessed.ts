import { LRUCache } from 'lru-cache';
import type { VisitDocument } from '$core/document';
import { assess, type Assessment } from '$core/diagnosis';

interface Assessed {
	readonly text: string;
	readonly assessment: Assessment;
}

/** An assessment takes a few times the room of what it was made from. */
const ROOM_PER_LETTER = 6;

/**
 * Of the visits that are under way, the least used let go: people open page after page of the few they work on. Bytes,
 * roughly.
 */
const kept = new LRUCache<string, Assessed>({
	max: 8,
	maxSize: 128 * 1024 * 1024,
	sizeCalculation: ({ text }) => ROOM_PER_LETTER * text.length
});

/**
 * The assessment of a visit as it stands. One that was made before is given again where not a letter
 * of the record or the visit has changed since: the whole text is compared, so no change is missed.
 */
export function assessed({ record, visit, inspection }: VisitDocument): Assessment {
	const text = JSON.stringify([record, visit, inspection]);
	const before = kept.get(visit.id);
	if (before?.text === text) return before.assessment;
	const assessment = assess(record, visit, inspection);
	kept.set(visit.id, { text, assessment });
	return assessment;
}
