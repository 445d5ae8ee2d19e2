import type { Plane } from '../../conditions';
import { median } from '../../numerics';
import { HOUR, type Unit, type MonitoredYear } from '../series/year';
import { probableCause, voltageAndCurrentOf, type ProbableCause } from './cause';
import { clearDays } from './clear-days';
import { clockOf, type ClockFinding } from './clock-check';
import { clearSkyOn } from './clear-sky-year';
import { clippingOf, type Clipping } from './clipping';
import { daySharesOf, type DayShares } from './day-share';
import { countedOnce, energyOf, litTimes, type UnitEnergy } from './energy';
import type { ArrayEvent, Loss, UnitEvent } from './event';
import { laggingOf } from './underperformers';
import { peersOf, type Peers } from './peers';
import { lossOf } from './loss';
import { orientationOf, type InferredPlane } from './orientation';
import { plateauOf } from './plateau';
import type { SkyIrradiance } from './potential';
import { shadesOf, type ShadeFound } from './shade';
import { silenceOf } from './silence';
import { isOfSnow, snowOf } from './snow';
import {
	soilingOf,
	driftOf,
	isOfSoiling,
	middleOfDay,
	possibleDrifts,
	sensorQuestion,
	type DayIndex,
	type DayValue
} from './whole-array';

/** What an export says of an array. */
export interface YearAnalysis {
	readonly dates: readonly string[];
	readonly energy: readonly UnitEnergy[];
	/** Output over that of its peers by day, by unit; units without like have none. */
	readonly shares: ReadonlyMap<string, Float64Array>;
	/** What lags, most lost first. */
	readonly events: readonly UnitEvent[];
	/** What volts and amps say of each that still lags. */
	readonly causes: ReadonlyMap<string, ProbableCause>;
	readonly arrayEvents: readonly ArrayEvent[];
	readonly clipping: readonly Clipping[];
	/** Planes inferred for units whose plane is not in the record, by their keys; degrees. */
	readonly planes: readonly {
		readonly units: readonly string[];
		readonly tilt: number;
		readonly azimuth: number;
	}[];
	/** Where the times do not go with the sun; null where they do, or nobody can tell. */
	readonly clock: ClockFinding | null;
	/** What could not be looked at, and why. */
	readonly notes: readonly string[];
}

export interface MonitoringProgress {
	/** 0 to 1 */
	readonly done: number;
	readonly words: string;
}

/** Power falls with the heat of the cells, 1/K: usual silicon (common practice). */
const TEMPERATURE = -0.004;
/** Days at the end that volts and amps are read from. */
const LATELY = 30;

/**
 * Everything that an export says: which unit underperforms and since when, what is shade, soiling or a failed unit, whether
 * tops are clipped, whether the sensor drifts. Runs in steps, so that progress can be told and the
 * work be stopped.
 */
