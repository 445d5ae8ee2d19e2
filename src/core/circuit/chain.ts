import { risingRoot, type Slope, SMOOTH } from '../numerics';
import { EvenSection, type Explicit, type Part, type Solution } from './section';

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
		if (!(part instanceof EvenSection) || sign < 0) return;
		if (lead < 0 || count > parts[lead]!.count) lead = i;
	});
	const smooth = resistance < STIFF && parts.every(({ part }) => part instanceof EvenSection);
	const ohms = parts.length === 0 ? Math.max(resistance, BRIDGE) : resistance;
	return { parts, resistance: ohms, lead, smooth };
}

/** Volts of a chain at a current out of its positive end, with their derivative. */
export function chainVolts({ parts, resistance }: Chain, amps: number, out: Solution): void {
	let volts = -amps * resistance;
	let slope = -resistance;
	const one = SCRATCH;
	for (const { part, count, sign } of parts) {
		part.solve(sign * amps, one);
		volts += sign * count * one.volts;
		slope += count * one.slope;
	}
	out.volts = volts;
	out.slope = slope;
}

/** Volts of a chain at many currents, V, [points]; quickest where they are in order. */
export function chainSweep({ parts, resistance }: Chain, amps: Float64Array): Float64Array {
	const volts = amps.map((value) => -value * resistance);
	const one: Solution = { volts: 0, slope: 0 };
	for (const { part, count, sign } of parts) {
		if (part instanceof EvenSection && sign > 0) {
			part.sweep(amps, count, volts);
			continue;
		}
		for (let k = 0; k < amps.length; k++) {
			part.solve(sign * amps[k]!, one);
			volts[k]! += sign * count * one.volts;
		}
	}
	return volts;
}

const SCRATCH: Solution = { volts: 0, slope: 0 };

/**
 * Current of a chain at its volts, A.
 *
 * The unknown is the junction voltage of the leading sections: in it their volts and current are
 * explicit, so a healthy string costs one exponential a step; the rest follows from that current.
 */
export function chainAmps(chain: Chain, volts: number): number {
	const { parts, resistance, lead } = chain;
	const leading = parts[lead];
	if (!leading) return chainAmpsBlind(chain, volts);
	const section = leading.part as EvenSection;
	const explicit: Explicit = { volts: 0, amps: 0, cellAmps: 0, voltsPerX: 1, ampsPerX: -1 };
	const one: Solution = { volts: 0, slope: 0 };
	const residual = (x: number, out: Slope) => {
		section.at(x, explicit);
		const { amps } = explicit;
		let sum = leading.count * explicit.volts - amps * resistance - volts;
		let ohms = -resistance;
		for (let i = 0; i < parts.length; i++) {
			if (i === lead) continue;
			const { part, count, sign } = parts[i]!;
			part.solve(sign * amps, one);
			sum += sign * count * one.volts;
			ohms += count * one.slope;
		}
		out.value = sum;
		out.slope = leading.count * explicit.voltsPerX + ohms * explicit.ampsPerX;
	};
	const { diode } = section.cells;
	const start = Math.min(
		volts / leading.count + diode.seriesResistance * diode.photocurrent,
		diode.modifiedIdeality * Math.log1p(diode.photocurrent / diode.saturationCurrent)
	);
	const x = risingRoot(
		residual,
		start,
		diode.modifiedIdeality,
		section.leastJunction(),
		chain.smooth ? SMOOTH : undefined
	);
	section.at(x, explicit);
	return explicit.amps;
}

/** The same in the current itself, for a chain without a leading section. */
function chainAmpsBlind(chain: Chain, volts: number): number {
	const solution: Solution = { volts: 0, slope: 0 };
	const residual = (amps: number, out: Slope) => {
		chainVolts(chain, amps, solution);
		out.value = volts - solution.volts;
		out.slope = -solution.slope;
	};
	return risingRoot(residual, 0, 1);
}

/** dI/dV of a chain at a current, S, below 0. */
export function chainConductance(chain: Chain, amps: number): number {
	chainVolts(chain, amps, CONDUCTANCE);
	return 1 / CONDUCTANCE.slope;
}

const CONDUCTANCE: Solution = { volts: 0, slope: 0 };
