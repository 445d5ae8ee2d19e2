/** How long what got no answer waits before it is sent once more, ms. */
const AGAIN_AFTER_MS = 15_000;

/** Sends what got no answer once more, from every part of the screen in which something may wait. */
export class Resending {
	#sends = new Set<() => Promise<void>>();
	#underWay = false;
	/** On the clock of `performance`, ms. */
	#last = 0;

	/**
	 * @param send sends what waits; it may be called while nothing does
	 * @returns ends it
	 */
	add(send: () => Promise<void>): () => void {
		this.#sends.add(send);
		return () => this.#sends.delete(send);
	}

	/** Sends at once, unless that is under way. */
	async now(): Promise<void> {
		if (this.#underWay) return;
		this.#underWay = true;
		this.#last = performance.now();
		try {
			for (const send of this.#sends) await send();
		} finally {
			this.#underWay = false;
		}
	}

	/** Sends if the last time was long enough ago; call it about once a second. */
	whenDue(): void {
		if (performance.now() - this.#last > AGAIN_AFTER_MS) void this.now();
	}
}
