import { chainAmps, chainConductance, chainSweep, chainVolts, type Chain } from './chain';
import { gatherString, type Side, type Surroundings } from './compile';
import type { BusCircuit, StringCircuit } from './description';
import { risingRoot, type Slope } from '../numerics';
import type { Solution } from './section';

/** Anything with two terminals whose current falls as its volts rise. */
export interface Source {
	/** A out of the positive terminal at V across them, with dI/dV. */
	conduct(volts: number, out: Slope): void;
	/** Volts with nothing connected, V. */
	readonly openVolts: number;
}

/** A string between two poles. */
export class StringSource implements Source {
	private readonly sign: 1 | -1;
	private open: number | null = null;

	constructor(
		readonly chain: Chain,
		leadsReversed = false
	) {
		this.sign = leadsReversed ? -1 : 1;
	}

	/** A string of a bus, between its own leads or behind its fuses and switch. */
	static of(string: StringCircuit, bus: Surroundings, side: Side): StringSource {
		return new StringSource(gatherString(string, bus, side)[0].chain(bus), string.leadsReversed);
	}

	get openVolts(): number {
		this.open ??= this.voltsAt(0);
		return this.open;
	}

	voltsAt(amps: number): number {
		chainVolts(this.chain, this.sign * amps, VOLTS);
		return this.sign * VOLTS.volts;
	}

	/** Volts at a current and dV/dI, ohm. */
	solve(amps: number, out: Solution): void {
		chainVolts(this.chain, this.sign * amps, out);
		out.volts *= this.sign;
	}

	/** Volts at many currents, V, [points]. */
	sweep(amps: Float64Array): Float64Array {
		return chainSweep(
			this.chain,
			amps.map((value) => this.sign * value)
		).map((volts) => this.sign * volts);
	}

	ampsAt(volts: number): number {
		return this.sign * chainAmps(this.chain, this.sign * volts);
	}

	conduct(volts: number, out: Slope): void {
		const amps = chainAmps(this.chain, this.sign * volts);
		out.value = this.sign * amps;
		out.slope = chainConductance(this.chain, amps);
	}
}

const VOLTS: Solution = { volts: 0, slope: 0 };

/** Strings in parallel on a bus; equal strings are computed once. */
export class BusSource implements Source {
	/** The different strings, with how often each stands on the bus. */
	private readonly different: { readonly source: StringSource; count: number }[] = [];
	/** For each string in the order of the description, its entry above. */
	private readonly entryOf: number[] = [];
	private open: number | null = null;

	constructor(readonly bus: BusCircuit) {
		const known = new Map<string, number>();
		for (const string of bus.strings) {
			const key = bus.strings.length > 1 ? JSON.stringify({ ...string, name: '' }) : '';
			let entry = known.get(key);
			if (entry === undefined) {
				entry = this.different.length;
				this.different.push({ source: StringSource.of(string, bus, 'bus'), count: 0 });
				known.set(key, entry);
			}
			this.different[entry]!.count++;
			this.entryOf.push(entry);
		}
	}

	/** The one string of this bus; null where there are several. */
	get only(): StringSource | null {
		return this.entryOf.length === 1 ? this.different[0]!.source : null;
	}

	conduct(volts: number, out: Slope): void {
		let amps = 0;
		let slope = 0;
		for (const { source, count } of this.different) {
			source.conduct(volts, out);
			amps += count * out.value;
			slope += count * out.slope;
		}
		out.value = amps;
		out.slope = slope;
	}

	ampsAt(volts: number): number {
		return this.different.reduce((sum, { source, count }) => sum + count * source.ampsAt(volts), 0);
	}

	/** Current of every string at the volts of the bus, A; negative is back-feed. */
	branchesAt(volts: number): number[] {
		const amps = this.different.map(({ source }) => source.ampsAt(volts));
		return this.entryOf.map((entry) => amps[entry]!);
	}

	get openVolts(): number {
		this.open ??= this.settle();
		return this.open;
	}

	private settle(): number {
		const opens = this.different.map(({ source }) => source.openVolts);
		if (opens.length === 0) return 0;
		const most = Math.max(...opens);
		if (opens.length === 1) return most;
		return voltsInto(this, 0, most);
	}
}

/**
 * Volts at which a source meets a resistor, V.
 *
 * @param conductance of what it feeds, S; 0 for open circuit
 */
export function voltsInto(source: Source, conductance: number, start: number): number {
	const residual = (volts: number, out: Slope) => {
		source.conduct(volts, out);
		out.value = volts * conductance - out.value;
		out.slope = conductance - out.slope;
	};
	return risingRoot(residual, start, 1);
}
