import { getContext, setContext } from 'svelte';
import type { ModuleBatch } from '$core/bench';
import { send } from './send-json';

/** A batch as the server has it. */
interface Stored {
	readonly id: string;
	readonly version: number;
	readonly batch: ModuleBatch;
}

type Change = (batch: ModuleBatch) => ModuleBatch;

/**
 * A batch under the hands of one person: every change shows at once and is stored behind it. Where
 * somebody else changed the batch meanwhile, the changes that wait are made to theirs.
 */
export class BatchSession {
	readonly id: string;
	/** With all changes made here. */
	batch: ModuleBatch = $state.raw(undefined as never);
	/** Why the last change is not stored, in words; empty where all is. */
	problem = $state('');
	sending = $state(false);
	#stored: Stored;
	#waiting: Change[] = [];
	#running: Promise<void> | null = null;

	constructor(stored: Stored) {
		this.id = stored.id;
		this.#stored = stored;
		this.batch = stored.batch;
	}

	/** Changes of which nobody knows yet that they are stored. */
	get unsent(): number {
		return this.#waiting.length;
	}

	change(change: Change): void {
		this.#waiting.push(change);
		this.batch = change(this.batch);
		void this.store();
	}

	/** Sends what waits; settles once all of it is stored, or a problem is reported. */
	store(): Promise<void> {
		this.#running ??= this.#send().finally(() => (this.#running = null));
		return this.#running;
	}

	async #send(): Promise<void> {
		this.sending = true;
		this.problem = '';
		while (this.#waiting.length > 0) {
			const sent = this.#waiting.length;
			const batch = this.#made(this.#waiting.slice(0, sent));
			const answer = await send<{ version: number; stored?: Stored }>(`/bench/batches/${this.id}`, {
				method: 'PUT',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify({ from: this.#stored.version, batch })
			});
			if (answer.ok) {
				this.#stored = { id: this.id, version: answer.body.version, batch };
				this.#waiting = this.#waiting.slice(sent);
				continue;
			}
			const theirs = answer.body?.stored;
			if (!theirs) {
				this.problem = answer.words;
				break;
			}
			this.#stored = theirs;
			this.batch = this.#made(this.#waiting);
		}
		this.sending = false;
	}

	#made(changes: readonly Change[]): ModuleBatch {
		return changes.reduce((batch, change) => change(batch), this.#stored.batch);
	}
}

const KEY = Symbol('pile');

export function provideBatch(stored: Stored): BatchSession {
	return setContext(KEY, new BatchSession(stored));
}

export function useBatch(): BatchSession {
	return getContext<BatchSession>(KEY);
}
