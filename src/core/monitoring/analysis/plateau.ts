import { median } from '../../numerics';
import type { Day } from '../series/year';

/** Samples within this of the greatest stand at one level. */
const FLAT = 0.01;
/** Bins between these shares of the greatest tell how many samples a level holds that is nothing special. */
const BELOW = { from: 0.88, to: 0.97 };
/** Of the samples at a plateau most lie this near together; the round top of a sunny day spreads them. */
const TIGHT = 0.002;
const MOSTLY = 0.7;
/** A plateau holds so many times as many as levels below it, on so many days. */
const TIMES = 4;
const DAYS = 4;
const SAMPLES = 16;

/**
 * The level at which a unit's power is cut off, by its own samples: a power that is reached again and again and
 * never passed, where an uncut course thins out towards its greatest.
 *
 * @param power mean power by time, W; NaN where there is none
 * @returns W; null where no such level shows
 */
export function plateauOf(power: Float64Array, days: readonly Day[]): number | null {
	let most = 0;
	for (const watts of power) if (watts > most) most = watts;
	// A few samples above it, such as the first minute after a cloud, do not hide a plateau.
	const greatest = kthGreatest(power, most, SAMPLES / 2);
	if (!(greatest > 0)) return null;
	const top: number[] = [];
	let below = 0;
	let above = 0;
	const on: boolean[] = days.map(({ from, to }) => {
		let here = false;
		for (let t = from; t < to; t++) {
			const share = power[t]! / greatest;
			if (share > 1 + FLAT) above++;
			else if (share >= 1 - FLAT) {
				top.push(share);
				here = true;
			} else if (share >= BELOW.from && share < BELOW.to) below++;
		}
		return here;
	});
	const usual = (below * 2 * FLAT) / (BELOW.to - BELOW.from);
	const level = median(top);
	const tight = top.filter((share) => Math.abs(share - level) <= TIGHT).length;
	const isPlateau =
		top.length >= SAMPLES &&
		tight >= MOSTLY * top.length &&
		top.length >= TIMES * Math.max(usual, 1) &&
		above < SAMPLES / 2 &&
		on.filter(Boolean).length >= DAYS;
	return isPlateau ? level * greatest : null;
}

function kthGreatest(power: Float64Array, most: number, k: number): number {
	const high = power.filter((watts) => watts >= 0.6 * most).sort();
	return high.length === 0 ? 0 : high[Math.max(0, high.length - 1 - k)]!;
}
