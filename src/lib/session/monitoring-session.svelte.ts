import { getContext, setContext } from 'svelte';
import type { MonitoredYear, MonitoringProgress, Unit, YearAnalysis } from '$core/monitoring';
import { analyseInWorker, type RunningAnalysis } from '$lib/workers/monitoring';
import { yearFromBytes } from '../monitoring/year-bytes';

const KEY = Symbol('watch');

/** A site's exports on the screen: loaded once, looked through in a worker, shown by all pages of the watch. */
export class MonitoringSession {
	year = $state.raw<MonitoredYear | null>(null);
	found = $state.raw<YearAnalysis | null>(null);
	progress = $state.raw<MonitoringProgress | null>(null);
	problem = $state('');
	stopped = $state(false);
	#running: RunningAnalysis | null = null;
	#loading: AbortController | null = null;

	constructor(readonly siteId: string) {}

	/** Loads up to a year and looks through it; what was shown stays until the new is there. */
	async look(until: number | null = null): Promise<void> {
		this.stop();
		this.problem = '';
		this.stopped = false;
		this.progress = { done: 0, words: 'Fetching the exports' };
		const loading = new AbortController();
		this.#loading = loading;
		try {
			const query = until === null ? '' : `?until=${until}`;
			const response = await fetch(`/sites/${this.siteId}/monitoring/year${query}`, {
				signal: loading.signal
			});
			if (!response.ok) {
				const { message } = (await response.json()) as { message?: string };
				throw new Error(message ?? 'The server refused it.');
			}
			const bytes = await response.arrayBuffer();
			const running = analyseInWorker(bytes, (progress) => (this.progress = progress));
			this.#running = running;
			const found = await running.found;
			if (this.#running !== running) return;
			this.year = yearFromBytes(bytes);
			this.found = found;
			this.progress = null;
		} catch (cause) {
			if (loading.signal.aborted) return;
			this.progress = null;
			this.problem = `The exports could not be looked through (${cause instanceof Error ? cause.message : String(cause)}). Nothing is lost; try again.`;
		}
	}

	stop(): void {
		if (!this.progress) return;
		this.#loading?.abort();
		this.#running?.stop();
		this.#running = null;
		this.progress = null;
		this.stopped = true;
	}

	unit(key: string): Unit | null {
		return this.year?.units.find((unit) => unit.key === key) ?? null;
	}

	labelOf(key: string): string {
		return this.unit(key)?.label ?? key;
	}
}

export function provideWatch(session: MonitoringSession): MonitoringSession {
	return setContext(KEY, session);
}

export function useMonitoring(): MonitoringSession {
	return getContext<MonitoringSession>(KEY);
}
