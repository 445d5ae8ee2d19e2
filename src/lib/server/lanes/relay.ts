import type { VisitEvent } from '$core/document';

/** What a lane tells the server that people are connected to. */
export type FromLane =
	| { readonly kind: 'ready' }
	| { readonly kind: 'here' }
	| { readonly kind: 'told'; readonly visit: string; readonly event: VisitEvent }
	| { readonly kind: 'progress'; readonly job: string; readonly share: number | null };

/** What a lane is asked: whether it still listens. */
export type ToLane = { readonly kind: 'there?' };

/** Name of the lane that this process is; null in the server that people are connected to. */
export const OWN_LANE: string | null = process.env.ZEMBO_LANE ?? null;

/** Lane in which exports are taken in, piece by piece. */
export const IMPORTS_LANE = 'files';

/** Tells the server; in the server itself there is nobody to tell. */
export function tellServer(message: FromLane): void {
	// Without the server, this process ends by itself.
	process.send?.(message, undefined, undefined, () => undefined);
}

/** How many events the server had told of a visit when it passed the request on. */
export const TOLD_HEADER = 'x-zembo-told';
