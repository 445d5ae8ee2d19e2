import { wrap, type Remote } from 'comlink';
import type { PractiseWorker } from './practise.worker';

/** A worker that judges the readings of an exercise; it lives as long as its page. */
export function startPractiseWorker(): {
	readonly core: Remote<PractiseWorker>;
	readonly stop: () => void;
} {
	const worker = new Worker(new URL('./practise.worker.ts', import.meta.url), { type: 'module' });
	return { core: wrap<PractiseWorker>(worker), stop: () => worker.terminate() };
}
