import type { Day } from '../series/year';
import type { ArrayEvent, Loss, UnitEvent } from './event';
import { lossOf } from './loss';
import { segmentsOf } from './segments';
import { daysApart } from './shade';
import { median, noiseOf, robustSlope } from '../../numerics';

/** Smallest fall of all alike that is told from the weather's own; judgement. */
const LEAST_FALL = 0.035;
const SHORTEST_SOILING = 14;
/** Without a sensor a fall that takes longer than this, days, is the season's and the sky's. */
const LONGEST_ALONE = 200;
/** Rain must give back so much of what soiling took, within so many days. */
const WASHED = 0.5;
const WASH_DAYS = 12;
/** Smallest drift of a sensor over the whole time that is said. */
const LEAST_DRIFT = 0.03;
/** Fewest days, and days between the first and the last, for a drift. */
const DRIFT = { days: 20, span: 120 };

export interface DayValue {
	readonly day: number;
	readonly value: number;
}

/** What a clear day says: of the array, and of the sensor where there is one. */
export interface DayIndex {
	readonly day: number;
	/** Array over clear sky, corrected for heat. */
	readonly array: number;
	/** Sensor over clear sky; NaN where there is none. */
	readonly sensor: number;
}

/**
 * Slow falls of the whole array that rain took back: against the sensor day by day, and against the
 * clear sky for what the sensor does not show because it got as dirty.
 *
 * @param beside array over sensor by day
 * @param made energy of all units by day, kWh
 */
export function soilingOf(
	days: readonly Day[],
	clear: readonly DayIndex[],
	beside: readonly DayValue[],
	made: readonly number[]
): ArrayEvent[] {
	const found = falls(days, beside, made);
	const alone = falls(
		days,
		clear.map(({ day, array }) => ({ day, value: array })),
		made
	);
	return [
		...found,
		...alone.filter(
			(one) =>
				daysApart(one.since, one.until!) <= LONGEST_ALONE &&
				!found.some((other) => areOne(one, other))
		)
	];
}

/** Whether two falls share most of the shorter one's days: their ends are known to some days only. */
function areOne(a: ArrayEvent, b: ArrayEvent): boolean {
	const since = a.since > b.since ? a.since : b.since;
	const until = a.until! < b.until! ? a.until! : b.until!;
	const shorter = Math.min(daysApart(a.since, a.until!), daysApart(b.since, b.until!));
	return daysApart(since, until) > 0.5 * shorter;
}

function falls(
	days: readonly Day[],
	index: readonly DayValue[],
	made: readonly number[]
): ArrayEvent[] {
	const noise = noiseOf(index.map(({ value }) => value));
	const { x, y, dates } = series(days, index);
	const segments = segmentsOf(x, y);
	const events: ArrayEvent[] = [];
	segments.forEach((segment, s) => {
		const fall = (segment.begins - segment.ends) / segment.begins;
		if (fall < LEAST_FALL || x[segment.to]! - x[segment.from]! < SHORTEST_SOILING) return;
		const after = segments[s + 1];
		if (!after || x[after.from]! - x[segment.to]! > WASH_DAYS) return;
		if (after.begins - segment.ends < WASHED * (segment.begins - segment.ends)) return;
		events.push({
			kind: 'dirt',
			since: dates[segment.from]!,
			until: dates[segment.to]!,
			change: -fall,
			washed: dates[after.from]!,
			loss: lossOfFall(days, made, dates[segment.from]!, dates[segment.to]!, fall, {
				noise: noise / segment.begins,
				days: segment.to - segment.from + 1
			})
		});
	});
	return events;
}

/** What the level before a fall is uncertain by, beside the days' own noise: season and air; judgement. */
const LEVEL = 0.01;

/** What a fall along a straight line took of the energy of its days. */
function lossOfFall(
	days: readonly Day[],
	made: readonly number[],
	since: string,
	until: string,
	fall: number,
	seen: { readonly noise: number; readonly days: number }
): Loss {
	const length = Math.max(daysApart(since, until), 1);
	let lost = 0;
	let all = 0;
	days.forEach(({ date }, d) => {
		if (date < since || date > until) return;
		const share = (fall * daysApart(since, date)) / length;
		const due = made[d]! / (1 - share);
		lost += due * share;
		all += due;
	});
	return lossOf(lost, Math.hypot(LEVEL, (2 * seen.noise) / Math.sqrt(seen.days)) * all);
}

/** Around the rain that washes all, units are out of step for so many days. */
const AROUND_RAIN = 6;
/** Units get dirty at rates that differ by no more than this of the rate of all; judgement. */
const UNEVEN = 1.5;
/** After a rain a sound unit is back to this share of what it was at first. */
const CLEAN = 0.95;
/** Days over which a unit's level is taken. */
const LEVEL_DAYS = 14;

/**
 * Whether what a unit seems to do is the soiling that lies on all of them, thicker on some: it begins or ends with
 * a rain that leaves the unit as good as it was at first, or it is a slow change no faster than the soiling itself.
 *
 * @param dates of the days
 * @param shares the unit's output over that of its peers, by day; NaN where a day says nothing
 */
