import { v7 as uuid } from 'uuid';
import { currentEntries, type InspectionEntry } from '$core/inspection';
import { sendJson } from './send-json';
import { storePhotograph, type StoredPhotograph } from './store-photograph';

/** What is answered; the session adds who, when and which it replaces. */
export type Answer = Pick<
	InspectionEntry,
	'stop' | 'outcome' | 'severity' | 'place' | 'words' | 'measured' | 'infrared' | 'photographs'
>;

/** An answer that the server has not taken. */
export interface UnsentAnswer {
	readonly entry: InspectionEntry;
	readonly words: string;
	/** Whether sending the same once more may succeed. */
	readonly again: boolean;
}

/** The walk of a visit while it is walked: answers show at once and are stored behind it. */
export class InspectionSession {
	entries = $state.raw<readonly InspectionEntry[]>([]);
	unsent = $state.raw<readonly UnsentAnswer[]>([]);
	storing = $state(0);

	constructor(
		readonly visitId: string,
		entries: readonly InspectionEntry[],
		private readonly by: () => string
	) {
		this.entries = entries;
	}

	get pending(): boolean {
		return this.storing > 0 || this.unsent.length > 0;
	}

	/** @param replaces the answer that this one stands for from now on */
	answer(answer: Answer, replaces: InspectionEntry | null = null): Promise<boolean> {
		return this.#put({
			...answer,
			id: uuid(),
			at: new Date().toISOString(),
			by: this.by(),
			supersedes: replaces?.id ?? null,
			withdrawn: false
		});
	}

	/** Takes an answer back. */
	withdraw(entry: InspectionEntry): Promise<boolean> {
		return this.#put({
			...entry,
			id: uuid(),
			at: new Date().toISOString(),
			by: this.by(),
			supersedes: entry.id,
			withdrawn: true
		});
	}

	/** The newest answer that stands. */
	get last(): InspectionEntry | null {
		return currentEntries(this.entries).at(-1) ?? null;
	}

	async sendAgain(item: UnsentAnswer): Promise<void> {
		await this.#put(item.entry);
	}

	/** Sends what got no answer, oldest first, until one gets none again. */
	async resend(): Promise<void> {
		for (const { entry, again } of this.unsent) if (again && !(await this.#put(entry))) return;
	}

	/** Makes a picture small and stores it; its id, or why not. */
	async photograph(file: File): Promise<StoredPhotograph> {
		return storePhotograph(this.visitId, file);
	}

	async #put(entry: InspectionEntry): Promise<boolean> {
		if (!this.entries.includes(entry)) this.entries = [...this.entries, entry];
		this.storing++;
		const answer = await sendJson(`/visits/${this.visitId}/inspection`, entry);
		this.storing--;
		if (answer.ok) {
			this.unsent = this.unsent.filter((item) => item.entry.id !== entry.id);
			return true;
		}
		const item = { entry, words: answer.words, again: answer.again };
		// One that waits already keeps its turn.
		const at = this.unsent.findIndex((other) => other.entry.id === entry.id);
		this.unsent = at < 0 ? [...this.unsent, item] : this.unsent.with(at, item);
		// What the server will never take must not look stored.
		if (!answer.again) this.entries = this.entries.filter(({ id }) => id !== entry.id);
		return false;
	}
}
