import { getContext, setContext } from 'svelte';
import { v7 as uuid } from 'uuid';
import { applyChange, type ArrayRecord, inverseOf, type RecordChange } from '$core/record';
import { sendJson } from './send-json';

/** A revision as the server sends it. */
interface SeenRevision {
	readonly id: string;
	readonly number: number;
	readonly createdAt: string;
	readonly record: ArrayRecord;
}

/** A change on its way, or one that the server has not taken. */
interface Sent {
	readonly id: string;
	readonly words: string;
	readonly change: RecordChange;
}

/** Changes that can be taken back, newest last. */
const UNDOABLE = 50;

const KEY = Symbol('record');

/**
 * The record of a site while people change it: a change shows at once and is stored behind it, one
 * after the other; what the server refuses is taken off the screen again with the reason.
 */
export class RecordSession {
	/** The record with every change of this screen. */
	record = $state.raw() as ArrayRecord;
	/** Number of the newest revision that the server confirmed. */
	number = $state(0);
	/** Why the last change was not stored; null where all went well. */
	refusal = $state<string | null>(null);
	/** A change that could not be sent, to be tried again. */
	unsent = $state.raw<Sent | null>(null);
	storing = $state(0);
	#undo = $state.raw<readonly { readonly words: string; readonly inverse: RecordChange }[]>([]);
	#confirmed: SeenRevision;
	#queue: Promise<void> = Promise.resolve();

	constructor(
		readonly siteId: string,
		revision: SeenRevision
	) {
		this.#confirmed = revision;
		this.record = revision.record;
		this.number = revision.number;
	}

	/** What undo would take back; null where there is nothing. */
	get undoable(): string | null {
		return this.#undo.at(-1)?.words ?? null;
	}

	/** Whether something is not at the server yet. */
	get pending(): boolean {
		return this.storing > 0 || this.unsent !== null;
	}

	/** Takes what the server sent anew, unless changes are on their way. */
	replace(revision: SeenRevision): void {
		if (this.pending || revision.number < this.number) return;
		this.#adopt(revision);
	}

	/**
	 * Changes the record.
	 *
	 * @param words what was done, for undo: "A1 moved"
	 * @returns whether it was stored; the screen shows it before that
	 */
	async change(words: string, change: RecordChange): Promise<boolean> {
		const inverse = inverseOf(this.record, change);
		const stored = await this.#send({ id: uuid(), words, change });
		if (stored) this.#undo = [...this.#undo, { words, inverse }].slice(-UNDOABLE);
		return stored;
	}

	/** Takes the last change of this screen back. */
	async undo(): Promise<boolean> {
		const last = this.#undo.at(-1);
		if (!last) return false;
		this.#undo = this.#undo.slice(0, -1);
		return this.#send({ id: uuid(), words: `${last.words}, taken back`, change: last.inverse });
	}

	/** Sends once more what could not be sent. */
	async tryAgain(): Promise<boolean> {
		const { unsent } = this;
		if (!unsent) return true;
		this.unsent = null;
		return this.#send(unsent);
	}

	/** Gives up what could not be sent. */
	forget(): void {
		this.unsent = null;
		this.refusal = null;
		this.record = this.#confirmed.record;
	}

	#send(sent: Sent): Promise<boolean> {
		const shown = applyChange(this.record, sent.change);
		if (!shown.ok) {
			this.refusal = shown.problem;
			return Promise.resolve(false);
		}
		this.refusal = null;
		this.record = shown.value;
		this.storing++;
		const stored = this.#queue.then(() => this.#store(sent));
		this.#queue = stored.then(
			() => undefined,
			() => undefined
		);
		return stored;
	}

	async #store({ id, words, change }: Sent): Promise<boolean> {
		const answer = await sendJson<Partial<SeenRevision> & { newest?: SeenRevision }>(
			`/sites/${this.siteId}/changes`,
			{ id, base: this.#confirmed.id, change }
		);
		this.storing--;
		if (answer.ok) {
			const { body } = answer;
			const applied = applyChange(this.#confirmed.record, change);
			const record = body.record ?? (applied.ok ? applied.value : this.record);
			this.#confirmed = { id: body.id!, number: body.number!, createdAt: body.createdAt!, record };
			this.number = body.number!;
			if (this.storing === 0) this.record = record;
			return true;
		}
		this.refusal = answer.words;
		if (answer.again) this.unsent = { id, words, change };
		else this.#adopt(answer.body?.newest ?? this.#confirmed);
		return false;
	}

	#adopt(revision: SeenRevision): void {
		this.#confirmed = revision;
		this.record = revision.record;
		this.number = revision.number;
	}
}

export function provideRecord(session: RecordSession): RecordSession {
	return setContext(KEY, session);
}

export function useRecord(): RecordSession {
	return getContext<RecordSession>(KEY);
}
