import { type Observer, sunPosition } from '../../conditions';
import { dayNumber } from '../../units';
import { quantile } from '../../numerics';
import { HOUR, type MonitoredYear } from '../series/year';

/** The times of an export do not go with the sun. */
export type ClockFinding =
	/** All of them are late or early by the same. */
	| {
			readonly kind: 'shifted';
			/** What has to be added to every time, ms, to the quarter of an hour. */
			readonly add: number;
	  }
	/** The export keeps one offset all year where it was read in a time zone with daylight saving. */
	| {
			readonly kind: 'fixed-offset';
			/** ms ahead of UTC, to the half hour. */
			readonly offset: number;
	  }
	/** Late or early by different times in the course of the year: the clock was set, or is wrong. */
	| {
			readonly kind: 'irregular';
			/** What has to be added at the least and at the most, ms, to the quarter of an hour. */
			readonly add: readonly [number, number];
	  };

/** What the sun says of the times of an export. */
export interface ClockCheck {
	/** Null where the times go with the sun. */
	readonly finding: ClockFinding | null;
	/** What has to be added to the times of samples for their middles, ms; 0 where the times do not go with the sun. */
	readonly middle: number;
}

const DAY = 24 * HOUR;
const MINUTE = 60_000;
/** Share of the highest power from which on a sample is lit: the light of the sky alone does it. */
const LIT = 0.02;
/** Days with one offset from UTC must be so many, and their lit samples. */
const FEWEST = { days: 10, samples: 200 };
/** Fog, hills and the way the modules face move the middle of a day by less, ms; judgement. */
const TOLERANCE = 20 * MINUTE;
/** Whether a step is stamped at its beginning or its end moves it by half a step more. */
const OF_STEP = 0.6;
/** Length of a day that is whole, also where the clocks change, ms. */
const WHOLE = 22.5 * HOUR;
/** Stamps that begin, halve or end their step are told within this, ms; what lies beside them is taken as it is. Judgement. */
const NEAR_STAMP = 6 * MINUTE;
/** Noon is worked out for every so manieth day. */
const EVERY = 5;

/**
 * Whether the times of an export go with the sun: it lights an array as long before its noon as after, wherever the
 * modules face, so the middle of the lit hours is noon. Days with and without daylight saving are looked at apart.
 *
 * @param shares power over nameplate by time of groups of units; NaN where it does not count
 * @returns null where there is too little to tell
 */
export function clockOf(
	{ times, days }: Pick<MonitoredYear, 'times' | 'days'>,
	observer: Observer,
	shares: readonly Float64Array[]
): ClockCheck | null {
	const most = new Float64Array(times.count);
	for (const share of shares) {
		for (let t = 0; t < times.count; t++) if (share[t]! > most[t]!) most[t] = share[t]!;
	}
	const lit =
		LIT *
		quantile(
			most.filter((share) => share > 0),
			0.99
		);
	if (!(lit > 0)) return null;
	const seasons = new Map<number, { days: number; samples: number; cos: number; sin: number }>();
	let noon = Number.NaN;
	for (const [d, { date, from, to }] of days.entries()) {
		// A day that the export begins or ends in says nothing of its offset.
		if ((to - from) * times.step < WHOLE) continue;
		const begin = times.start + from * times.step;
		if (d % EVERY === 0 || Number.isNaN(noon)) noon = noonOf(begin, observer);
		const offset = rounded(dayNumber(date) * DAY - begin, 15);
		const season = seasons.get(offset) ?? { days: 0, samples: 0, cos: 0, sin: 0 };
		seasons.set(offset, season);
		let samples = 0;
		for (let t = from; t < to; t++) {
			if (!(most[t]! > lit)) continue;
			const angle = (2 * Math.PI * (times.start + t * times.step - noon)) / DAY;
			season.cos += Math.cos(angle);
			season.sin += Math.sin(angle);
			samples++;
		}
		if (samples > 0) season.days++;
		season.samples += samples;
	}
	const found = [...seasons].flatMap(([offset, { days: of, samples, cos, sin }]) =>
		of < FEWEST.days || samples < FEWEST.samples
			? []
			: [{ offset, add: (-Math.atan2(sin, cos) * DAY) / (2 * Math.PI) }]
	);
	const least = Math.max(TOLERANCE, OF_STEP * times.step);
	if (found.length === 0) return null;
	const adds = rangeOf(found.map(({ add }) => add));
	if (found.every(({ add }) => Math.abs(add) < least)) {
		return { finding: null, middle: middleOf(adds.middle, times.step) };
	}
	const kept = rangeOf(found.map(({ offset, add }) => offset - add));
	const finding: ClockFinding =
		adds.width <= TOLERANCE
			? { kind: 'shifted', add: rounded(adds.middle, 15) }
			: kept.width <= TOLERANCE
				? { kind: 'fixed-offset', offset: rounded(kept.middle, 30) }
				: { kind: 'irregular', add: [rounded(adds.least, 15), rounded(adds.most, 15)] };
	return { finding, middle: 0 };
}

/** Stamps begin, halve or end their step; a logger's clock that is some minutes off is none of these. */
function middleOf(add: number, step: number): number {
	const [nearest] = [0, step / 2, -step / 2].sort((a, b) => Math.abs(add - a) - Math.abs(add - b));
	return Math.abs(add - nearest!) <= NEAR_STAMP ? nearest! : add;
}

/** The sun's highest stand on the day of an instant, ms since 1970-01-01 UTC, to the minute. */
function noonOf(instant: number, observer: Observer): number {
	const mean = Math.floor(instant / DAY) * DAY + DAY / 2 - (observer.longitude / 15) * HOUR;
	// The equation of time is a quarter of an hour and a little.
	let [low, high] = [mean - 40 * MINUTE, mean + 40 * MINUTE];
	while (high - low > MINUTE) {
		const third = (high - low) / 3;
		const falls =
			sunPosition(low + third, observer).zenith < sunPosition(high - third, observer).zenith;
		if (falls) high -= third;
		else low += third;
	}
	return (low + high) / 2;
}

function rangeOf(values: readonly number[]) {
	const [least, most] = [Math.min(...values), Math.max(...values)];
	return { least, most, middle: (least + most) / 2, width: most - least };
}

/** @param minutes that it is rounded to */
function rounded(millis: number, minutes: number): number {
	return Math.round(millis / (minutes * MINUTE)) * minutes * MINUTE || 0;
}
