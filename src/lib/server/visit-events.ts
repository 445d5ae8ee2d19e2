import { EventEmitter } from 'node:events';
import type { VisitEvent } from '$core/document';
import { OWN_LANE, tellServer } from './lanes/relay';

const emitter = new EventEmitter();
// One listener for each open page: many people on one visit are no leak.
emitter.setMaxListeners(0);
const told = new Map<string, number>();

/** Tells everybody who has a visit open what was stored in it. */
export function tellVisit(visitId: string, event: VisitEvent): void {
	// Open pages listen to the server, not to its lanes.
	if (OWN_LANE !== null) return tellServer({ kind: 'told', visit: visitId, event });
	told.set(visitId, toldOf(visitId) + 1);
	emitter.emit(visitId, event);
}

/**
 * How many events this server has told of a visit. Read it before the visit is read: whoever then
 * listens and finds another number has missed something.
 */
export function toldOf(visitId: string): number {
	return told.get(visitId) ?? 0;
}

/**
 * Hears what is stored in a visit until the returned function is called.
 *
 * @param since what `toldOf` said before the listener read the visit; where more was told since, it
 *   hears at once that something changed
 */
export function hearVisit(
	visitId: string,
	since: number,
	hear: (event: VisitEvent) => void
): () => void {
	emitter.on(visitId, hear);
	if (toldOf(visitId) !== since) hear({ kind: 'changed' });
	return () => emitter.off(visitId, hear);
}
