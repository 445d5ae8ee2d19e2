import { BusSource, type Source, type StringSource } from './bus';
import { EvenSubstring } from './substring';

/** Points of a curve from short circuit to open circuit; volts rise, amps fall. */
export interface Curve {
	/** V, [points] */
	readonly volts: Float64Array;
	/** A, [points] */
	readonly amps: Float64Array;
}

/**
 * The curve of a source in its generating quadrant.
 *
 * A single string is walked in its current, in which its volts are explicit, with the points gathered
 * before each knee; strings in parallel are walked in even steps of volts.
 *
 * @param points at least 2
 */
export function curveOf(source: Source, points: number): Curve {
	const only = source instanceof BusSource ? source.only : null;
	return only && only.currentAt(0) > 0
		? curveOverCurrent(only, points)
		: curveOverVoltage(source, points);
}

function curveOverVoltage(source: Source, points: number): Curve {
	const open = source.openVoltage;
	const voltage = Float64Array.from({ length: points }, (_, i) => (open * i) / (points - 1));
	const at = { value: 0, slope: 0 };
	const current = voltage.map((v) => {
		source.conduct(v, at);
		return at.value;
	});
	return { volts: voltage, amps: current };
}

function curveOverCurrent(string: StringSource, points: number): Curve {
	const isc = string.currentAt(0);
	const knees = string.chain.parts
		.flatMap(({ part, sign }) =>
			part instanceof EvenSubstring && sign > 0 ? [part.cells.diode.photocurrent] : []
		)
		.filter((current) => current < isc * (1 - 1e-3) && current > isc * 1e-3)
		.sort((a, b) => b - a);
	const bounds = [isc, ...knees, 0];
	const current = new Float64Array(points);
	// Intervals share the points by their width, each with one at least while there are enough.
	let i = 0;
	for (let k = 1; k < bounds.length; k++) {
		const high = bounds[k - 1]!;
		const low = bounds[k]!;
		const left = bounds.length - 1 - k;
		const fair = Math.round(((points - 1) * (isc - low)) / isc);
		const until =
			k === bounds.length - 1 ? points - 1 : Math.max(i, Math.min(fair, points - 1 - left));
		const count = until - i;
		for (let j = 0; j < count; j++) current[i + j] = high - (high - low) * (j / count) ** 2.5;
		i = until;
	}
	current[points - 1] = 0;
	return { volts: string.sweep(current), amps: current };
}
