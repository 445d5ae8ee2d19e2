import { chainCurrent, chainConductance, chainSweep, chainVoltage, type Chain } from './chain';
import { gatherString, type Side, type Surroundings } from './compile';
import type { BusCircuit, StringCircuit } from './description';
import { risingRoot, type Slope } from '../numerics';
import type { Solution } from './substring';

/** Anything with two terminals whose current falls as its volts rise. */
export interface Source {
	/** A out of the positive terminal at V across them, with dI/dV. */
	conduct(voltage: number, out: Slope): void;
	/** Volts with nothing connected, V. */
	readonly openVoltage: number;
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

	get openVoltage(): number {
		this.open ??= this.voltageAt(0);
		return this.open;
	}

	voltageAt(current: number): number {
		chainVoltage(this.chain, this.sign * current, VOLTAGE);
		return this.sign * VOLTAGE.voltage;
	}

	/** Volts at a current and dV/dI, ohm. */
	solve(current: number, out: Solution): void {
		chainVoltage(this.chain, this.sign * current, out);
		out.voltage *= this.sign;
	}

	/** Volts at many currents, V, [points]. */
	sweep(current: Float64Array): Float64Array {
		return chainSweep(
			this.chain,
			current.map((value) => this.sign * value)
		).map((voltage) => this.sign * voltage);
	}

	currentAt(voltage: number): number {
		return this.sign * chainCurrent(this.chain, this.sign * voltage);
	}

	conduct(voltage: number, out: Slope): void {
		const current = chainCurrent(this.chain, this.sign * voltage);
		out.value = this.sign * current;
		out.slope = chainConductance(this.chain, current);
	}
}

const VOLTAGE: Solution = { voltage: 0, slope: 0 };

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

	conduct(voltage: number, out: Slope): void {
		let current = 0;
		let slope = 0;
		for (const { source, count } of this.different) {
			source.conduct(voltage, out);
			current += count * out.value;
			slope += count * out.slope;
		}
		out.value = current;
		out.slope = slope;
	}

	currentAt(voltage: number): number {
		return this.different.reduce(
			(sum, { source, count }) => sum + count * source.currentAt(voltage),
			0
		);
	}

	/** Current of every string at the volts of the bus, A; negative is back-feed. */
	branchesAt(voltage: number): number[] {
		const current = this.different.map(({ source }) => source.currentAt(voltage));
		return this.entryOf.map((entry) => current[entry]!);
	}

	get openVoltage(): number {
		this.open ??= this.settle();
		return this.open;
	}

	private settle(): number {
		const opens = this.different.map(({ source }) => source.openVoltage);
		if (opens.length === 0) return 0;
		const most = Math.max(...opens);
		if (opens.length === 1) return most;
		return voltageInto(this, 0, most);
	}
}

/**
 * Volts at which a source meets a resistor, V.
 *
 * @param conductance of what it feeds, S; 0 for open circuit
 */
export function voltageInto(source: Source, conductance: number, start: number): number {
	const residual = (voltage: number, out: Slope) => {
		source.conduct(voltage, out);
		out.value = voltage * conductance - out.value;
		out.slope = conductance - out.slope;
	};
	return risingRoot(residual, start, 1);
}
