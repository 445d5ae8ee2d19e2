import { getContext, setContext } from 'svelte';
import type { Pile } from '$core/bench/pile';
import { send } from './send-json';

/** A pile as the server has it. */
interface Stored {
	readonly id: string;
	readonly version: number;
	readonly pile: Pile;
}

type Change = (pile: Pile) => Pile;

/**
 * A pile under the hands of one person: every change shows at once and is stored behind it. Where
 * somebody else changed the pile meanwhile, the changes that wait are made to theirs.
 */
export class PileSession {
	readonly id: string;
	/** With all changes made here. */
	pile: Pile = $state.raw(undefined as never);
	/** Why the last change is not stored, in words; empty where all is. */
	trouble = $state('');
	sending = $state(false);
	#stored: Stored;
	#waiting: Change[] = [];
	#running: Promise<void> | null = null;

	constructor(stored: Stored) {
		this.id = stored.id;
		this.#stored = stored;
		this.pile = stored.pile;
	}

	/** Changes of which nobody knows yet that they are stored. */
	get unsent(): number {
		return this.#waiting.length;
	}

	change(change: Change): void {
		this.#waiting.push(change);
		this.pile = change(this.pile);
		void this.store();
	}

	/** Sends what waits; settles once all of it is stored, or trouble is said. */
	store(): Promise<void> {
		this.#running ??= this.#send().finally(() => (this.#running = null));
		return this.#running;
	}

	async #send(): Promise<void> {
		this.sending = true;
		this.trouble = '';
		while (this.#waiting.length > 0) {
			const sent = this.#waiting.length;
			const pile = this.#made(this.#waiting.slice(0, sent));
			const answer = await send<{ version: number; stored?: Stored }>(`/bench/piles/${this.id}`, {
				method: 'PUT',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify({ from: this.#stored.version, pile })
			});
			if (answer.ok) {
				this.#stored = { id: this.id, version: answer.body.version, pile };
				this.#waiting = this.#waiting.slice(sent);
				continue;
			}
			const theirs = answer.body?.stored;
			if (!theirs) {
				this.trouble = answer.words;
				break;
			}
			this.#stored = theirs;
			this.pile = this.#made(this.#waiting);
		}
		this.sending = false;
	}

	#made(changes: readonly Change[]): Pile {
		return changes.reduce((pile, change) => change(pile), this.#stored.pile);
	}
}

const KEY = Symbol('pile');

export function providePile(stored: Stored): PileSession {
	return setContext(KEY, new PileSession(stored));
}

export function usePile(): PileSession {
	return getContext<PileSession>(KEY);
}
