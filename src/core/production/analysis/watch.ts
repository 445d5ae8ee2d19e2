import type { Unit, WatchedYear } from '../series/year';
import { probableCause, voltsAndAmpsOf, type ProbableCause } from './cause';
import { clearDays } from './clear-days';
import { clearSkyOn } from './clear-sky-year';
import { clippingOf, type Clipping } from './clipping';
import { daySharesOf } from './day-share';
import { energyOf, litTimes, type UnitEnergy } from './energy';
import type { ArrayEvent, UnitEvent } from './event';
import { laggingOf } from './laggards';
import { peersOf, type Peers } from './peers';
import { shadeOf } from './shade';
import { dirtOf, driftOf, middleOfDay, type DayIndex, type DayValue } from './whole-array';

/** What an export says of an array. */
export interface Watch {
	readonly dates: readonly string[];
	readonly energy: readonly UnitEnergy[];
	/** Output over that of its like by day, by unit; units without like have none. */
	readonly shares: ReadonlyMap<string, Float64Array>;
	/** What lags, most lost first. */
	readonly events: readonly UnitEvent[];
	/** What volts and amps say of each that still lags. */
	readonly causes: ReadonlyMap<string, ProbableCause>;
	readonly arrayEvents: readonly ArrayEvent[];
	readonly clipping: readonly Clipping[];
	/** What could not be looked at, and why. */
	readonly notes: readonly string[];
}

export interface WatchProgress {
	/** 0 to 1 */
	readonly done: number;
	readonly words: string;
}

/** Power falls with the heat of the cells, 1/K: usual silicon (common practice). */
const HEAT = -0.004;
/** Days at the end that volts and amps are read from. */
const LATELY = 30;

/**
 * Everything that an export says: who lags since when, what is shade, dirt or a dead unit, whether
 * tops are clipped, whether the sensor drifts. Runs in steps, so that progress can be told and the
 * work be stopped.
 */
export function* watch(year: WatchedYear): Generator<WatchProgress, Watch> {
	const { times, days, units, observer } = year;
	yield { done: 0.02, words: 'Putting like beside like' };
	const groups = peersOf(units, times.count);
	const lights = new Map<string, Float64Array>();
	const lightOf = ({ plane }: Unit): Float64Array | null => {
		if (!plane || !observer) return null;
		const key = `${plane.tilt}/${plane.azimuth}`;
		const light = lights.get(key) ?? clearSkyOn(observer, plane, times);
		lights.set(key, light);
		return light;
	};
	const shares = new Map<string, Float64Array>();
	const events: UnitEvent[] = [];
	const grouped = groups.flatMap(({ units: some }) => some);
	let at = 0;
	for (const group of groups) {
		for (const unit of group.units) {
			yield { done: 0.1 + (0.6 * at++) / grouped.length, words: `Looking at ${unit.label}` };
			const { shades, shaded } = shadeOf(year, unit, group);
			const day = daySharesOf(year, unit, group, shades.length > 0 ? shaded : null);
			shares.set(unit.key, day.shares);
			events.push(...laggingOf(year, unit, day));
			for (const shade of shades) {
				events.push({
					unit: unit.key,
					kind: 'shade',
					since: shade.first,
					until: shade.last >= days.at(-1)!.date ? null : shade.last,
					level: shade.share,
					lost: lostToShade(year, unit, group, shaded),
					shade
				});
			}
		}
	}
	yield { done: 0.72, words: 'Looking for flat tops' };
	const clipping = clippingOf(year, lightOf);
	yield { done: 0.85, words: 'Looking at clear days' };
	const [largest] = groups;
	const clear = largest ? clearIndex(year, largest, lightOf(largest.units[0]!)) : [];
	const dirt = dirtOf(days, clear, largest ? besideSensor(year, largest) : []);
	yield { done: 0.95, words: 'Adding up' };
	const causes = new Map<string, ProbableCause>();
	for (const { unit: key, kind, until, level } of events) {
		if (until !== null || kind === 'shade' || causes.has(key)) continue;
		const group = groups.find(({ units: some }) => some.some((unit) => unit.key === key))!;
		const unit = group.units.find((one) => one.key === key)!;
		causes.set(key, probableCause(voltsAndAmpsOf(unit, group, days.slice(-LATELY)), level));
	}
	return {
		dates: days.map(({ date }) => date),
		energy: energyOf(year, litTimes(units, times.count)),
		shares,
		events: events.sort((a, b) => b.lost - a.lost),
		causes,
		arrayEvents: [...dirt, ...driftOf(days, clear, dirt)],
		clipping,
		notes: notesOf(year, grouped)
	};
}

