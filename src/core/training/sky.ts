import {
	clearSky,
	fromAirAndWind,
	type Observer,
	onPlane,
	type Plane,
	sunPosition
} from '../conditions';
import type { Random } from '../numerics';

/** What the weather was at one moment. */
export interface SkyNow {
	/** From around the sun, through the glass of the plane, W/m2. */
	readonly beam: number;
	/** From everywhere else, W/m2. */
	readonly diffuse: number;
	/** degC */
	readonly air: number;
	/** degC, of a module on an open rack */
	readonly cell: number;
	/** Where the sun stands, from north by east, degrees. */
	readonly azimuth: number;
}

type DayKind = 'clear' | 'mixed' | 'overcast';
/** How a day follows on the last one. */
const NEXT: Readonly<Record<DayKind, readonly (readonly [DayKind, number])[]>> = {
	clear: [
		['clear', 0.55],
		['mixed', 0.35],
		['overcast', 0.1]
	],
	mixed: [
		['clear', 0.25],
		['mixed', 0.45],
		['overcast', 0.3]
	],
	overcast: [
		['clear', 0.15],
		['mixed', 0.4],
		['overcast', 0.45]
	]
};
const DAY = 86_400_000;
const WIND = 2;

/** A year's weather, drawn step by step: kinds of days that follow one another, clouds, haze, heat. */
export class DrawnSky {
	#day = Number.NaN;
	#kind: DayKind = 'mixed';
	#haze = 1;
	#warm = 0;
	#cover = 0.5;

	constructor(
		readonly observer: Observer,
		readonly plane: Plane,
		readonly random: Random,
		/** Kind of some days, by the days since 1970. */
		readonly fixed: ReadonlyMap<number, DayKind> = new Map()
	) {}

	/** @param instant ms since 1970-01-01 UTC; later than the one before */
	at(instant: number): SkyNow {
		const day = Math.floor(instant / DAY);
		if (day !== this.#day) this.#begin(day);
		const sun = sunPosition(instant, this.observer);
		const season = Math.cos((2 * Math.PI * (day - 200)) / 365.25);
		const hour = (instant % DAY) / 3_600_000;
		const air = 10 + 8 * season + 4 * Math.cos((Math.PI * (hour - 15)) / 12) + this.#warm;
		if (sun.zenith >= 90) return { beam: 0, diffuse: 0, air, cell: air, azimuth: sun.azimuth };
		const through = this.#through();
		const sky = clearSky(sun);
		const direct = sky.direct * through * this.#haze;
		// What clouds keep from the beam comes in part from all over the sky.
		const diffuse =
			sky.diffuse * (1 + 0.55 * (1 - through)) * (this.#kind === 'overcast' ? 0.75 : 1);
		const global = direct * Math.cos((sun.zenith * Math.PI) / 180) + diffuse;
		const here = onPlane(sun, this.plane, { ...sky, direct, diffuse, global });
		const beam = here.effectiveBeam;
		const rest = here.effective - beam;
		return {
			beam,
			diffuse: rest,
			air,
			cell: fromAirAndWind(air, beam + rest, WIND),
			azimuth: sun.azimuth
		};
	}

	#begin(day: number): void {
		const { random } = this;
		this.#day = day;
		let draw = random.uniform();
		const drawn = NEXT[this.#kind].find(([, chance]) => (draw -= chance) < 0)?.[0] ?? 'mixed';
		this.#kind = this.fixed.get(day) ?? drawn;
		this.#haze = 0.97 + 0.015 * random.normal();
		this.#warm = 0.7 * this.#warm + 2.2 * random.normal();
	}

	/** Share of the beam that comes through at this step. */
	#through(): number {
		const { random } = this;
		if (this.#kind === 'clear') return 1;
		if (this.#kind === 'overcast') {
			this.#cover = Math.min(0.25, Math.max(0, 0.9 * this.#cover + 0.02 * random.normal()));
			return this.#cover;
		}
		if (random.chance(0.35))
			this.#cover = random.chance(0.5) ? random.between(0.85, 1.04) : random.between(0, 0.6);
		return this.#cover;
	}
}
