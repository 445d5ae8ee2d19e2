import { expose } from 'comlink';
import { watch, type Watch, type WatchProgress } from '$core/production/analysis/watch';
import { yearFromBytes } from '$lib/watch/year-bytes';

const worker = {
	/** Looks through a year; who wants less ends the worker. */
	look(bytes: ArrayBuffer, tell: (progress: WatchProgress) => void): Watch {
		const running = watch(yearFromBytes(bytes));
		for (;;) {
			const { value, done } = running.next();
			if (done) return value;
			tell(value);
		}
	}
};
export type WatchWorker = typeof worker;
expose(worker);
