import { wrap, type Remote } from 'comlink';
import type { AssessWorker } from './assess.worker';

const start = () =>
	wrap<AssessWorker>(
		new Worker(new URL('./assess.worker.ts', import.meta.url), { type: 'module' })
	);

let verdicts: Remote<AssessWorker> | null = null;
let causes: Remote<AssessWorker> | null = null;

/** The core in a worker of its own for verdicts, started at the first use and kept. */
export function judgeInWorker(): Remote<AssessWorker> {
	return (verdicts ??= start());
}

/** Another for causes and next tests, which take longer: no verdict waits behind them. */
export function assessInWorker(): Remote<AssessWorker> {
	return (causes ??= start());
}
