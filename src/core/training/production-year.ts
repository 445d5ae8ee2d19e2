import type { Observer, Plane } from '../conditions';
import {
	type Day,
	type MonitoredYear,
	powerTable,
	type PowerTable,
	type Times
} from '../monitoring';
import type { ModuleType } from '../record';
import { dateOfMillis } from '../units';
import { type Random, randomFrom } from '../numerics';
import { DrawnSky, type SkyNow } from './sky';

/** Something that happens in a generated year; days are counted from its first, 0. */
export type Planted =
	| { readonly kind: 'dead'; readonly unit: number; readonly from: number; readonly to: number }
	| {
			readonly kind: 'at-share';
			readonly unit: number;
			readonly share: number;
			readonly from: number;
	  }
	| {
			readonly kind: 'slope';
			readonly unit: number;
			readonly from: number;
			readonly perDay: number;
	  }
	/** Grows evenly, and rain takes it off on day `to`; null for the whole array. */
	| {
			readonly kind: 'dirt';
			readonly unit: number | null;
			readonly from: number;
			readonly to: number;
			readonly loss: number;
	  }
	/** Something in the way while the sun stands between two azimuths. */
	| {
			readonly kind: 'shade';
			readonly unit: number;
			readonly from: number;
			readonly to: number;
			readonly azimuths: readonly [number, number];
	  }
	| { readonly kind: 'sensor-drift'; readonly perYear: number };

export interface YearWishes {
	readonly seed: number;
	/** ms since 1970-01-01 UTC, at a midnight */
	readonly start: number;
	readonly days: number;
	readonly stepMinutes: number;
	readonly units: number;
	readonly type: ModuleType;
	/** Module's age in years. */
	readonly age: number;
	/** AC rating of each unit, W. */
	readonly rated: number;
	readonly plane: Plane;
	readonly observer: Observer;
	readonly planted: readonly Planted[];
	/** Days, by number, on which the sky is clear and cold; and the most that the sky gives on all others, W before the rating. */
	readonly bright?: { readonly days: readonly number[]; readonly mostElsewhere: number };
}

const DAY = 86_400_000;
/** Share of DC power that a unit turns into AC. */
const EFFICIENCY = 0.955;
/** Spread of the units, and noise of one reading, as shares. */
const SPREAD = 0.012;
const NOISE = 0.006;
/** Of all readings, so many never arrive; and so many days of the year nobody hears anything. */
const LOST = 0.002;
const SILENT_DAYS = 0.008;
/** What is left of the beam in a shade. */
const IN_SHADE = 0.12;

/**
 * A year of readings of like units on one plane, with what is planted in it, from a seed. Power comes
 * from the single-diode model, the sky from {@link DrawnSky}.
 */
export function productionYear(wishes: YearWishes): MonitoredYear {
	const { seed, start, days, stepMinutes, units, planted, rated, plane, observer } = wishes;
	const random = randomFrom(seed);
	const step = stepMinutes * 60_000;
	const perDay = DAY / step;
	const times: Times = { start, step, count: days * perDay };
	const fixed = new Map(
		(wishes.bright?.days ?? []).map((day) => [Math.floor(start / DAY) + day, 'clear'] as const)
	);
	const sky = new DrawnSky(observer, plane, random, fixed);
	const table = powerTable(wishes.type, wishes.age);
	const spread = Array.from({ length: units }, () => 1 + SPREAD * random.normal());
	const empty = () => new Float64Array(times.count).fill(Number.NaN);
	const list = spread.map(() => ({ power: empty(), volts: empty(), amps: empty() }));
	const sensor = empty();
	const cell = empty();
	const air = empty();
	const silent = Array.from({ length: days }, () => random.chance(SILENT_DAYS));
	const skies = Array.from({ length: times.count }, (_, t) => sky.at(start + t * step));
	const scale = Array.from({ length: days }, (_, day) =>
		scaleOf(skies.slice(day * perDay, (day + 1) * perDay), day, wishes, table)
	);
	for (let t = 0; t < times.count; t++) {
		const day = Math.floor(t / perDay);
		const now = skies[t]!;
		if (silent[day]) continue;
		const drift = 1 + (driftOf(planted) * t) / (365.25 * perDay);
		sensor[t] = Math.max((now.beam + now.diffuse) * drift * (1 + 0.008 * random.normal()), 0);
		air[t] = now.air;
		cell[t] = now.cell;
		for (let u = 0; u < units; u++) {
			if (random.chance(LOST)) continue;
			const { left, beam } = stateOf(planted, u, day, now.azimuth);
			const irradiance = (now.beam * beam + now.diffuse) * soilingOn(planted, u, day);
			const { watts: power, volts: voltage } = table(irradiance * scale[day]!, now.cell);
			const drawn = random.normal();
			const dc = power * left * spread[u]! * (1 + NOISE * drawn);
			const ac = Math.min(EFFICIENCY * dc, rated);
			const on = ac > 2;
			list[u]!.power[t] = on ? Math.round(ac * 10) / 10 : 0;
			const clipped = EFFICIENCY * dc > rated ? 1.06 : 1;
			list[u]!.volts[t] = on ? Math.round(voltage * clipped * 10) / 10 : 0;
			list[u]!.amps[t] = on ? Math.round((ac / EFFICIENCY / voltage / clipped) * 100) / 100 : 0;
		}
	}
	return {
		times,
		days: utcDays(times),
		units: list.map((series, u) => ({
			key: `unit-${u + 1}`,
			label: `unit ${u + 1}`,
			labelWatts: wishes.type.plate.pmax,
			ratedWatts: rated,
			like: 'all',
			plane,
			...series
		})),
		irradiance: sensor,
		cellTemperature: cell,
		airTemperature: air,
		observer
	};
}

