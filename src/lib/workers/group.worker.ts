import { expose } from 'comlink';
import { findGrouping, type Grouping, type GroupingAsk, type GroupingProgress } from '$core/bench';
import { randomFrom } from '$core/numerics';

/** The same batch gives the same answer. */
const SEED = 20_260_601;

/** Progress is told at most so often, ms. */
const TELL_EVERY = 120;

const worker = {
	/** Searches to its end; who wants less ends the worker and keeps the last that was told. */
	find(ask: GroupingAsk, tell: (progress: GroupingProgress) => void): Grouping | null {
		const random = randomFrom(SEED);
		const running = findGrouping(ask, () => random.uniform());
		let told = 0;
		for (;;) {
			const { value, done } = running.next();
			if (done) return value;
			const now = performance.now();
			if (now - told < TELL_EVERY) continue;
			told = now;
			tell(value);
		}
	}
};
export type GroupWorker = typeof worker;
expose(worker);
