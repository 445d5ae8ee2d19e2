/** Sizes at which counters begin again: registers of 16 and 32 bits, and displays of so many figures. */
const SIZES = [2 ** 16, 2 ** 32, 1e4, 1e5, 1e6, 1e7, 1e8, 1e9];
/** A register counts whole Wh, tenths or hundredths of a kWh, or kWh. */
const STEPS = [1, 10, 100, 1000];
/** How near to its end a counter must have been to have rolled over, as a share of its size. */
const NEAR_END = 0.01;

/**
 * Energy between two readings of a counter, Wh. One that begins again at 0 has rolled over where it
 * was near the end of its size, and was set back (a new day, a new device) otherwise.
 *
 * @param most that can have been made between the two, Wh
 * @returns null where nothing plausible explains the two
 */
export function energyBetween(before: number, after: number, most: number): number | null {
	const up = after - before;
	if (up >= 0) return up <= most ? up : null;
	for (const size of SIZES) {
		for (const step of STEPS) {
			const end = size * step;
			if (before > end || before < end * (1 - NEAR_END)) continue;
			const over = end - before + after;
			if (over <= most) return over;
		}
	}
	return after >= 0 && after <= most ? after : null;
}
