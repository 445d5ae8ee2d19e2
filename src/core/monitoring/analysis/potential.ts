import { median, quantile } from '../../numerics';
import { HOUR, type Unit, type MonitoredYear } from '../series/year';
import type { Peers } from './peers';

/** What a unit would have given at moments at which something held it down. */
export interface Potential {
	/** W by time; NaN where nothing tells. */
	readonly power: Float64Array;
	/** How far nine in ten such figures lie from the truth, share of it. */
	readonly within: number;
	readonly from: 'peers' | 'sensor' | 'clear-sky';
	/** W by time under a clear sky; null where that is not what tells. */
	readonly clear: Float64Array | null;
}

/** Light of a clear sky in a plane. */
export interface SkyIrradiance {
	/** W/m2 by time. */
	readonly irradiance: Float64Array;
	/** Whether the plane stands in the record, or was inferred from clear days. */
	readonly plane: 'recorded' | 'inferred';
}

/** A level that holds a unit down. */
export interface Level {
	/** W */
	readonly power: number;
	/** Moments at which the unit stands at it. */
	readonly at: Uint8Array;
}

/** Judgement, from generated years: what peers, a sensor and the sky's course leave open. */
const WITHIN = { peers: 0.02, sensor: 0.03, recorded: 0.12, inferred: 0.14 } as const;
/** Power falls with the heat of the cells, 1/K: usual silicon (common practice). */
const TEMPERATURE = -0.004;
/** Heat of the cells over the air in 1000 W/m2, K (common practice). */
const OVER_AIR = 30;
/**
 * What a unit gives of a modelled clear sky falls by this share towards 1000 W/m2: heat takes 12 %, and low suns are
 * modelled too bright; judgement, from years of another generator.
 */
const FALLS = 0.05;
/** Light that a ratio can be taken of, W/m2. */
const LEAST_IRRADIANCE = 150;
/** Days on either side whose ratios tell how much a unit gives of the light. */
const NEAR_DAYS = 20;
/** So many ratios tell as much as all of them, and days of a block are taken as one. */
const ENOUGH = 400;
const BLOCK = 8;
/** Of ratios to the clear sky this quantile is a clear moment's. */
const CLEAR = 0.85;
/** Up to this share of the level a clear moment is not held down, so that ratios below it are fair. */
const FREE = 0.93;
const NEAR = 0.6;
/** Light in which no usual limit is reached, W/m2. */
const DIM = 450;
/** Of the moments at a level a source must tell so many. */
const MOST = 0.9;
/** Around a run at the level, its shoulders tell how clear it was: hours on either side. */
const SHOULDER = 1.5;
/** Shoulders of at least this clearness belong to a clear sky. */
const CLEAR_SHOULDER = 0.92;

/**
 * What a unit would have given where it stood at a level: by peers that did not, else by the sensor, else by the
 * course of a clear sky scaled by the unit's own free hours.
 *
 * @param sky clear-sky light in the unit's plane; null where plane or place is not known
 * @param usual the unit's output over that of its peers
 */
export function potentialOf(
	year: MonitoredYear,
	unit: Unit,
	level: Level,
	peers: Peers | null,
	sky: SkyIrradiance | null,
	usual: number
): Potential | null {
	const byPeers = peers && potentialByPeers(unit, level, peers, usual);
	if (byPeers) return byPeers;
	const bySensor = year.irradiance && potentialBySensor(year, unit, level, year.irradiance);
	if (bySensor) return bySensor;
	return sky ? potentialByClearSky(year, unit, level, sky) : null;
}

/** Needs peers that stand free at most of the moments. */
function potentialByPeers(
	unit: Unit,
	level: Level,
	{ share, atRating }: Peers,
	usual: number
): Potential | null {
	const power = new Float64Array(level.at.length).fill(Number.NaN);
	for (let t = 0; t < level.at.length; t++) {
		if (level.at[t] === 1 && atRating[t] === 0) power[t] = share[t]! * usual * unit.labelWatts;
	}
	return isKnown(level, power) ? { power, within: WITHIN.peers, from: 'peers', clear: null } : null;
}

/** Whether something tells at most of the moments: what is missing would not be counted as lost. */
function isKnown({ at }: Level, power: Float64Array): boolean {
	let held = 0;
	let known = 0;
	for (let t = 0; t < at.length; t++) {
		if (at[t] === 0) continue;
		held++;
		if (!Number.isNaN(power[t]!)) known++;
	}
	return known >= MOST * held;
}

function potentialBySensor(
	year: MonitoredYear,
	unit: Unit,
	level: Level,
	irradiance: Float64Array
): Potential | null {
	const given = (t: number) => {
		const air = year.airTemperature?.[t] ?? Number.NaN;
		const cell = year.cellTemperature?.[t] ?? Number.NaN;
		const degrees = !Number.isNaN(cell)
			? cell
			: (Number.isNaN(air) ? 25 : air) + (OVER_AIR * irradiance[t]!) / 1000;
		return irradiance[t]! * (1 + TEMPERATURE * (degrees - 25));
	};
	const ratios = ratiosByDay(year, unit, level, (t) =>
		irradiance[t]! >= LEAST_IRRADIANCE ? given(t) : 0
	);
	const power = new Float64Array(level.at.length).fill(Number.NaN);
	const middle = byBlock(year.days.length, (d) => median(nearby(ratios, d)));
	year.days.forEach(({ from, to }, d) => {
		const ratio = middle[d]!;
		if (Number.isNaN(ratio)) return;
		for (let t = from; t < to; t++) if (irradiance[t]! > 0) power[t] = ratio * given(t);
	});
	return isKnown(level, power)
		? { power, within: WITHIN.sensor, from: 'sensor', clear: null }
		: null;
}

