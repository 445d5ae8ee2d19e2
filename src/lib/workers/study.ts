import { wrap, type Remote } from 'comlink';
import type { StudyWorker } from './study.worker';

/** A worker for the questions about one string; it lives as long as their page. */
export function startStudyWorker(): {
	readonly core: Remote<StudyWorker>;
	readonly stop: () => void;
} {
	const worker = new Worker(new URL('./study.worker.ts', import.meta.url), { type: 'module' });
	return { core: wrap<StudyWorker>(worker), stop: () => worker.terminate() };
}
