import {
	diodeAmps,
	diodeSlope,
	diodeVolts,
	emissionVoltage,
	LEAKAGE,
	type DiodeModel
} from './diode';
import { risingRoot, type Slope } from '../numerics';
import type { Part, Solution } from './section';

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

	solve(amps: number, out: Solution): void {
		const volts = diodeVolts(this.model, amps);
		out.volts = -volts;
		out.slope = -diodeSlope(this.model, volts);
	}
}

/** What a device that is off gives at the most into a short circuit, A (judgement). */
const OFF_AMPS = 1e-3;

/**
 * A device that is off: its off volts behind so much resistance that no useful current flows, with a
 * diode across it that lets the current of the others pass.
 */
export class OffDevice implements Part {
	constructor(
		private readonly offVolts: number,
		private readonly diode: DiodeModel
	) {}

	solve(amps: number, out: Solution): void {
		const { offVolts, diode } = this;
		const g = offVolts > 0 ? OFF_AMPS / offVolts : LEAKAGE;
		const n = emissionVoltage(diode);
		const residual = (drop: number, at: Slope) => {
			diodeAmps(diode, drop, at);
			at.value += g * (offVolts + drop) - amps;
			at.slope += g;
		};
		const forward = amps > g * offVolts;
		const start = forward ? n * Math.log1p(amps / diode.saturationCurrent) : amps / g - offVolts;
		const drop = risingRoot(residual, start, n);
		const at: Slope = { value: 0, slope: 0 };
		diodeAmps(diode, drop, at);
		out.volts = -drop;
		out.slope = -1 / (g + at.slope);
	}
}
