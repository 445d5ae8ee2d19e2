import type { OperatingPoint } from '../module';
import { fallingRoot, type Slope } from '../numerics';
import { BusSource, type Source, type StringSource } from './bus';
import { EvenSubstring } from './substring';

/** A falling curve y(x) over its whole range, with dy/dx; volts over amps, or amps over volts. */
interface Falling {
	/** Where y reaches 0. */
	readonly end: number;
	readonly at: (x: number, out: Slope) => void;
	/** Places to look at first, besides even steps. */
	readonly knots: readonly number[];
	/** Intervals are not cut finer than this share of the range. */
	readonly finest: number;
}

interface Sample {
	readonly x: number;
	readonly y: number;
	/** dP/dx, P = x y. */
	readonly rise: number;
}

const EVEN_STEPS = 64;
/** Relative distance to the true maximum at which the search is done. */
const NEAR_ENOUGH = 1e-7;

/**
 * Every local maximum of the power of a source in its generating quadrant, greatest first.
 *
 * Between two samples x1 < x2 of a falling curve no power exceeds x2 y(x1): where that bound beats the
 * best maximum found, the interval is cut again, so that the first of the list is the global one.
 */
export function powerMaxima(source: Source): OperatingPoint[] {
	const only = source instanceof BusSource ? source.only : null;
	const points = only ? maximaOverCurrent(only) : maximaOverVoltage(source);
	return points.sort((a, b) => b.volts * b.amps - a.volts * a.amps);
}

/** A string: its volts are explicit in its current. */
function maximaOverCurrent(string: StringSource): OperatingPoint[] {
	const end = string.currentAt(0);
	const solution = { voltage: 0, slope: 0 };
	const knots = string.chain.parts.flatMap(({ part, sign }) =>
		part instanceof EvenSubstring && sign > 0 ? [part.cells.diode.photocurrent] : []
	);
	return maximaOf({
		end,
		knots,
		finest: 1e-4,
		at: (current, out) => {
			string.solve(current, solution);
			out.value = solution.voltage;
			out.slope = solution.slope;
		}
	}).map(({ x, y }) => ({ amps: x, volts: y }));
}

function maximaOverVoltage(source: Source): OperatingPoint[] {
	return maximaOf({
		end: source.openVoltage,
		knots: [],
		finest: 2e-3,
		at: (voltage, out) => {
			source.conduct(voltage, out);
		}
	}).map(({ x, y }) => ({ volts: x, amps: y }));
}

function maximaOf(curve: Falling): Sample[] {
	const { end, knots } = curve;
	if (!(end > 1e-9)) return [];
	const xs = Array.from({ length: EVEN_STEPS + 1 }, (_, i) => (end * i) / EVEN_STEPS);
	for (const knot of knots) {
		// Just before a knee the power peaks, just after it the diode has taken over.
		for (const x of [knot * 0.99, knot, knot * 1.002]) if (x > 0 && x < end) xs.push(x);
	}
	xs.sort((a, b) => a - b);
	const samples = xs.map((x) => sample(curve, x));
	const maxima: Sample[] = [];
	let best = 0;
	const found = (point: Sample) => {
		const twin = maxima.some((m) => Math.abs(m.x - point.x) <= 1e-6 * end);
		if (!twin) maxima.push(point);
		best = Math.max(best, point.x * point.y);
	};
	let open: (readonly [Sample, Sample])[] = [];
	for (let i = 1; i < samples.length; i++) open.push([samples[i - 1]!, samples[i]!]);
	while (open.length > 0) {
		for (const [low, high] of open) {
			if (low.rise > 0 && high.rise <= 0) found(climb(curve, low, high));
		}
		open = open
			.filter(([low, high]) => {
				const bound = high.x * low.y;
				const flat = low.rise > 0 && high.rise <= 0;
				return !flat && bound > best * (1 + NEAR_ENOUGH) && high.x - low.x > curve.finest * end;
			})
			.flatMap(([low, high]) => {
				const middle = sample(curve, (low.x + high.x) / 2);
				return [[low, middle] as const, [middle, high] as const];
			});
	}
	return maxima;
}

const AT: Slope = { value: 0, slope: 0 };

function sample({ at }: Falling, x: number): Sample {
	at(x, AT);
	return { x, y: AT.value, rise: AT.value + x * AT.slope };
}

/** The maximum between a sample that rises and one that falls: the root of dP/dx. */
function climb(curve: Falling, low: Sample, high: Sample): Sample {
	const rise = (x: number) => sample(curve, x).rise;
	return sample(curve, fallingRoot(rise, low.x, high.x, 1e-12 * curve.end));
}
