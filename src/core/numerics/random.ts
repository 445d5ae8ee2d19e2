/** Everything a scenario draws, from one seed. */
export interface Random {
	/** 0 to 1, both left out. */
	uniform(): number;
	/** Standard normal. */
	normal(): number;
	between(low: number, high: number): number;
	/** Evenly in the logarithm. */
	logBetween(low: number, high: number): number;
	/** A whole number, both ends possible. */
	whole(low: number, high: number): number;
	chance(probability: number): boolean;
	pick<T>(list: readonly T[]): T;
}

/** Mulberry32 (public domain), a 32-bit generator; normal deviates by Box and Muller. */
export function randomFrom(seed: number): Random {
	let state = seed >>> 0;
	const uniform = () => {
		state = (state + 0x6d2b79f5) >>> 0;
		let t = Math.imul(state ^ (state >>> 15), state | 1);
		t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
		return (((t ^ (t >>> 14)) >>> 0) + 0.5) / 2 ** 32;
	};
	const between = (low: number, high: number) => low + (high - low) * uniform();
	const whole = (low: number, high: number) => low + Math.floor((high - low + 1) * uniform());
	return {
		uniform,
		between,
		whole,
		normal: () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform()),
		logBetween: (low, high) => low * (high / low) ** uniform(),
		chance: (probability) => uniform() < probability,
		pick: (list) => list[whole(0, list.length - 1)]!
	};
}
