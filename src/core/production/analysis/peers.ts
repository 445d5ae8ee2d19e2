import type { Unit } from '../series/year';

/** Units that are alike, and what the middle one of them gives. */
export interface Peers {
	readonly units: readonly Unit[];
	/** Power over label power of the middle unit, by time; NaN where fewer than half say anything. */
	readonly share: Float64Array;
	/** Whether one of them stands at its rating then: what lags cannot be told. */
	readonly atRating: Uint8Array;
}

/** Fewest units of which one can be told from the rest. */
const FEWEST_PEERS = 3;
/** Of its rating, from where on a unit counts as standing at it. */
export const AT_RATING = 0.985;

/** Groups of units that are alike, the largest first; units that stand alone are in none. */
export function peersOf(units: readonly Unit[], count: number): Peers[] {
	const groups = new Map<string, Unit[]>();
	for (const unit of units) {
		if (unit.like === null || unit.labelWatts <= 0) continue;
		groups.set(unit.like, [...(groups.get(unit.like) ?? []), unit]);
	}
	return [...groups.values()]
		.filter((group) => group.length >= FEWEST_PEERS)
		.sort((a, b) => b.length - a.length)
		.map((group) => ({ units: group, ...middleOf(group, count) }));
}

function middleOf(units: readonly Unit[], count: number) {
	const share = new Float64Array(count).fill(Number.NaN);
	const atRating = new Uint8Array(count);
	const sorted = new Float64Array(units.length);
	for (let t = 0; t < count; t++) {
		let n = 0;
		for (const { power, labelWatts, ratedWatts } of units) {
			const watts = power[t]!;
			if (Number.isNaN(watts)) continue;
			if (ratedWatts !== null && watts >= AT_RATING * ratedWatts) atRating[t] = 1;
			// A few values: putting each in its place beats sorting.
			const value = watts / labelWatts;
			let i = n++;
			for (; i > 0 && sorted[i - 1]! > value; i--) sorted[i] = sorted[i - 1]!;
			sorted[i] = value;
		}
		if (n >= FEWEST_PEERS && 2 * n >= units.length) {
			share[t] = 0.5 * (sorted[(n - 1) >> 1]! + sorted[n >> 1]!);
		}
	}
	return { share, atRating };
}