function potentialByClearSky(
	year: MonitoredYear,
	unit: Unit,
	level: Level,
	{ irradiance, plane }: SkyIrradiance
): Potential {
	const { times, days } = year;
	const given = (t: number) => irradiance[t]! * (1 - (FALLS * irradiance[t]!) / 1000);
	const bright = (t: number) => (irradiance[t]! >= LEAST_IRRADIANCE ? given(t) : 0);
	// First by the dim hours alone, which no clear sky lifts to the level; then by those that come near to it, since
	// what a unit gives of the light changes with the height of the sun.
	const rough = quantile(
		ratiosByDay(year, unit, level, (t) => (irradiance[t]! < DIM ? bright(t) : 0)).flat(),
		CLEAR
	);
	const free = (t: number) => {
		const clear = rough * given(t);
		return clear >= NEAR * level.power && clear < FREE * level.power ? bright(t) : 0;
	};
	const ratios = ratiosByDay(year, unit, level, free);
	const clear = byBlock(days.length, (d) => {
		const near = nearby(ratios, d);
		return near.length < 10 ? rough : quantile(near, CLEAR);
	});
	const clearness = Float64Array.from(
		ratios.flatMap((some, d) => some.map((ratio) => ratio / clear[d]!))
	).sort();
	const reach = Math.max(1, Math.round((SHOULDER * HOUR) / times.step));
	const power = new Float64Array(level.at.length).fill(Number.NaN);
	const clearPower = new Float64Array(level.at.length).fill(Number.NaN);
	days.forEach(({ from, to }, d) => {
		for (let t = from; t < to; t++) clearPower[t] = clear[d]! * given(t);
		for (let t = from; t < to; t++) {
			if (level.at[t] === 0) continue;
			let end = t;
			while (end + 1 < to && level.at[end + 1] === 1) end++;
			const shoulders: number[] = [];
			for (let s = Math.max(from, t - reach); s <= Math.min(to - 1, end + reach); s++) {
				const of = free(s);
				if (level.at[s] === 0 && of > 0) shoulders.push(unit.power[s]! / of / clear[d]!);
			}
			const shoulder = shoulders.length === 0 ? Number.NaN : median(shoulders);
			for (let s = t; s <= end; s++) {
				const all = clear[d]! * given(s);
				const least = level.power / all;
				const isClear = (end - t + 1) * times.step >= HOUR && shoulder >= CLEAR_SHOULDER;
				const clearly = isClear ? shoulder : meanAbove(clearness, least);
				power[s] = all * Math.max(clearly, least);
			}
			t = end;
		}
	});
	return { power, within: WITHIN[plane], from: 'clear-sky', clear: clearPower };
}

/** Power over what the light would give, of each day's moments at which the unit stands free. */
function ratiosByDay(
	{ days }: Pick<MonitoredYear, 'days'>,
	unit: Unit,
	level: Level,
	given: (t: number) => number
): number[][] {
	return days.map(({ from, to }) => {
		const ratios: number[] = [];
		for (let t = from; t < to; t++) {
			const of = given(t);
			const power = unit.power[t]!;
			if (of > 0 && level.at[t] === 0 && power > 0.02 * level.power && power < 0.97 * level.power)
				ratios.push(power / of);
		}
		return ratios;
	});
}

/** Ratios of the days around a day: all of a few, every nth of many. */
function nearby(ratios: readonly (readonly number[])[], d: number): number[] {
	const near = ratios.slice(Math.max(0, d - NEAR_DAYS), d + NEAR_DAYS + 1);
	const many = near.reduce((sum, { length }) => sum + length, 0);
	const every = Math.max(1, Math.floor(many / ENOUGH));
	const thinned: number[] = [];
	let i = 0;
	for (const some of near) {
		for (const ratio of some) if (i++ % every === 0) thinned.push(ratio);
	}
	return thinned;
}

/** What changes slowly from day to day, looked at in the middle of each block of days. */
function byBlock(days: number, of: (day: number) => number): number[] {
	const known = new Map<number, number>();
	return Array.from({ length: days }, (_, d) => {
		const block = Math.floor(d / BLOCK);
		const value = known.get(block) ?? of(Math.min(days - 1, block * BLOCK + BLOCK / 2));
		known.set(block, value);
		return value;
	});
}

/** Mean of those of some sorted values that are at least so great; that itself where none is. */
function meanAbove(sorted: Float64Array, least: number): number {
	let low = 0;
	let high = sorted.length;
	while (low < high) {
		const middle = (low + high) >> 1;
		if (sorted[middle]! < least) low = middle + 1;
		else high = middle;
	}
	// Light beyond a clear sky's, from the edges of clouds, is rare and short.
	const some = sorted.subarray(low);
	if (some.length === 0) return least;
	let sum = 0;
	for (const value of some) sum += Math.min(value, 1.25);
	return sum / some.length;
}