export function* analyseYear(year: MonitoredYear): Generator<MonitoringProgress, YearAnalysis> {
	const { times, days, observer } = year;
	yield { done: 0.02, words: 'Putting like beside like' };
	// Energies of whole days say who lags and what lay on all of them, and nothing of hours.
	const daily = times.step > HOUR;
	const units = year.units.map((unit) =>
		unit.ratedWatts === null && !daily ? { ...unit, ratedWatts: plateauOf(unit.power, days) } : unit
	);
	const { groups, otherCourse, toldApart } = peersOf(year, units);
	const snows = new Map(
		groups.map((group) => {
			const plain = new Map(
				group.units.map((unit) => [unit, daySharesOf(year, unit, group, null)] as const)
			);
			return [group, { plain, ...snowOf(year, plain) }] as const;
		})
	);
	const covered = new Set<number>();
	for (const { covered: of } of snows.values()) {
		for (const snowed of of.values()) snowed.forEach((is, d) => is === 1 && covered.add(d));
	}
	yield { done: 0.04, words: 'Checking the clock against the sun' };
	const clock =
		observer && !daily
			? clockOf(
					year,
					observer,
					groups.map(({ share }) => share)
				)
			: null;
	const planes = new Map<Peers, InferredPlane>();
	const shift = clock?.middle ?? 0;
	for (const group of groups) {
		yield { done: 0.05, words: 'Looking where they face' };
		if (!observer || daily || group.units[0]!.plane) continue;
		const bare = { times, days: days.filter((_, d) => !covered.has(d)) };
		const plane = orientationOf(bare, observer, group.share, plateauShare(group), shift);
		if (plane) planes.set(group, plane);
	}
	const lights = new Map<string, Float64Array>();
	const irradianceIn = (plane: Plane | null): Float64Array | null => {
		if (!plane || !observer) return null;
		const key = `${plane.tilt}/${plane.azimuth}`;
		const irradiance =
			lights.get(key) ?? clearSkyOn(observer, plane, { ...times, start: times.start + shift });
		lights.set(key, irradiance);
		return irradiance;
	};
	const groupOf = (unit: Unit) => groups.find(({ units: some }) => some.includes(unit)) ?? null;
	const irradianceOf = (unit: Unit) => {
		const group = groupOf(unit);
		const inferred = group ? planes.get(group) : undefined;
		return irradianceIn(unit.plane ?? inferred ?? null);
	};
	const skyOf = (unit: Unit): SkyIrradiance | null => {
		const irradiance = irradianceOf(unit);
		return irradiance && { irradiance, plane: unit.plane ? 'recorded' : 'inferred' };
	};
	const shares = new Map<string, Float64Array>();
	const events: UnitEvent[] = [];
	const arrayEvents: ArrayEvent[] = silenceOf(year, units);
	const grouped = groups.flatMap(({ units: some }) => some);
	let at = 0;
	for (const group of groups) {
		const snow = snows.get(group)!;
		arrayEvents.push(...snow.events);
		for (const unit of group.units) {
			yield { done: 0.1 + (0.6 * at++) / grouped.length, words: `Looking at ${unit.label}` };
			const shades = shadesOf(year, unit, group, shift);
			const own =
				shades.length > 0
					? daySharesOf(year, unit, group, anyOf(shades, times.count))
					: snow.plain.get(unit)!;
			const snowed = snow.covered.get(unit.key)!;
			shares.set(unit.key, own.shares);
			events.push(
				...laggingOf(year, unit, withoutDays(own, snowed)).filter(
					(event) => !isOfSnow(event, snow.events)
				)
			);
			for (const { shade, shaded } of shades) {
				const event: UnitEvent = {
					unit: unit.key,
					kind: 'shade',
					since: shade.first,
					until: shade.last >= days.at(-1)!.date ? null : shade.last,
					level: shade.share,
					...lostToShade(year, unit, group, shaded),
					shade
				};
				if (!isOfSnow(event, snow.events)) events.push(event);
			}
		}
	}
	yield { done: 0.72, words: 'Looking for flat tops' };
	const usualOf = (unit: Unit) => {
		const known = shares.get(unit.key)?.filter((share) => share > 0.5);
		return known && known.length > 0 ? median(known) : 1;
	};
	const beside = (unit: Unit) => ({
		peers: groupOf(unit),
		sky: skyOf(unit),
		usual: usualOf(unit)
	});
	const clipping = daily ? [] : clippingOf({ ...year, units }, beside);
	yield { done: 0.85, words: 'Looking at clear days' };
	const [largest] = groups;
	const clear = largest
		? clearIndex(year, largest, irradianceOf(largest.units[0]!)).filter(
				({ day }) => !covered.has(day)
			)
		: [];
	const energy = energyOf(year, litTimes(units, times.count));
	const counted = countedOnce(energy);
	const parts = energy.filter(({ unit }) => counted.has(unit));
	const made = days.map((_, d) =>
		parts.reduce((sum, { byDay }) => sum + (Number.isNaN(byDay[d]!) ? 0 : byDay[d]!), 0)
	);
	const againstSensor = largest
		? besideSensor(year, largest).filter(({ day }) => !covered.has(day))
		: [];
	const soiling = soilingOf(days, clear, againstSensor, made);
	const dates = days.map(({ date }) => date);
	const ofSoiling = new Set(
		events.filter((event) => isOfSoiling(event, soiling, dates, shares.get(event.unit)!))
	);
	const ownEvents = events.filter((event) => !ofSoiling.has(event));
	const drifts = driftOf(days, clear, soiling);
	const ofSensor = sensorQuestion(drifts);
	yield { done: 0.95, words: 'Adding up' };
	const causes = new Map<string, ProbableCause>();
	for (const { unit: key, kind, until, level } of ownEvents) {
		if (until !== null || kind === 'shade' || causes.has(key)) continue;
		const group = groups.find(({ units: some }) => some.some((unit) => unit.key === key))!;
		const unit = group.units.find((one) => one.key === key)!;
		causes.set(key, probableCause(voltageAndCurrentOf(unit, group, days.slice(-LATELY)), level));
	}
	return {
		dates,
		energy,
		shares,
		events: ownEvents.sort((a, b) => b.lost - a.lost),
		causes,
		arrayEvents: [...arrayEvents, ...soiling, ...possibleDrifts(drifts)],
		clipping,
		planes: [...planes]
			// A plane that was inferred from wrong times looks the wrong way.
			.filter(([, { offered }]) => offered && !clock?.finding)
			.map(([group, { tilt, azimuth }]) => ({
				units: group.units.map(({ key }) => key),
				tilt,
				azimuth
			})),
		clock: clock?.finding ?? null,
		notes: [
			...(daily
				? [
						'One figure a day: shade, clipping and the time of day cannot be seen in it. An export by quarter hours says more.'
					]
				: []),
			...soilingNote(units, ofSoiling),
			...(ofSensor === null ? [] : [ofSensor]),
			...notesOf(year, grouped, otherCourse, toldApart)
		]
	};
}

/** Share of nameplate at which most of a group are cut off; Infinity where they are not. */
function plateauShare({ units }: Peers): number {
	return median(
		units.map(({ ratedWatts: ratedPower, labelWatts: nameplatePower }) =>
			ratedPower === null ? Infinity : ratedPower / nameplatePower
		)
	);
}

