import { StringSource } from '../../circuit';
import { USUAL_PARTS } from '../../expectation';
import { stringOf, type Sky, type TestedModule } from '../tested';

/**
 * Curves of modules on one grid of amps, so that modules in series add and strings in parallel are looked
 * up: a candidate of the search costs a few hundred additions instead of a solution of the circuit.
 */
export interface CurveGrid {
	/** A, rising, [points]; below 0 a string is fed by others. */
	readonly current: Float64Array;
	/** V, rising, [points]. */
	readonly voltage: Float64Array;
	/** V of each module at each current, [modules][points]. */
	readonly modules: readonly Float64Array[];
	/** A string cannot be fed by others. */
	readonly blocked: boolean;
}

const AMP_STEPS = 220;
const VOLT_STEPS = 320;
/** Back-feed is followed as far as this share of the largest short-circuit current. */
const FED = 0.25;

/**
 * @param longest modules in series at most, which sets the range of volts
 */
export function curveGrid(
	modules: readonly TestedModule[],
	sky: Sky,
	longest: number,
	blocked: boolean
): CurveGrid {
	const sources = modules.map((module) =>
		StringSource.of(stringOf('', [module], sky), { ...USUAL_PARTS }, 'source')
	);
	const most = Math.max(...sources.map((source) => source.currentAt(0)), 0.1);
	const least = -FED * most;
	const current = Float64Array.from(
		{ length: AMP_STEPS },
		(_, i) => least + ((1.02 * most - least) * i) / (AMP_STEPS - 1)
	);
	const opens = sources.map((source) => source.openVoltage).sort((a, b) => b - a);
	const highest = opens.slice(0, longest).reduce((sum, voltage) => sum + voltage, 0);
	const voltage = Float64Array.from(
		{ length: VOLT_STEPS },
		(_, i) => (highest * i) / (VOLT_STEPS - 1)
	);
	return {
		current,
		voltage,
		modules: sources.map((source) => source.sweep(current)),
		blocked
	};
}

/** Volts of modules in series over the grid's amps, V, [points]. */
export function seriesVoltage(
	{ modules, current }: CurveGrid,
	members: readonly number[]
): Float64Array {
	const sum = new Float64Array(current.length);
	for (const member of members) {
		const own = modules[member]!;
		for (let i = 0; i < sum.length; i++) sum[i]! += own[i]!;
	}
	return sum;
}

/** Amps of a string over the grid's volts, A, [points], out of its volts over the grid's amps. */
export function currentOver(
	{ current, voltage, blocked }: CurveGrid,
	own: Float64Array
): Float64Array {
	const found = new Float64Array(voltage.length);
	// Volts fall as amps rise: both are walked once.
	let i = current.length - 1;
	for (let v = 0; v < voltage.length; v++) {
		const wanted = voltage[v]!;
		while (i > 0 && own[i]! < wanted) i--;
		if (i === current.length - 1) {
			found[v] = current[i]!;
			continue;
		}
		const high = own[i]!;
		const low = own[i + 1]!;
		if (high < wanted) {
			found[v] = blocked ? 0 : current[0]!;
			continue;
		}
		const share = high > low ? (high - wanted) / (high - low) : 0;
		const at = current[i]! + share * (current[i + 1]! - current[i]!);
		found[v] = blocked ? Math.max(0, at) : at;
	}
	return found;
}
