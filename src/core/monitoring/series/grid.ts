/** Samples of one quantity of one unit, in the order of time. */
export interface Samples {
	/** ms since 1970-01-01 UTC */
	readonly at: Float64Array;
	readonly value: Float64Array;
}

/** Instants that all units share: start, start + step, ... */
export interface Times {
	/** ms since 1970-01-01 UTC */
	readonly start: number;
	/** ms */
	readonly step: number;
	readonly count: number;
}

/** Shortest and longest interval between samples within a day, ms. */
const SHORTEST = 60_000;
const LONGEST = 3_600_000;
/** One sample a day: dates, an hour apart more or less where the clocks change. */
export const DAILY = 86_400_000;

/** The interval that most neighbouring samples keep, 1 to 60 minutes or a day; null where there are too few. */
export function stepOf(lists: readonly Samples[]): number | null {
	const counts = new Map<number, number>();
	for (const { at } of lists) {
		for (let i = 1; i < Math.min(at.length, 5000); i++) {
			const minutes = Math.round((at[i]! - at[i - 1]!) / SHORTEST) * SHORTEST;
			const step = Math.abs(minutes - DAILY) <= LONGEST ? DAILY : minutes;
			if (step === DAILY || (step >= SHORTEST && step <= LONGEST)) {
				counts.set(step, (counts.get(step) ?? 0) + 1);
			}
		}
	}
	const [best] = [...counts].sort((a, b) => b[1] - a[1]);
	return best ? best[0] : null;
}

/** Values of some samples at shared times: the mean of those within half a step; NaN where there is none. */
export function onTimes({ at, value }: Samples, { start, step, count }: Times): Float64Array {
	const sum = new Float64Array(count);
	const many = new Uint16Array(count);
	for (let i = 0; i < at.length; i++) {
		const slot = Math.round((at[i]! - start) / step);
		if (slot < 0 || slot >= count) continue;
		sum[slot]! += value[i]!;
		many[slot]!++;
	}
	for (let i = 0; i < count; i++) sum[i] = many[i]! === 0 ? Number.NaN : sum[i]! / many[i]!;
	return sum;
}
