import { EventEmitter } from 'node:events';
import type { VisitEvent } from '$core/document/visit-event';

const emitter = new EventEmitter();
// One listener for each open page: many people on one visit are no leak.
emitter.setMaxListeners(0);

/** Tells everybody who has a visit open what was stored in it. */
export function tellVisit(visitId: string, event: VisitEvent): void {
	emitter.emit(visitId, event);
}

/** Hears what is stored in a visit until the returned function is called. */
export function hearVisit(visitId: string, hear: (event: VisitEvent) => void): () => void {
	emitter.on(visitId, hear);
	return () => emitter.off(visitId, hear);
}
