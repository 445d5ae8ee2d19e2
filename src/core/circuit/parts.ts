import {
	diodeCurrent,
	diodeSlope,
	diodeVoltage,
	emissionVoltage,
	LEAKAGE,
	type DiodeModel
} from './diode';
import { risingRoot, type Slope } from '../numerics';
import type { Part, Solution } from './substring';

/**
 * Resistance of a path that is open, ohm: 10 Gohm, dry air and plastic (judgement). A meter of 10 Mohm
 * behind it shows a thousandth of the volts, which is why such an end is said to float near 0 V.
 */
export const OPEN = 1e10;

/** Resistance of a part that is bridged or shorted, ohm. */
export const SHORT = 1e-3;

/** A meter on volts, ohm: 10 Mohm (common practice for a hand-held meter). */
export const METER_RESISTANCE = 1e7;

/** A diode in the string's path, and all that is left of a section whose cells are broken. */
export class SeriesDiode implements Part {
	constructor(readonly model: DiodeModel) {}

	solve(current: number, out: Solution): void {
		const voltage = diodeVoltage(this.model, current);
		out.voltage = -voltage;
		out.slope = -diodeSlope(this.model, voltage);
	}
}

/** What a device that is off gives at the most into a short circuit, A (judgement). */
const OFF_CURRENT = 1e-3;

/**
 * A device that is off: its off volts behind so much resistance that no useful current flows, with a
 * diode across it that lets the current of the others pass.
 */
export class OffDevice implements Part {
	constructor(
		private readonly offVolts: number,
		private readonly diode: DiodeModel
	) {}

	solve(current: number, out: Solution): void {
		const { offVolts: offVoltage, diode } = this;
		const g = offVoltage > 0 ? OFF_CURRENT / offVoltage : LEAKAGE;
		const n = emissionVoltage(diode);
		const residual = (drop: number, at: Slope) => {
			diodeCurrent(diode, drop, at);
			at.value += g * (offVoltage + drop) - current;
			at.slope += g;
		};
		const forward = current > g * offVoltage;
		const start = forward
			? n * Math.log1p(current / diode.saturationCurrent)
			: current / g - offVoltage;
		const drop = risingRoot(residual, start, n);
		const at: Slope = { value: 0, slope: 0 };
		diodeCurrent(diode, drop, at);
		out.voltage = -drop;
		out.slope = -1 / (g + at.slope);
	}
}
