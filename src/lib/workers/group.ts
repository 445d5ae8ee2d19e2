import { proxy, wrap } from 'comlink';
import type { Grouping, GroupingAsk, GroupingProgress } from '$core/bench';
import type { GroupWorker } from './group.worker';

/** A search that runs: its end, and the way to stop it before. */
export interface RunningSearch {
	readonly found: Promise<Grouping | null>;
	readonly stop: () => void;
}

/** Searches a grouping in a worker of its own, which ends with the search. */
export function groupInWorker(
	ask: GroupingAsk,
	tell: (progress: GroupingProgress) => void
): RunningSearch {
	const thread = new Worker(new URL('./group.worker.ts', import.meta.url), { type: 'module' });
	const found = wrap<GroupWorker>(thread)
		.find(ask, proxy(tell))
		.finally(() => thread.terminate());
	return { found, stop: () => thread.terminate() };
}
