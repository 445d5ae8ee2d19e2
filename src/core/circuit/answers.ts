import type { BusCircuit } from './description';
import { powerMaxima } from './maxima';
import { solveBus, sourceOf } from './state';

/** What one asks of a bus first. V, A, W. */
export interface CircuitAnswers {
	readonly voc: number;
	readonly isc: number;
	/** Global maximum; 0 where the bus gives no power. */
	readonly vmp: number;
	readonly imp: number;
	readonly pmp: number;
	/** By string; negative is back-feed. */
	readonly branchCurrentsAtOpenCircuit: readonly number[];
	readonly atVolts: readonly {
		readonly volts: number;
		readonly amps: number;
		readonly branches: readonly number[];
	}[];
}

/** The usual questions to a bus, whatever load it has. */
export function answersOf(bus: BusCircuit, atVoltage: readonly number[]): CircuitAnswers {
	const source = sourceOf(bus);
	const held = (voltage: number) =>
		solveBus({ ...bus, disconnect: undefined, load: { kind: 'volts', volts: voltage } });
	const [best = { volts: 0, amps: 0 }] = powerMaxima(source);
	return {
		voc: source.openVoltage,
		isc: held(0).amps,
		vmp: best.volts,
		imp: best.amps,
		pmp: best.volts * best.amps,
		branchCurrentsAtOpenCircuit: held(source.openVoltage).branches,
		atVolts: atVoltage.map((voltage) => {
			const { amps: current, branches } = held(voltage);
			return { volts: voltage, amps: current, branches };
		})
	};
}
