import type { Random } from '$core/numerics';

/*
 * Sun and sky of generated site-years, by other formulas than those that the analysis uses: declination after Cooper,
 * Solar Energy 12 (1969); equation of time after Spencer, Search 2 (1971); direct light after Meinel and Meinel, Applied
 * Solar Energy (1976). None verified against the text.
 */

const ANGLE = Math.PI / 180;
/** Minutes from one moment of a generated day to the next. */
export const MINUTES = 5;
export const MOMENTS = (24 * 60) / MINUTES;

/** Where the sun stands, radians: height over the horizon, and clockwise from north. */
export interface Sun {
	readonly height: number;
	readonly azimuth: number;
}

/**
 * @param day of the year, from 0
 * @param moment of the day, from 0; its middle counts, UTC on the zero meridian
 */
export function sunAt(latitude: number, day: number, moment: number): Sun {
	const declination = 23.45 * ANGLE * Math.sin((2 * Math.PI * (284 + day + 1)) / 365);
	const year = (2 * Math.PI * day) / 365;
	const equation =
		229.18 *
		(0.000075 +
			0.001868 * Math.cos(year) -
			0.032077 * Math.sin(year) -
			0.014615 * Math.cos(2 * year) -
			0.04089 * Math.sin(2 * year));
	const minutes = (moment + 0.5) * MINUTES + equation;
	const hour = (minutes / 4 - 180) * ANGLE;
	const phi = latitude * ANGLE;
	const up =
		Math.sin(phi) * Math.sin(declination) + Math.cos(phi) * Math.cos(declination) * Math.cos(hour);
	const south =
		Math.sin(phi) * Math.cos(declination) * Math.cos(hour) - Math.cos(phi) * Math.sin(declination);
	const west = Math.cos(declination) * Math.sin(hour);
	return { height: Math.asin(up), azimuth: Math.PI + Math.atan2(west, south) };
}

/** Light and air of a moment. */
export interface Weather {
	/** Square to the sun, and from the sky on level ground, W/m2. */
	readonly beam: number;
	readonly diffuse: number;
	/** Of the air, Celsius. */
	readonly air: number;
}

type Sky = 'clear' | 'broken' | 'overcast';
/** How likely the next day is of each kind. */
const NEXT: Readonly<Record<Sky, readonly [clear: number, broken: number]>> = {
	clear: [0.55, 0.3],
	broken: [0.3, 0.4],
	overcast: [0.15, 0.4]
};

/** A year's weather, by day and moment, of a place of its own haze, clouds and warmth. */
export function* weatherOf(latitude: number, random: Random): Generator<(sun: Sun) => Weather> {
	let sky: Sky = 'broken';
	let haze = 0;
	let warm = 0;
	const clearer = random.between(-0.15, 0.15);
	for (let day = 0; day < 365; day++) {
		const next: readonly [number, number] = NEXT[sky];
		const clear = next[0] + clearer;
		const drawn = random.between(0, 1);
		sky = drawn < clear ? 'clear' : drawn < clear + next[1] ? 'broken' : 'overcast';
		haze = 0.7 * haze + 0.02 * random.normal();
		warm = 0.8 * warm + 1.5 * random.normal();
		const season = Math.cos((2 * Math.PI * (day - (latitude < 0 ? 15 : 200))) / 365);
		const degrees = 26 - 0.3 * Math.abs(latitude) + 0.22 * Math.abs(latitude) * season + warm;
		const passes = cloudsOf(sky, random);
		let moment = 0;
		yield ({ height }) => {
			const through = passes[moment]!;
			const air = degrees + 5 * Math.sin((2 * Math.PI * (moment++ - MOMENTS / 3)) / MOMENTS);
			if (height <= 0.01) return { beam: 0, diffuse: 0, air };
			const mass = 1 / (Math.sin(height) + 0.15 * (height / ANGLE + 3.885) ** -1.253);
			const clearBeam = 1353 * (0.7 + haze) ** (mass ** 0.678);
			const beam = clearBeam * through;
			const open = 0.11 * clearBeam + 20 * Math.sin(height);
			// A cloud throws a part of what it takes as even light.
			const diffuse = open + 0.35 * (clearBeam - beam) * Math.sin(height);
			return { beam, diffuse, air };
		};
	}
}

/** Share of the direct light that comes through, by moment of a day. */
function cloudsOf(sky: Sky, random: Random): Float64Array {
	const passes = new Float64Array(MOMENTS).fill(1);
	if (sky === 'clear') return passes;
	if (sky === 'overcast') {
		let through = 0.1;
		return passes.map(() => {
			through = Math.min(0.4, Math.max(0, through + 0.05 * random.normal()));
			return through;
		});
	}
	const cover = random.between(0.2, 0.7);
	for (let m = 0; m < MOMENTS;) {
		const covered = random.chance(cover);
		const through = covered ? random.between(0.05, 0.6) : 1;
		const lasts = 1 + Math.floor(-Math.log(1 - random.between(0, 1)) * 4);
		passes.fill(through, m, m + lasts);
		m += lasts;
	}
	return passes;
}

/** Light in a plane, W/m2: even sky, glass that turns flat light away, level ground that gives back a fifth. */
export function inPlane(
	sun: Sun,
	{ beam, diffuse }: Weather,
	plane: { readonly tilt: number; readonly azimuth: number },
	seesBeam = true
): number {
	const tilt = plane.tilt * ANGLE;
	const cosine =
		Math.sin(sun.height) * Math.cos(tilt) +
		Math.cos(sun.height) * Math.sin(tilt) * Math.cos(sun.azimuth - plane.azimuth * ANGLE);
	const glass = cosine > 0.05 ? Math.max(0, 1 - 0.05 * (1 / cosine - 1)) : 0;
	const direct = seesBeam && sun.height > 0 ? beam * Math.max(cosine, 0) * glass : 0;
	const ground = 0.2 * (beam * Math.max(Math.sin(sun.height), 0) + diffuse);
	return direct + (diffuse * (1 + Math.cos(tilt))) / 2 + (ground * (1 - Math.cos(tilt))) / 2;
}