function lostToShade(
	{ times }: Pick<WatchedYear, 'times'>,
	unit: Unit,
	{ share }: Peers,
	shaded: Uint8Array
): number {
	let sum = 0;
	for (let t = 0; t < times.count; t++) {
		if (!shaded[t] || Number.isNaN(unit.power[t]!)) continue;
		sum += Math.max(share[t]! * unit.labelWatts - unit.power[t]!, 0);
	}
	return (sum * times.step) / 3_600_000 / 1000;
}

/** Array and sensor against the clear sky, on the days that were clear. */
function clearIndex(
	year: WatchedYear,
	{ share, atRating }: Peers,
	light: Float64Array | null
): DayIndex[] {
	if (!light) return [];
	const { days, irradiance } = year;
	const cool = Float64Array.from(share, (value, t) =>
		atRating[t] ? Number.NaN : value / (1 + HEAT * (heatOf(year, light, t) - 25))
	);
	const sensor = irradiance?.map((value, t) => value / light[t]!);
	return clearDays(days, cool, light).map(({ day, ratio }) => ({
		day,
		array: ratio,
		sensor: sensor ? middleOfDay(sensor, days[day]!, (t) => light[t]! > 350) : Number.NaN
	}));
}

/** Light from which on a sensor and an array can be compared, W/m2. */
const SENSOR_LIGHT = 300;

/** Array over sensor by day, corrected for heat; nothing where there is no sensor. */
function besideSensor(year: WatchedYear, { share, atRating }: Peers): DayValue[] {
	const { days, irradiance } = year;
	if (!irradiance) return [];
	const ratio = Float64Array.from(share, (value, t) => {
		const light = irradiance[t]!;
		if (!(light >= SENSOR_LIGHT) || atRating[t]) return Number.NaN;
		return (1000 * value) / light / (1 + HEAT * (heatOf(year, irradiance, t) - 25));
	});
	return days.flatMap((day, d) => {
		const value = middleOfDay(ratio, day, () => true);
		return Number.isNaN(value) ? [] : [{ day: d, value }];
	});
}

/** Cell temperature as measured, else by the air (30 K more in full sun), else 25 degC. */
function heatOf(
	{ cellTemperature, airTemperature }: WatchedYear,
	light: Float64Array,
	t: number
): number {
	const cell = cellTemperature?.[t] ?? Number.NaN;
	if (!Number.isNaN(cell)) return cell;
	const air = airTemperature?.[t] ?? Number.NaN;
	return Number.isNaN(air) ? 25 : air + (30 * light[t]!) / 1000;
}

function notesOf({ units, observer }: WatchedYear, grouped: readonly Unit[]): string[] {
	const notes: string[] = [];
	const alone = units.filter((unit) => !grouped.includes(unit));
	if (alone.length > 0 && grouped.length > 0) {
		const some = alone.slice(0, 5).map(({ label }) => label);
		notes.push(
			`${some.join(', ')}${alone.length > some.length ? ` and ${alone.length - some.length} more` : ''}: nothing alike beside ${alone.length === 1 ? 'it' : 'them'}, so no comparison.`
		);
	}
	if (grouped.length === 0) {
		notes.push(
			'Fewer than three units that are alike: who lags cannot be told from the weather. Match the units to the record, or import an export with more of them.'
		);
	}
	if (!observer) {
		notes.push(
			'Nobody has said where the site is, so clear days, dirt on the whole array and a drifting sensor were not looked for.'
		);
	}
	return notes;
}
