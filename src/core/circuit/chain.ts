import { risingRoot, type Slope, SMOOTH } from '../numerics';
import { EvenSubstring, type Explicit, type Part, type Solution } from './substring';

/** Equal parts in series. */
export interface Counted {
	readonly part: Part;
	readonly count: number;
	/** -1 where they are turned round. */
	readonly sign: 1 | -1;
}

/** Parts in series with a resistance. */
export interface Chain {
	readonly parts: readonly Counted[];
	/** ohm */
	readonly resistance: number;
	/** The largest group of even sections the right way round, which leads the solving; -1: none. */
	readonly lead: number;
	/** Of sections and little resistance alone: then nothing bends sharper than a junction. */
	readonly smooth: boolean;
}

/** A resistance beyond which a junction voltage hardly says what the current is, ohm. */
const STIFF = 1e6;

/** A chain of nothing at all is a bridge of this, ohm. */
const BRIDGE = 1e-3;

export function chainOf(parts: readonly Counted[], resistance: number): Chain {
	let lead = -1;
	parts.forEach(({ part, count, sign }, i) => {
		if (!(part instanceof EvenSubstring) || sign < 0) return;
		if (lead < 0 || count > parts[lead]!.count) lead = i;
	});
	const smooth = resistance < STIFF && parts.every(({ part }) => part instanceof EvenSubstring);
	const ohms = parts.length === 0 ? Math.max(resistance, BRIDGE) : resistance;
	return { parts, resistance: ohms, lead, smooth };
}

/** Volts of a chain at a current out of its positive end, with their derivative. */
export function chainVoltage({ parts, resistance }: Chain, current: number, out: Solution): void {
	let voltage = -current * resistance;
	let slope = -resistance;
	const one = SCRATCH;
	for (const { part, count, sign } of parts) {
		part.solve(sign * current, one);
		voltage += sign * count * one.voltage;
		slope += count * one.slope;
	}
	out.voltage = voltage;
	out.slope = slope;
}

/** Volts of a chain at many currents, V, [points]; quickest where they are in order. */
export function chainSweep({ parts, resistance }: Chain, current: Float64Array): Float64Array {
	const voltage = current.map((value) => -value * resistance);
	const one: Solution = { voltage: 0, slope: 0 };
	for (const { part, count, sign } of parts) {
		if (part instanceof EvenSubstring && sign > 0) {
			part.sweep(current, count, voltage);
			continue;
		}
		for (let k = 0; k < current.length; k++) {
			part.solve(sign * current[k]!, one);
			voltage[k]! += sign * count * one.voltage;
		}
	}
	return voltage;
}

const SCRATCH: Solution = { voltage: 0, slope: 0 };

/**
 * Current of a chain at its volts, A.
 *
 * The unknown is the junction voltage of the leading sections: in it their volts and current are
 * explicit, so a healthy string costs one exponential a step; the rest follows from that current.
 */
export function chainCurrent(chain: Chain, voltage: number): number {
	const { parts, resistance, lead } = chain;
	const leading = parts[lead];
	if (!leading) return chainCurrentBlind(chain, voltage);
	const substring = leading.part as EvenSubstring;
	const explicit: Explicit = {
		voltage: 0,
		current: 0,
		cellCurrent: 0,
		voltagePerX: 1,
		currentPerX: -1
	};
	const one: Solution = { voltage: 0, slope: 0 };
	const residual = (x: number, out: Slope) => {
		substring.at(x, explicit);
		const { current } = explicit;
		let sum = leading.count * explicit.voltage - current * resistance - voltage;
		let ohms = -resistance;
		for (let i = 0; i < parts.length; i++) {
			if (i === lead) continue;
			const { part, count, sign } = parts[i]!;
			part.solve(sign * current, one);
			sum += sign * count * one.voltage;
			ohms += count * one.slope;
		}
		out.value = sum;
		out.slope = leading.count * explicit.voltagePerX + ohms * explicit.currentPerX;
	};
	const { diode } = substring.cells;
	const start = Math.min(
		voltage / leading.count + diode.seriesResistance * diode.photocurrent,
		diode.modifiedIdeality * Math.log1p(diode.photocurrent / diode.saturationCurrent)
	);
	const x = risingRoot(
		residual,
		start,
		diode.modifiedIdeality,
		substring.leastJunction(),
		chain.smooth ? SMOOTH : undefined
	);
	substring.at(x, explicit);
	return explicit.current;
}

/** The same in the current itself, for a chain without a leading section. */
function chainCurrentBlind(chain: Chain, voltage: number): number {
	const solution: Solution = { voltage: 0, slope: 0 };
	const residual = (current: number, out: Slope) => {
		chainVoltage(chain, current, solution);
		out.value = voltage - solution.voltage;
		out.slope = -solution.slope;
	};
	return risingRoot(residual, 0, 1);
}

/** dI/dV of a chain at a current, S, below 0. */
export function chainConductance(chain: Chain, current: number): number {
	chainVoltage(chain, current, CONDUCTANCE);
	return 1 / CONDUCTANCE.slope;
}

const CONDUCTANCE: Solution = { voltage: 0, slope: 0 };