/** Days from midnight to midnight UTC. */
export function utcDays({ start, step, count }: Times): Day[] {
	const perDay = DAY / step;
	return Array.from({ length: Math.ceil(count / perDay) }, (_, d) => ({
		date: dateOfMillis(start + d * DAY),
		from: d * perDay,
		to: Math.min((d + 1) * perDay, count)
	}));
}

function driftOf(planted: readonly Planted[]): number {
	return planted.find((one) => one.kind === 'sensor-drift')?.perYear ?? 0;
}

function stateOf(planted: readonly Planted[], unit: number, day: number, azimuth: number) {
	let left = 1;
	let beam = 1;
	for (const one of planted) {
		if (!('unit' in one) || one.unit !== unit || day < one.from) continue;
		if (one.kind === 'dead' && day < one.to) left = 0;
		else if (one.kind === 'at-share') left *= one.share;
		else if (one.kind === 'slope') left *= 1 - one.perDay * (day - one.from);
		else if (one.kind === 'shade' && day < one.to) {
			const [from, to] = one.azimuths;
			if (azimuth >= from && azimuth <= to) beam = IN_SHADE;
		}
	}
	return { left, beam };
}

function soilingOn(planted: readonly Planted[], unit: number, day: number): number {
	let through = 1;
	for (const one of planted) {
		if (one.kind !== 'dirt' || day < one.from || day >= one.to) continue;
		if (one.unit !== null && one.unit !== unit) continue;
		through *= 1 - (one.loss * (day - one.from)) / (one.to - one.from);
	}
	return through;
}

/** Haze that keeps the best of an ordinary day below what is wished; the wished days are brighter. */
function scaleOf(
	skies: readonly SkyNow[],
	day: number,
	{ bright }: Pick<YearWishes, 'bright'>,
	table: PowerTable
): number {
	if (!bright) return 1;
	if (bright.days.includes(day)) return 1.06;
	const most = Math.max(
		...skies.map(({ beam, diffuse, cell }) => table(beam + diffuse, cell).watts)
	);
	return Math.min(1, bright.mostElsewhere / most);
}

/** Planted events of a year that has one of each, for units from a random choice. */
export function plantAll(random: Random, units: number): Planted[] {
	const taken: number[] = [];
	const free = () => {
		for (;;) {
			const unit = random.whole(0, units - 1);
			if (taken.includes(unit)) continue;
			taken.push(unit);
			return unit;
		}
	};
	const soilingFrom = random.whole(100, 190);
	const deadFrom = random.whole(30, 300);
	const shadeFrom = random.whole(40, 200);
	return [
		{ kind: 'dead', unit: free(), from: deadFrom, to: deadFrom + random.whole(4, 60) },
		{
			kind: 'at-share',
			unit: free(),
			share: random.between(0.76, 0.84),
			from: random.whole(40, 300)
		},
		{
			kind: 'dirt',
			unit: null,
			from: soilingFrom,
			to: soilingFrom + random.whole(35, 60),
			loss: random.between(0.08, 0.14)
		},
		{
			kind: 'shade',
			unit: free(),
			from: shadeFrom,
			to: shadeFrom + random.whole(60, 120),
			azimuths: [random.between(105, 120), random.between(135, 155)]
		},
		{ kind: 'sensor-drift', perYear: random.pick([-1, 1]) * random.between(0.06, 0.12) }
	];
}
