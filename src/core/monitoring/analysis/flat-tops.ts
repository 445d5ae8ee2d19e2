import type { Times } from '../series/grid';
import { HOUR, type Day } from '../series/year';
import { median, quantile } from '../../numerics';

/** A top that was cut flat. */
export interface FlatTop {
	/** Index into the days. */
	readonly day: number;
	/** W */
	readonly level: number;
	/** Hours at it. */
	readonly hours: number;
	/** Not made, Wh: estimate and the band that its shoulders leave open. */
	readonly lost: { readonly value: number; readonly low: number; readonly high: number };
}

/** Samples of a flat top lie within this of one another. */
const FLAT = 0.008;
/** Shortest top, hours, and fewest samples. */
const SHORTEST = 0.5;
const FEWEST = 3;
/** The shoulders must point at least so far above the level: a sunny noon is flat by itself. */
const EXCESS = 0.035;
/** Shoulders lie between these shares of the level. */
const SHOULDER = { low: 0.6, high: 0.985 };
/** Longest stretch on either side that is taken as shoulder, hours. */
const REACH = 2;

/**
 * Flat tops of one day, where the light says that more was there to be had.
 *
 * @param power W
 * @param irradiance a course that the power follows under a clear sky, in any unit; null for a parabola through the shoulders
 */
export function plateausOf(
	power: Float64Array,
	irradiance: Float64Array | null,
	{ from, to }: Day,
	day: number,
	times: Times
): FlatTop[] {
	const hours = times.step / HOUR;
	const tops: FlatTop[] = [];
	let peak = 0;
	for (let t = from; t < to; t++) if (power[t]! > peak) peak = power[t]!;
	if (peak <= 0) return [];
	for (let t = from; t < to; t++) {
		if (!(power[t]! >= peak * (1 - FLAT))) continue;
		let end = t;
		while (end + 1 < to && power[end + 1]! >= peak * (1 - FLAT)) end++;
		const count = end - t + 1;
		if (count >= FEWEST && count * hours >= SHORTEST) {
			const top = topOf(power, irradiance, { from, to }, t, end, times);
			if (top) tops.push({ day, ...top });
		}
		t = end;
	}
	return tops;
}

function topOf(
	power: Float64Array,
	irradiance: Float64Array | null,
	{ from, to }: Pick<Day, 'from' | 'to'>,
	first: number,
	last: number,
	times: Times
): Omit<FlatTop, 'day'> | null {
	const hours = times.step / HOUR;
	const reach = Math.round(REACH / hours);
	const level = median(power.subarray(first, last + 1));
	const shoulder = (begin: number, end: number) => {
		const at: number[] = [];
		for (let t = Math.max(from, begin); t <= Math.min(to - 1, end); t++) {
			const share = power[t]! / level;
			if (share >= SHOULDER.low && share <= SHOULDER.high) at.push(t);
		}
		return at;
	};
	const sides = [shoulder(first - reach, first - 1), shoulder(last + 1, last + reach)];
	if (sides.some((side) => side.length < 2)) return null;
	const shape = irradiance ? scaled(power, irradiance, sides) : parabola(power, sides);
	if (!shape) return null;
	const lost = (which: (t: number) => number) => {
		let sum = 0;
		for (let t = first; t <= last; t++) sum += Math.max(which(t) - level, 0) * hours;
		return sum;
	};
	let most = 0;
	for (let t = first; t <= last; t++) most = Math.max(most, shape.middle(t));
	if (most < level * (1 + EXCESS)) return null;
	return {
		level,
		hours: (last - first + 1) * hours,
		lost: { value: lost(shape.middle), low: lost(shape.low), high: lost(shape.high) }
	};
}

interface Shape {
	readonly low: (t: number) => number;
	readonly middle: (t: number) => number;
	readonly high: (t: number) => number;
}

/** Cells are hotter at the top than on the shoulders: what a clear sky would have given is less by so much; judgement. */
const HOTTER = 0.02;

/** The course of a clear sky, as high as the shoulders say; the band is how far their samples differ. */
function scaled(
	power: Float64Array,
	irradiance: Float64Array,
	sides: readonly number[][]
): Shape | null {
	const factors = sides.map((side) => median(side.map((t) => power[t]! / irradiance[t]!)));
	const all = sides.flat().map((t) => power[t]! / irradiance[t]!);
	if (all.some((factor) => !Number.isFinite(factor))) return null;
	const middle = (1 - HOTTER) * median(all);
	const low = (1 - 2 * HOTTER) * Math.min(...factors, quantile(all, 0.1));
	const high = Math.max(...factors, quantile(all, 0.9));
	return {
		low: (t) => low * irradiance[t]!,
		middle: (t) => middle * irradiance[t]!,
		high: (t) => high * irradiance[t]!
	};
}

/** A parabola through the shoulders by least squares; the band is a tenth of what it adds either way, and its misfit. */
function parabola(power: Float64Array, sides: readonly number[][]): Shape | null {
	const at = sides.flat();
	const centre = at.reduce((sum, t) => sum + t, 0) / at.length;
	const sums = (p: number, of: (t: number) => number) =>
		at.reduce((sum, t) => sum + (t - centre) ** p * of(t), 0);
	const one = () => 1;
	const [s0, s1, s2, s3, s4] = [0, 1, 2, 3, 4].map((p) => sums(p, one)) as [
		number,
		number,
		number,
		number,
		number
	];
	const [y0, y1, y2] = [0, 1, 2].map((p) => sums(p, (t) => power[t]!)) as [number, number, number];
	const det = s0 * (s2 * s4 - s3 ** 2) - s1 * (s1 * s4 - s2 * s3) + s2 * (s1 * s3 - s2 ** 2);
	if (!(Math.abs(det) > 1e-9)) return null;
	const a = (y0 * (s2 * s4 - s3 ** 2) - s1 * (y1 * s4 - y2 * s3) + s2 * (y1 * s3 - y2 * s2)) / det;
	const b = (s0 * (y1 * s4 - s3 * y2) - y0 * (s1 * s4 - s2 * s3) + s2 * (s1 * y2 - s2 * y1)) / det;
	const c = (s0 * (s2 * y2 - s3 * y1) - s1 * (s1 * y2 - s2 * y1) + y0 * (s1 * s3 - s2 ** 2)) / det;
	if (c >= 0) return null;
	const middle = (t: number) => a + b * (t - centre) + c * (t - centre) ** 2;
	const misfit = median(at.map((t) => Math.abs(power[t]! - middle(t))));
	return {
		low: (t) => 0.9 * middle(t) - misfit,
		middle,
		high: (t) => 1.1 * middle(t) + misfit
	};
}
