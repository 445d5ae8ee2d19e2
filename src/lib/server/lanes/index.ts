import type { RequestEvent } from '@sveltejs/kit';
import { tellProgress } from '../report/progress';
import { tellVisit, toldOf } from '../visit-events';
import { Lane, type LaneLimits } from './lane';
import type { FromLane } from './relay';
import { laneOf, type LaneName } from './which-lane';

const LIMITS: Readonly<Record<LaneName, LaneLimits>> = {
	// Pages of visits, which are assessed for them.
	visits: { atOnce: 32, waiting: 200, longest: 60_000, memory: 768 },
	// Whatever is done at large sites.
	large: { atOnce: 32, waiting: 200, longest: 60_000, memory: 1024 },
	// Reports, archives and imports; each may take minutes.
	files: { atOnce: 2, waiting: 20, longest: 15 * 60_000, memory: 1536 }
};

const lanes = new Map<LaneName, Lane>();

function hear(message: FromLane): void {
	if (message.kind === 'told') tellVisit(message.visit, message.event);
	if (message.kind === 'progress') tellProgress(message.job, message.share);
}

/**
 * Answers a request in a lane where it may take long.
 *
 * @returns null where the server answers it itself
 */
export async function answerInLane(event: RequestEvent): Promise<Response | null> {
	const entry = process.env.ZEMBO_LANE_ENTRY;
	if (!entry) return null;
	const name = await laneOf(event);
	if (name === null) return null;
	const lane = lanes.get(name) ?? new Lane(name, LIMITS[name], entry, hear);
	lanes.set(name, lane);
	const { visit } = event.params;
	return lane.answer(event, visit === undefined ? 0 : toldOf(visit));
}

export function stopLanes(): void {
	for (const lane of lanes.values()) lane.stop();
}
