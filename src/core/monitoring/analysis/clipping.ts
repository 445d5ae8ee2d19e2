import { quantile, robustSlope } from '../../numerics';
import { HOUR, type Unit, type MonitoredYear } from '../series/year';
import { plateausOf, type FlatTop } from './flat-tops';
import type { Peers } from './peers';
import { plateauOf } from './plateau';
import { potentialOf, type Potential, type SkyIrradiance } from './potential';

/** Why tops are flat. */
type FlatKind =
	/** At the device's rating: money, not a fault. */
	| 'clipping'
	/** Always at one level that is no device's rating: set, or asked for by the grid. */
	| 'limit'
	/** At a level that falls with the heat: the device takes itself back. */
	| 'derating';

/** Flat tops of one unit over the whole time. */
export interface Clipping {
	readonly unit: string;
	readonly kind: FlatKind;
	/** W */
	readonly level: number;
	/** Dates. */
	readonly days: readonly string[];
	readonly hours: number;
	/** kWh; null where nothing tells what would have been given. */
	readonly lost: { readonly value: number; readonly low: number; readonly high: number } | null;
	/** What tells it; null where nothing does. */
	readonly from: Potential['from'] | 'shoulders' | null;
}

/** A level lies this near to the rating. */
const NEAR_RATING = 0.04;
/** A device that gives more than this of its rating is not held at it. */
const PASSED = 1.02;
/** Samples at a level lie within this of it. */
const AT_LEVEL = 0.985;
/** Fewest flat tops whose level can fall with the heat. */
const FEWEST_PLATEAUS = 3;
/** Of the hours at a level, those whose shoulders tell what was cut must be so many. */
const SHOULDERS = 0.8;
/** Levels that one setting holds lie within this of one another. */
const SAME_LEVEL = 0.015;

/** What is known of a unit beside its own course. */
export interface Beside {
	readonly peers: Peers | null;
	/** Clear-sky light in its plane; null where that is not known. */
	readonly sky: SkyIrradiance | null;
	/** Its output over that of its peers. */
	readonly usual: number;
}

/** Where units are held down, why, and what that costs. */
export function clippingOf(year: MonitoredYear, besideOf: (unit: Unit) => Beside): Clipping[] {
	return year.units.flatMap((unit) => {
		const beside = besideOf(unit);
		const level = levelOf(unit, year);
		if (level) {
			const group = heldAt(year, unit, level, beside);
			return group ? [{ unit: unit.key, ...group }] : [];
		}
		const tops = year.days.flatMap((day, d) =>
			plateausOf(unit.power, beside.sky?.irradiance ?? null, day, d, year.times)
		);
		return tops.length >= FEWEST_PLATEAUS && !haveOneLevel(tops) && fallsWithTemperature(year, tops)
			? [{ unit: unit.key, ...deratedAt(year, tops) }]
			: [];
	});
}

type Group = Omit<Clipping, 'unit'>;

/** The level at which a unit stands again and again: its rating where it gets there, else its own plateau. */
function levelOf(unit: Unit, { days }: Pick<MonitoredYear, 'days'>): number | null {
	const plateau = plateauOf(unit.power, days);
	if (plateau !== null) return plateau;
	const rated = unit.ratedWatts;
	if (rated === null) return null;
	let most = 0;
	for (const power of unit.power) if (power > most) most = power;
	return most >= AT_LEVEL * rated && most <= PASSED * rated ? rated : null;
}

function heldAt(year: MonitoredYear, unit: Unit, watts: number, beside: Beside): Group | null {
	const { times, days } = year;
	const hours = times.step / HOUR;
	/** Of steps that may have been sun and cloud by turns, the share that were. */
	const byTurns = 1 - Math.exp(-hours / CHANGES);
	const { power } = unit;
	const at = new Uint8Array(power.length);
	for (let t = 0; t < at.length; t++) if (power[t]! >= AT_LEVEL * watts) at[t] = 1;
	const potential = potentialOf(
		year,
		unit,
		{ power: watts, at },
		beside.peers,
		beside.sky,
		beside.usual
	);
	const lost = { value: 0, low: 0, high: 0 };
	const dates: string[] = [];
	let held = 0;
	const toKWh = hours / 1000;
	/** At the step itself, and at one beside it, where what the unit would have given is known. */
	const couldAt = (t: number) => (at[t] === 1 ? (potential?.power[t] ?? Number.NaN) : Number.NaN);
	days.forEach(({ from, to, date }) => {
		let some = false;
		for (let t = from; t < to; t++) {
			if (at[t] === 1) {
				some = true;
				held += hours;
				const could = couldAt(t);
				if (Number.isNaN(could)) continue;
				const reach = potential!.within * could;
				lost.value += Math.max(could - power[t]!, 0) * toKWh;
				lost.low += Math.max(could - reach - power[t]!, 0) * toKWh;
				lost.high += Math.max(could + reach - power[t]!, 0) * toKWh;
				continue;
			}
			// Below the level, and yet at it for a part of the time: one reason is counted, the larger.
			const beside = (factor: number) =>
				Math.max(
					cutBeside(power[t - 1] ?? 0, power[t]!, factor * couldAt(t + 1), watts),
					cutBeside(power[t + 1] ?? 0, power[t]!, factor * couldAt(t - 1), watts)
				);
			const clouds = cutBetweenClouds(power[t]!, potential?.clear?.[t] ?? Number.NaN, watts);
			const within = potential?.within ?? 0;
			lost.value += Math.max(beside(1), byTurns * clouds) * toKWh;
			lost.low += beside(1 - within) * toKWh;
			lost.high += Math.max(beside(1 + within), clouds) * toKWh;
		}
		if (some) dates.push(date);
	});
	if (dates.length === 0) return null;
	const tops = potential
		? []
		: days.flatMap((day, d) => plateausOf(unit.power, null, day, d, times));
	const topHours = tops.reduce((sum, top) => sum + top.hours, 0);
	// What the shoulders of a few tell is not said of all.
	const shouldersTell = topHours >= SHOULDERS * held;
	const isRating = unit.ratedWatts === null || Math.abs(watts / unit.ratedWatts - 1) <= NEAR_RATING;
	return {
		// Without a rating in the record, one level that is never passed is the device's own.
		kind: isRating ? 'clipping' : 'limit',
		level: watts,
		days: dates,
		hours: held,
		lost: potential ? lost : shouldersTell ? lostOf(tops) : null,
		from: potential?.from ?? (shouldersTell ? 'shoulders' : null)
	};
}

