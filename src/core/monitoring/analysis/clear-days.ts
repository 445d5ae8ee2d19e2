import type { Day } from '../series/year';
import { median, quantile } from '../../numerics';

/** A day under a clear sky, and what was given of the clear sky's light. */
export interface ClearDay {
	readonly day: number;
	/** Middle of the day's ratios to the clear sky, 1 at label power under 1000 W/m2. */
	readonly ratio: number;
}

/** Light of the clear sky from which on a sample counts, W/m2. */
const BRIGHT = 350;
/** Share of the day's bright samples that must be there. */
const COMPLETE = 0.8;
/** The middle half of the ratios lies within this share: no clouds came. */
const STEADY = 0.06;
/** And four in five within this. */
const WITHIN = 0.13;
/** A steady day far below its neighbours was evenly overcast. */
const OVERCAST = 0.75;
const NEIGHBOURS = 15;

/**
 * Days without clouds, by the course of the power alone.
 *
 * @param share power over label power; samples where it is NaN do not count
 * @param irradiance clear-sky irradiance in the plane, W/m2
 */
export function clearDays(
	days: readonly Day[],
	share: Float64Array,
	irradiance: Float64Array
): ClearDay[] {
	const steady: ClearDay[] = [];
	days.forEach(({ from, to }, day) => {
		const ratios: number[] = [];
		let bright = 0;
		for (let t = from; t < to; t++) {
			if (irradiance[t]! < BRIGHT) continue;
			bright++;
			if (!Number.isNaN(share[t]!)) ratios.push((1000 * share[t]!) / irradiance[t]!);
		}
		if (bright === 0 || ratios.length < COMPLETE * bright || ratios.length < 6) return;
		const ratio = median(ratios);
		const spread = (low: number) => quantile(ratios, 1 - low) - quantile(ratios, low);
		if (spread(0.25) <= STEADY * ratio && spread(0.1) <= WITHIN * ratio)
			steady.push({ day, ratio });
	});
	return steady.filter(({ day, ratio }) => {
		const near = steady.filter((other) => Math.abs(other.day - day) <= NEIGHBOURS);
		return (
			ratio >=
			OVERCAST *
				quantile(
					near.map((other) => other.ratio),
					0.8
				)
		);
	});
}
