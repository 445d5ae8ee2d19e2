import { type Random, randomFrom } from '$core/numerics';
import { DAY, dateOf, NAMEPLATE, START, UNITS, type Site } from './answer';
import { inPlane, MINUTES, MOMENTS, sunAt, weatherOf, type Sun } from './weather';

/*
 * Site-years of a generator with another physics than the analysis: twelve units of 400 W in their own weather, written
 * as an export of means. What is hidden in them, and what it cost, is known exactly.
 */

const DAYS = 365;

/** What is hidden in a generated year. */
export const KINDS = [
	'healthy',
	'snow',
	'soiling',
	'step',
	'slope',
	'dead',
	'intermittent',
	'shade'
] as const;
type Kind = (typeof KINDS)[number];

type Plane = NonNullable<Site['planes']>[number];

export interface GeneratedYear extends Site {
	readonly planes: readonly Plane[];
	readonly hidden: {
		readonly kind: Kind;
		/** From 1; null where it concerns no unit. */
		readonly unit: number | null;
		/** First day of it. */
		readonly since: string | null;
		/** kWh */
		readonly lost: number;
	};
	/** What each unit would have given beyond its inverter's rating, kWh. */
	readonly clipped: readonly number[];
	readonly csv: string;
}

interface Wishes {
	readonly kind: Kind;
	readonly seed: number;
	/** Of each mean in the export. */
	readonly minutes?: 5 | 15 | 60;
	/** Inverters' rating over nameplate. */
	readonly rated?: number;
	readonly isInTwoPlanes?: boolean;
}

/** Share of its light that a unit turns to use at a moment, 1 where nothing is wrong. */
type Share = (unit: number, day: number, moment: number, sun: Sun) => number;

export function generateYear({
	kind,
	seed,
	minutes = 15,
	rated = 0.95,
	isInTwoPlanes = false
}: Wishes): GeneratedYear {
	const random = randomFrom(seed);
	const latitude = kind === 'snow' ? random.between(48, 62) : random.between(-45, 60);
	const planes = planesOf(latitude, isInTwoPlanes, random);
	const planeOf = Array.from({ length: UNITS }, (_, u) =>
		planes.findIndex(({ units }) => units.includes(u + 1))
	);
	const made = planeOf.map(() => 1 + 0.01 * random.normal());
	const unit = isOfUnit(kind) ? random.whole(1, UNITS) : null;
	const from = kind === 'shade' ? 0 : random.whole(60, 240);
	const own = unit === null ? () => 1 : faultOf(kind, from, latitude, random);
	const all = kind === 'snow' ? snowOf(random) : kind === 'soiling' ? soilingOf(random) : () => 1;
	const rows: string[] = [];
	const lostByDay = new Float64Array(DAYS);
	const clipped = new Float64Array(UNITS);
	const each = minutes / MINUTES;
	const sums = new Float64Array(UNITS);
	let silentUntil = -1;
	let day = 0;
	for (const weatherAt of weatherOf(latitude, random)) {
		if (random.chance(0.02)) silentUntil = day * MOMENTS + random.whole(60, 200);
		for (let moment = 0; moment < MOMENTS; moment++) {
			const sun = sunAt(latitude, day, moment);
			const weather = weatherAt(sun);
			const lights = planes.map((plane) => inPlane(sun, weather, plane));
			const dark = planes.map((plane) => inPlane(sun, weather, plane, false));
			for (let u = 0; u < UNITS; u++) {
				const irradiance = lights[planeOf[u]!]!;
				const common = made[u]! * all(u, day, moment, sun);
				const whole = acOf(irradiance, weather.air, common);
				const share = u + 1 === unit ? own(u, day, moment, sun) : 1;
				// A shade takes the direct light; what else is wrong takes of all.
				const given =
					kind === 'shade' && share < 1
						? acOf(
								irradiance + (1 - share) * (dark[planeOf[u]!]! - irradiance),
								weather.air,
								common
							)
						: acOf(irradiance, weather.air, common * share);
				const limit = rated * NAMEPLATE;
				lostByDay[day]! += ((Math.min(whole, limit) - Math.min(given, limit)) * MINUTES) / 60_000;
				clipped[u]! += (Math.max(given - limit, 0) * MINUTES) / 60_000;
				sums[u]! += Math.min(given, limit) * (1 + 0.004 * random.normal());
			}
			if ((moment + 1) % each > 0) continue;
			const at = START + day * DAY + (moment + 1 - each) * MINUTES * 60_000;
			const isSilent = day * MOMENTS + moment <= silentUntil;
			const cells = Array.from(sums, (sum) => (isSilent ? '' : (sum / each).toFixed(1)));
			rows.push([new Date(at).toISOString().slice(0, 16), ...cells].join(','));
			sums.fill(0);
		}
		day++;
	}
	const heading = ['Time (UTC)', ...planeOf.map((_, u) => `U ${u + 1} P (W)`)].join(',');
	const first = lostByDay.findIndex((lost) => lost > 0.01);
	return {
		latitude,
		longitude: 0,
		planes,
		hidden: {
			kind,
			unit,
			since: unit === null ? null : dateOf(kind === 'slope' ? from : first),
			lost: lostByDay.reduce((sum, lost) => sum + lost, 0)
		},
		clipped: [...clipped],
		ratedShareOfNameplate: planeOf.map(() => rated),
		csv: [heading, ...rows].join('\n')
	};
}