/**
 * Power that a step beside one at the level had beyond it for a part of its time, as its mean, on a straight way
 * from the step before it to the one at the level. Its own mean, which the level has cut, says for how long.
 *
 * @param before mean of the step before, W
 * @param mean of the step itself, W
 * @param could what the unit would have given in the step at the level, W
 * @param level W
 * @returns W; 0 where all of the step lies below the level, or a mean is not known
 */
export function cutBeside(before: number, mean: number, could: number, level: number): number {
	const rise = (could - before) / 2;
	if (!(rise > 0) || !(mean <= level)) return 0;
	const beyond = 1 - Math.sqrt((2 * (level - mean)) / rise);
	return beyond > 0 ? (rise * beyond ** 2) / 2 : 0;
}

/** What gets through a cloud, share of a clear sky's; judgement. */
const THROUGH = 0.3;
/** Sun and cloud change places over about so long, h; judgement, from years of two other generators. */
const CHANGES = 1.1;

/**
 * Power that a step below the level had beyond it if it was sun and cloud by turns: sunny for as long as its mean asks
 * for. One that was dull throughout had none.
 *
 * @param mean of the step, cut at the level, W
 * @param clear under a clear sky, W
 * @param level W
 * @returns W; 0 where not even a clear sky passes the level, or it is not known
 */
export function cutBetweenClouds(mean: number, clear: number, level: number): number {
	if (!(clear > level)) return 0;
	const cloudy = Math.min(THROUGH * clear, 0.9 * level);
	const sunny = Math.min(Math.max((mean - cloudy) / (level - cloudy), 0), 1);
	return sunny * (clear - level) || 0;
}

function haveOneLevel(tops: readonly FlatTop[]): boolean {
	const middle = quantile(
		tops.map(({ level }) => level),
		0.5
	);
	const same = tops.filter(({ level }) => Math.abs(level / middle - 1) <= SAME_LEVEL);
	return same.length >= 0.8 * tops.length;
}

function deratedAt({ days }: Pick<MonitoredYear, 'days'>, tops: readonly FlatTop[]): Group {
	const sum = (of: (top: FlatTop) => number) => tops.reduce((all, top) => all + of(top), 0);
	return {
		kind: 'derating',
		level: quantile(
			tops.map(({ level }) => level),
			0.5
		),
		days: [...new Set(tops.map(({ day }) => days[day]!.date))],
		hours: sum(({ hours }) => hours),
		lost: lostOf(tops),
		from: 'shoulders'
	};
}

function lostOf(tops: readonly FlatTop[]): NonNullable<Clipping['lost']> {
	const sum = (of: (lost: FlatTop['lost']) => number) =>
		tops.reduce((all, { lost }) => all + of(lost), 0) / 1000;
	return {
		value: sum(({ value }) => value),
		low: sum(({ low }) => low),
		high: sum(({ high }) => high)
	};
}

/** Whether the level goes down as it gets hotter, surely. */
function fallsWithTemperature(
	{
		times,
		days,
		airTemperature,
		cellTemperature
	}: Pick<MonitoredYear, 'times' | 'days' | 'airTemperature' | 'cellTemperature'>,
	tops: readonly FlatTop[]
): boolean {
	const temperature = airTemperature ?? cellTemperature;
	if (!temperature) return false;
	const noon = Math.round((12 * HOUR) / times.step);
	const pairs = tops
		.map(({ day, level }) => ({ heat: temperature[days[day]!.from + noon] ?? Number.NaN, level }))
		.filter(({ heat: degrees }) => !Number.isNaN(degrees));
	const slope = robustSlope(
		pairs.map(({ heat: degrees }) => degrees),
		pairs.map(({ level }) => level)
	);
	return slope !== null && slope.high < 0;
}
