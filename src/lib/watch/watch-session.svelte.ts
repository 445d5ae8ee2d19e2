import { getContext, setContext } from 'svelte';
import type { Watch, WatchProgress } from '$core/production/analysis/watch';
import type { Unit, WatchedYear } from '$core/production/series/year';
import { watchInWorker, type RunningWatch } from '$lib/workers/watch';
import { yearFromBytes } from './year-bytes';

const KEY = Symbol('watch');

/** A site's exports on the screen: loaded once, looked through in a worker, shown by all pages of the watch. */
export class WatchSession {
	year = $state.raw<WatchedYear | null>(null);
	found = $state.raw<Watch | null>(null);
	progress = $state.raw<WatchProgress | null>(null);
	trouble = $state('');
	stopped = $state(false);
	#running: RunningWatch | null = null;
	#loading: AbortController | null = null;

	constructor(readonly siteId: string) {}

	/** Loads up to a year and looks through it; what was shown stays until the new is there. */
	async look(until: number | null = null): Promise<void> {
		this.stop();
		this.trouble = '';
		this.stopped = false;
		this.progress = { done: 0, words: 'Fetching the exports' };
		const loading = new AbortController();
		this.#loading = loading;
		try {
			const query = until === null ? '' : `?until=${until}`;
			const response = await fetch(`/sites/${this.siteId}/watch/year${query}`, {
				signal: loading.signal
			});
			if (!response.ok) {
				const { message } = (await response.json()) as { message?: string };
				throw new Error(message ?? 'The server refused it.');
			}
			const bytes = await response.arrayBuffer();
			const running = watchInWorker(bytes, (progress) => (this.progress = progress));
			this.#running = running;
			const found = await running.found;
			if (this.#running !== running) return;
			this.year = yearFromBytes(bytes);
			this.found = found;
			this.progress = null;
		} catch (cause) {
			if (loading.signal.aborted) return;
			this.progress = null;
			this.trouble = `The exports could not be looked through (${cause instanceof Error ? cause.message : String(cause)}). Nothing is lost; try again.`;
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

export function provideWatch(session: WatchSession): WatchSession {
	return setContext(KEY, session);
}

export function useWatch(): WatchSession {
	return getContext<WatchSession>(KEY);
}
