import { proxy, wrap } from 'comlink';
import type { MonitoringProgress, YearAnalysis } from '$core/monitoring';
import type { MonitoringWorker } from './monitoring.worker';

/** An analysis that runs: its end, and the way to stop it before. */
export interface RunningAnalysis {
	readonly found: Promise<YearAnalysis>;
	readonly stop: () => void;
}

/** Looks through a year in a worker of its own, which ends with it. */
export function analyseInWorker(
	bytes: ArrayBuffer,
	tell: (progress: MonitoringProgress) => void
): RunningAnalysis {
	const thread = new Worker(new URL('./monitoring.worker.ts', import.meta.url), { type: 'module' });
	const found = wrap<MonitoringWorker>(thread)
		.look(bytes, proxy(tell))
		.finally(() => thread.terminate());
	return { found, stop: () => thread.terminate() };
}
