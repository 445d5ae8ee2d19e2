/** Numbers from a seed, so that what was found can be found again. */
export class Random {
	#state: number;

	constructor(seed: number) {
		this.#state = seed | 0;
	}

	/** 0 to below 1; mulberry32. */
	next(): number {
		this.#state = (this.#state + 0x6d2b79f5) | 0;
		let t = Math.imul(this.#state ^ (this.#state >>> 15), 1 | this.#state);
		t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
		return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
	}

	/** A whole number from 0 to below a bound. */
	below(bound: number): number {
		return Math.floor(this.next() * bound);
	}

	of<T>(values: readonly T[]): T {
		return values[this.below(values.length)]!;
	}

	bytes(count: number): Uint8Array {
		return Uint8Array.from({ length: count }, () => this.below(256));
	}

	/** UUID of version 7, so that a run makes the same ones again. */
	uuid(): string {
		const hex = [...this.bytes(16)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
		return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-7${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20)}`;
	}
}