export function isOfSoiling(
	event: UnitEvent,
	soiling: readonly ArrayEvent[],
	dates: readonly string[],
	shares: Float64Array
): boolean {
	const [first] = soiling;
	if (!first || !SLOW.includes(event.kind)) return false;
	const levelFrom = (date: string) => {
		const from = dates.findIndex((one) => one >= date);
		const known = shares.subarray(Math.max(from, 0)).filter((share) => !Number.isNaN(share));
		return median(known.subarray(0, LEVEL_DAYS));
	};
	const isClean = (date: string) => levelFrom(date) >= CLEAN * levelFrom(dates[0]!);
	const byRain = (date: string, days: number) =>
		soiling.some(({ washed }) => washed !== null && Math.abs(daysApart(washed, date)) <= days);
	if (byRain(event.since, 2 * AROUND_RAIN) && isClean(event.since)) return true;
	if (event.until !== null && byRain(event.until, 2 * AROUND_RAIN) && isClean(event.until)) {
		return true;
	}
	if (event.kind === 'step' || event.since < first.since) return false;
	// After the last rain as well as between two: what nobody washed off yet.
	const rate = Math.max(
		...soiling.map(({ change, since, until }) => -change / Math.max(daysApart(since, until!), 1))
	);
	const days = Math.max(daysApart(event.since, event.until ?? dates.at(-1)!), 1);
	return 1 - event.level <= UNEVEN * rate * days;
}

const SLOW: readonly UnitEvent['kind'][] = ['step', 'slope', 'dirt', 'low'];

/** A sensor drifts by less over the time of an export, share; what is more is no drift. Judgement. */
const MOST_DRIFT = 0.3;

/** Sensor and array part by so much that no drift of a sensor explains it; null where they do not. */
export function sensorQuestion(arrayEvents: readonly ArrayEvent[]): string | null {
	const odd = arrayEvents.find(
		({ kind, change }) => kind === 'sensor-drift' && Math.abs(change) > MOST_DRIFT
	);
	return odd
		? `Irradiance sensor and array part by ${(100 * Math.abs(odd.change)).toFixed(0)} %, more than a sensor drifts: check what its column holds, its unit, and whether the sensor was moved or replaced.`
		: null;
}

/** Drifts that a sensor can have. */
export function possibleDrifts(arrayEvents: readonly ArrayEvent[]): readonly ArrayEvent[] {
	return arrayEvents.filter(
		({ kind, change }) => kind !== 'sensor-drift' || Math.abs(change) <= MOST_DRIFT
	);
}

/**
 * Whether the sensor and the array drift apart over the whole time. Haze and season touch both alike;
 * arrays do not get better by themselves, so where the sensor falls behind, it is the sensor.
 */
export function driftOf(
	days: readonly Day[],
	clear: readonly DayIndex[],
	soiling: readonly ArrayEvent[]
): ArrayEvent[] {
	const clean = clear.filter(
		({ day, sensor }) =>
			!Number.isNaN(sensor) &&
			!soiling.some(
				({ since, washed }) =>
					days[day]!.date >= since && washed !== null && days[day]!.date < washed
			)
	);
	const { x, y, dates } = series(
		days,
		clean.map(({ day, sensor, array }) => ({ day, value: Math.log(sensor / array) }))
	);
	const span = (x.at(-1) ?? 0) - (x[0] ?? 0);
	if (x.length < DRIFT.days || span < DRIFT.span) return [];
	const slope = robustSlope(x, y);
	if (!slope) return [];
	const change = slope.slope * span;
	if (Math.abs(change) < LEAST_DRIFT || slope.low * slope.high <= 0) return [];
	const known = { since: dates[0]!, until: null, washed: null, loss: null };
	if (change < 0) return [{ kind: 'sensor-drift', change: Math.expm1(change), ...known }];
	// The array falls behind the sensor: by itself, or because the sensor reads more and more.
	const own = robustSlope(
		x,
		clean.map(({ array }) => Math.log(array))
	);
	const isArray = own !== null && own.high < 0 && own.slope * span <= -0.5 * change;
	return isArray
		? [{ kind: 'fall', change: Math.expm1(own.slope * span), ...known }]
		: [{ kind: 'sensor-drift', change: Math.expm1(change), ...known }];
}

function series(days: readonly Day[], index: readonly DayValue[]) {
	const first = days[0]?.date ?? '';
	const dates = index.map(({ day }) => days[day]!.date);
	return {
		dates,
		x: dates.map((date) => daysApart(first, date)),
		y: index.map(({ value }) => value)
	};
}

/** Middle of a day's samples, NaN of none. */
export function middleOfDay(
	values: Float64Array,
	{ from, to }: Day,
	counts: (t: number) => boolean
): number {
	const some: number[] = [];
	for (let t = from; t < to; t++) if (counts(t) && !Number.isNaN(values[t]!)) some.push(values[t]!);
	return median(some);
}
