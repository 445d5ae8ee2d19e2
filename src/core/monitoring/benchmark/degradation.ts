import { dayNumber } from '../../units';
import { robustTrend, type TrendPoint } from './robust-trend';
import type { Corrected } from './stc-share';
import { yearOnYear, type YearOnYear } from './year-on-year';

/** What is known of the instruments behind the measurements. */
type InstrumentState =
	/** One for all of them. */
	| 'same'
	/** Several, each named. */
	| 'changed'
	/** Not named with each: a change would look like degradation, so the band is wide. */
	| 'not-stated';

/** How an array degrades by its benchmark days. */
export interface Degradation {
	/** Change of the share of nameplate power a year, and its band of 95 %; negative for less. */
	readonly perYear: number;
	readonly low: number;
	readonly high: number;
	/** Share at the first measurement, by the line. */
	readonly first: number;
	readonly instruments: InstrumentState;
	/** Where the measurements jump as they do when an instrument is changed, though nobody named one; null for no jump. */
	readonly jump: {
		/** Of the first measurement after it, as in 2026-06-21. */
		readonly date: string;
		/** Change of the share. */
		readonly by: number;
	} | null;
	/** The same by pairs of measurements a year apart; null for fewer than three pairs. */
	readonly yearOnYear: YearOnYear | null;
	/** Years from the first measurement on in which it will pass the limit: likely, soonest, latest; null for never. */
	readonly passes: {
		readonly likely: number | null;
		readonly soonest: number | null;
		readonly latest: number | null;
	};
}

const YEAR = 365.25;
/** One good irradiance instrument differs from another by so much, standard uncertainty of a share; Zembo default. */
const BETWEEN_INSTRUMENTS = 0.03;
/**
 * A jump in the middle of a span tilts a straight line through it by so many jumps a span. Nobody having named the
 * instruments, one change among them is allowed for.
 */
const TILT_OF_JUMP = 1.5;
/** A jump is spoken of from so many standard uncertainties on. */
const CLEAR_JUMP = 3;

/** Years since the first date. */
export function yearsSince(first: string, date: string): number {
	return (dayNumber(date) - dayNumber(first)) / YEAR;
}

/**
 * Degradation by a robust line through measurements over a year or more, corrected for what a season does to them,
 * each instrument with an offset of its own ({@link robustTrend}); beside it the year-on-year method.
 *
 * @param limit share of nameplate power
 * @returns null for fewer than 3 measurements, or less than a year between them
 */
export function degradationOf(readings: readonly Corrected[], limit: number): Degradation | null {
	const sorted = [...readings].sort((a, b) => (a.date < b.date ? -1 : 1));
	const first = sorted[0]?.date;
	if (sorted.length < 3 || first === undefined) return null;
	const points = sorted.map(({ date, share, repeated, instrument }): TrendPoint => ({
		year: yearsSince(first, date),
		season: seasonOf(date),
		group: instrument ?? '',
		value: share,
		uncertainty: repeated
	}));
	const span = points.at(-1)!.year;
	if (span < 1) return null;
	const unnamed = sorted.some(({ instrument }) => instrument === null);
	const jumpAt = sorted.every(({ instrument }) => instrument === null)
		? clearestJump(points)
		: null;
	const trend = robustTrend(
		jumpAt === null ? points : splitAt(points, jumpAt.index),
		BETWEEN_INSTRUMENTS
	);
	const allowed = unnamed && jumpAt === null ? (TILT_OF_JUMP * BETWEEN_INSTRUMENTS) / span : 0;
	const reach = 1.96 * Math.hypot(trend.slopeUncertainty, allowed);
	const [low, high] = [trend.slope - reach, trend.slope + reach];
	const when = (slope: number) => {
		if (trend.intercept <= limit) return 0;
		return slope < 0 ? (limit - trend.intercept) / slope : null;
	};
	const named = new Set(sorted.map(({ instrument }) => instrument));
	return {
		perYear: trend.slope,
		low,
		high,
		first: trend.intercept,
		instruments: unnamed ? 'not-stated' : named.size > 1 ? 'changed' : 'same',
		jump: jumpAt && { date: sorted[jumpAt.index]!.date, by: jumpAt.by },
		yearOnYear: yearOnYear(points),
		passes: { likely: when(trend.slope), soonest: when(low), latest: when(high) }
	};
}

/** Quarter of the year around an equinox or a solstice, 0 to 3 from that of March. */
function seasonOf(date: string): number {
	const day = dayNumber(date) - dayNumber(`${date.slice(0, 4)}-01-01`);
	return Math.floor((((day - 33 + YEAR) % YEAR) / YEAR) * 4) % 4;
}

/** The points from an index on as another group. */
function splitAt(points: readonly TrendPoint[], index: number): TrendPoint[] {
	return points.map((point, i) =>
		i < index ? point : { ...point, group: `${point.group} later` }
	);
}

/** The jump that explains most, where it is clear; with two points at least on either side. */
function clearestJump(points: readonly TrendPoint[]): { index: number; by: number } | null {
	let best: { index: number; by: number } | null = null;
	let clearest = CLEAR_JUMP;
	for (let index = 2; index <= points.length - 2; index++) {
		// Any size of it is as likely as another while it is looked for.
		const { offsets } = robustTrend(splitAt(points, index), 1);
		const later = offsets.at(-1);
		if (!later) continue;
		const clear = Math.abs(later.value) / later.uncertainty;
		if (clear > clearest) {
			clearest = clear;
			best = { index, by: later.value };
		}
	}
	return best;
}
