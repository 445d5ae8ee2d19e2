import { proxy, wrap } from 'comlink';
import type { Watch, WatchProgress } from '$core/production/analysis/watch';
import type { WatchWorker } from './watch.worker';

/** An analysis that runs: its end, and the way to stop it before. */
export interface RunningWatch {
	readonly found: Promise<Watch>;
	readonly stop: () => void;
}

/** Looks through a year in a worker of its own, which ends with it. */
export function watchInWorker(
	bytes: ArrayBuffer,
	tell: (progress: WatchProgress) => void
): RunningWatch {
	const thread = new Worker(new URL('./watch.worker.ts', import.meta.url), { type: 'module' });
	const found = wrap<WatchWorker>(thread)
		.look(bytes, proxy(tell))
		.finally(() => thread.terminate());
	return { found, stop: () => thread.terminate() };
}
