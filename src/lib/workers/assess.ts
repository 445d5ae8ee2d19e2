import { wrap, type Remote } from 'comlink';
import type { AssessWorker } from './assess.worker';

let core: Remote<AssessWorker> | null = null;

/** The core in a worker of its own, started at the first use and kept. */
export function assessInWorker(): Remote<AssessWorker> {
	core ??= wrap<AssessWorker>(
		new Worker(new URL('./assess.worker.ts', import.meta.url), { type: 'module' })
	);
	return core;
}
