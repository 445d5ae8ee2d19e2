import { median } from '../../numerics';
import type { TrendPoint } from './robust-trend';

/** Degradation by pairs of measurements a whole number of years apart. */
export interface YearOnYear {
	/** Median change a year over the pairs, and the band of 95 % of that median. */
	readonly perYear: number;
	readonly low: number;
	readonly high: number;
	readonly pairs: number;
}

/** A pair is taken at the same place of the year within so many years: twenty days. */
const SAME_DAY = 20 / 365.25;
const FEWEST = 3;

/**
 * Each measurement is compared with the next one by the same instrument at the same place of the year, so that seasons
 * fall out and one change of instrument spoils one pair of each season at most.
 * Jordan, Deline, Kurtz, Kimball, Anderson, Robust PV Degradation Methodology and Application, IEEE Journal of
 * Photovoltaics 8 (2018), from memory; its band there is drawn by bootstrap, here it is that of a median by ranks.
 *
 * @param points in the order of time
 * @returns null for fewer than three pairs
 */
export function yearOnYear(points: readonly TrendPoint[]): YearOnYear | null {
	const slopes: number[] = [];
	let variance = 0;
	for (const [i, from] of points.entries()) {
		const to = points.slice(i + 1).find(({ year, group }) => {
			const years = year - from.year;
			const whole = Math.round(years);
			return group === from.group && whole >= 1 && Math.abs(years - whole) <= SAME_DAY;
		});
		if (!to) continue;
		const years = to.year - from.year;
		slopes.push((to.value - from.value) / years);
		variance += (Math.hypot(from.uncertainty, to.uncertainty) / years) ** 2;
	}
	const n = slopes.length;
	if (n < FEWEST) return null;
	const sorted = slopes.sort((a, b) => a - b);
	const perYear = median(sorted);
	const reach = 0.98 * Math.sqrt(n);
	const at = (rank: number) => sorted[Math.max(0, Math.min(n - 1, rank))]!;
	// A median of n scatters a quarter more than their mean.
	const least = (1.96 * 1.25 * Math.sqrt(variance / n)) / Math.sqrt(n);
	return {
		perYear,
		low: Math.min(at(Math.floor(n / 2 - reach) - 1), perYear - least),
		high: Math.max(at(Math.ceil(n / 2 + reach)), perYear + least),
		pairs: n
	};
}
