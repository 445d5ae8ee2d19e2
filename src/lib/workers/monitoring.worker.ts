import { expose } from 'comlink';
import { analyseYear, type MonitoringProgress, type YearAnalysis } from '$core/monitoring';
import { yearFromBytes } from '$lib/monitoring/year-bytes';

const worker = {
	/** Looks through a year; who wants less ends the worker. */
	look(bytes: ArrayBuffer, tell: (progress: MonitoringProgress) => void): YearAnalysis {
		const running = analyseYear(yearFromBytes(bytes));
		for (;;) {
			const { value, done } = running.next();
			if (done) return value;
			tell(value);
		}
	}
};
export type MonitoringWorker = typeof worker;
expose(worker);
