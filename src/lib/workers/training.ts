import { wrap, type Remote } from 'comlink';
import type { TrainingWorker } from './training.worker';

/** A worker that judges the readings of an exercise; it lives as long as its page. */
export function startTrainingWorker(): {
	readonly core: Remote<TrainingWorker>;
	readonly stop: () => void;
} {
	const worker = new Worker(new URL('./training.worker.ts', import.meta.url), { type: 'module' });
	return { core: wrap<TrainingWorker>(worker), stop: () => worker.terminate() };
}