const isOfUnit = (kind: Kind) => kind !== 'healthy' && kind !== 'snow' && kind !== 'soiling';

function planesOf(latitude: number, isInTwo: boolean, random: Random): Plane[] {
	const tilt = random.between(12, 40);
	const equator = latitude < 0 ? 0 : 180;
	const azimuth = equator + random.between(-50, 50);
	const units = Array.from({ length: UNITS }, (_, u) => u + 1);
	if (!isInTwo) return [{ tilt, azimuth: (azimuth + 360) % 360, units }];
	return [
		{ tilt, azimuth: 90 + random.between(-20, 20), units: units.filter((u) => u % 2 === 1) },
		{ tilt, azimuth: 270 + random.between(-20, 20), units: units.filter((u) => u % 2 === 0) }
	];
}

/** AC power, W: cells by their nominal temperature, a little less in low light, a converter with a loss of its own. */
function acOf(irradiance: number, air: number, share: number): number {
	if (irradiance < 2 || share <= 0) return 0;
	const cell = air + (25 / 800) * irradiance;
	const low = Math.max(0.5, 1 + 0.025 * Math.log(irradiance / 1000));
	const dc = (NAMEPLATE * irradiance * share * low * (1 - 0.0034 * (cell - 25))) / 1000;
	return Math.max(0, 0.97 * dc - 0.006 * NAMEPLATE);
}

function faultOf(kind: Kind, from: number, latitude: number, random: Random): Share {
	switch (kind) {
		case 'step': {
			const size = random.between(0.06, 0.5);
			return (_, day) => (day >= from ? 1 - size : 1);
		}
		case 'slope': {
			const byYear = random.between(0.15, 0.5);
			return (_, day) => 1 - (byYear * Math.max(day - from, 0)) / DAYS;
		}
		case 'dead':
			return (_, day) => (day >= from ? 0 : 1);
		case 'intermittent': {
			const often = random.between(0.1, 0.5);
			const out = Array.from({ length: DAYS }, () => random.chance(often));
			const begins = Array.from({ length: DAYS }, () => random.whole(90, 170));
			return (_, day, moment) => (day >= from && out[day] && moment >= begins[day]! ? 0 : 1);
		}
		default: {
			// An obstacle towards the equator, higher than the sun of the shortest day, seen from the unit.
			const equator = latitude < 0 ? 0 : 180;
			const left = equator + random.between(-50, 20);
			const wide = random.between(15, 35);
			const top = Math.max(8, 90 - Math.abs(latitude) - 23.4) + random.between(2, 20);
			return (_unit, _day, _moment, { height, azimuth }) => {
				const degrees = (azimuth * 180) / Math.PI;
				const isBehind = (degrees - left + 720) % 360 < wide;
				return isBehind && (height * 180) / Math.PI < top ? 0 : 1;
			};
		}
	}
}

/** Snow that falls in winter and slides off the units one after the other. */
function snowOf(random: Random): Share {
	const bareFrom = new Float64Array(UNITS);
	const clearAt = Array.from({ length: DAYS }, (_, day) => {
		if ((day < 75 || day > 325) && random.chance(0.1)) {
			const lasts = random.between(0.3, 4);
			for (let u = 0; u < UNITS; u++) bareFrom[u] = day + lasts + random.between(0, 0.6);
		}
		return Float64Array.from(bareFrom);
	});
	return (unit, day, moment) => (day + moment / MOMENTS < clearAt[day]![unit]! ? 0.03 : 1);
}

/** Soiling on all, until a rain. */
function soilingOf(random: Random): Share {
	const byDay = random.between(0.0008, 0.002);
	let since = 0;
	const soiling = Array.from({ length: DAYS }, (_, day) => {
		if (random.chance(1 / 60)) since = day;
		return byDay * (day - since);
	});
	return (_, day) => 1 - Math.min(soiling[day]!, 0.25);
}