/** A unit's days without some of them: those say nothing of it. */
function withoutDays({ shares, silent, due, out }: DayShares, left: Uint8Array): DayShares {
	return {
		shares: shares.map((share, d) => (left[d] === 1 ? Number.NaN : share)),
		silent: silent.map((is, d) => (left[d] === 1 ? 0 : is)),
		due,
		out: out.map((part, d) => (left[d] === 1 ? 0 : part))
	};
}

/** Samples that any of some shades may touch. */
function anyOf(shades: readonly ShadeFound[], count: number): Uint8Array {
	const any = new Uint8Array(count);
	for (const { shaded } of shades) shaded.forEach((is, t) => is === 1 && (any[t] = 1));
	return any;
}

/** Of what is due in the hours of a shade, so much is uncertain: its edges move with the sun; judgement. */
const SHADE_EDGE = 0.03;

function lostToShade(
	{ times }: Pick<MonitoredYear, 'times'>,
	unit: Unit,
	{ share }: Peers,
	shaded: Uint8Array
): Loss {
	let sum = 0;
	let due = 0;
	for (let t = 0; t < times.count; t++) {
		if (!shaded[t] || Number.isNaN(unit.power[t]!)) continue;
		sum += Math.max(share[t]! * unit.labelWatts - unit.power[t]!, 0);
		due += share[t]! * unit.labelWatts;
	}
	const toKWh = times.step / 3_600_000 / 1000;
	return lossOf(sum * toKWh, SHADE_EDGE * due * toKWh);
}

/** Array and sensor against the clear sky, on the days that were clear. */
function clearIndex(
	year: MonitoredYear,
	{ share, atRating }: Peers,
	clearSky: Float64Array | null
): DayIndex[] {
	if (!clearSky) return [];
	const { days, irradiance } = year;
	const cool = Float64Array.from(share, (value, t) =>
		atRating[t] ? Number.NaN : value / (1 + TEMPERATURE * (temperatureOf(year, clearSky, t) - 25))
	);
	const sensor = irradiance?.map((value, t) => value / clearSky[t]!);
	return clearDays(days, cool, clearSky).map(({ day, ratio }) => ({
		day,
		array: ratio,
		sensor: sensor ? middleOfDay(sensor, days[day]!, (t) => clearSky[t]! > 350) : Number.NaN
	}));
}

/** Light from which on a sensor and an array can be compared, W/m2. */
const SENSOR_IRRADIANCE = 300;

/** Array over sensor by day, corrected for heat; nothing where there is no sensor. */
function besideSensor(year: MonitoredYear, { share, atRating }: Peers): DayValue[] {
	const { days, irradiance } = year;
	if (!irradiance) return [];
	const ratio = Float64Array.from(share, (value, t) => {
		const measured = irradiance[t]!;
		if (!(measured >= SENSOR_IRRADIANCE) || atRating[t]) return Number.NaN;
		return (
			(1000 * value) / measured / (1 + TEMPERATURE * (temperatureOf(year, irradiance, t) - 25))
		);
	});
	return days.flatMap((day, d) => {
		const value = middleOfDay(ratio, day, () => true);
		return Number.isNaN(value) ? [] : [{ day: d, value }];
	});
}

/** Cell temperature as measured, else by the air (30 K more in full sun), else 25 degC. */
function temperatureOf(
	{ cellTemperature, airTemperature }: MonitoredYear,
	irradiance: Float64Array,
	t: number
): number {
	const cell = cellTemperature?.[t] ?? Number.NaN;
	if (!Number.isNaN(cell)) return cell;
	const air = airTemperature?.[t] ?? Number.NaN;
	return Number.isNaN(air) ? 25 : air + (30 * irradiance[t]!) / 1000;
}

/** What was put down to soiling is said, since a slow fault could hide in it. */
function soilingNote(units: readonly Unit[], events: ReadonlySet<UnitEvent>): string[] {
	const keys = new Set([...events].map(({ unit }) => unit));
	if (keys.size === 0) return [];
	const labels = units.filter(({ key }) => keys.has(key)).map(({ label }) => label);
	return [
		`${labels.join(', ')}: changes that begin or end with a rain, or are no faster than the soiling of the whole array, were taken for soiling. Compare again once everything is clean.`
	];
}

function notesOf(
	{ units, observer }: MonitoredYear,
	grouped: readonly Unit[],
	otherCourse: readonly Unit[],
	toldApart: boolean
): string[] {
	const notes: string[] = [];
	const keys = new Set([...grouped, ...otherCourse].map(({ key }) => key));
	const alone = units.filter(({ key }) => !keys.has(key));
	if (otherCourse.length > 0) {
		notes.push(
			`${otherCourse.map(({ label }) => label).join(', ')}: generates at other hours of the day than the rest, all year, so it probably faces another way and was not compared. Record its tilt and azimuth.`
		);
	}
	if (toldApart) {
		notes.push(
			'The record does not say where all units face. They were compared in groups that generate at the same hours of the day. Record tilt and azimuth to be sure.'
		);
	}
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
			'Nobody has said where the site is, so clear days, soiling on the whole array and a drifting sensor were not looked for.'
		);
	}
	return notes;
}
