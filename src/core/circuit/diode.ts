/** A diode by Shockley's equation, I = Is (exp(V/(n Vt)) - 1), as data. */
export interface DiodeModel {
	/** Is, A. */
	readonly saturationCurrent: number;
	/** n */
	readonly idealityFactor: number;
}

/** kT/q at 25 degC, V. */
const THERMAL_VOLTAGE = 0.0256926;

/**
 * What leaks past a diode in reverse besides Is, S: 10 uA at 1000 V, a usual maximum in the data
 * sheets of rectifiers (common practice, no source).
 */
export const LEAKAGE = 1e-8;

/** About 0.45 V at 10 A: a Schottky part, as in junction boxes. */
export const BYPASS_DIODE: DiodeModel = { saturationCurrent: 5e-7, idealityFactor: 1.05 };
/** About 1.1 V at 10 A: a silicon part. */
export const BLOCKING_SILICON: DiodeModel = { saturationCurrent: 1e-9, idealityFactor: 1.8 };
/** About 0.5 V at 10 A (judgement). */
export const BLOCKING_SCHOTTKY: DiodeModel = { saturationCurrent: 1e-7, idealityFactor: 1.05 };

/** n Vt at 25 degC, V. */
export function emissionVoltage({ idealityFactor }: DiodeModel): number {
	return idealityFactor * THERMAL_VOLTAGE;
}

/**
 * From this current on, A, the exponential goes on as a straight line. No part lives there; it keeps
 * every figure finite where a stiff source would be put across a bare diode.
 */
const END_OF_EXPONENTIAL = 1e4;

/** Volts at which a junction leaves its exponential, V. */
export function endOfExponential(saturationCurrent: number, emission: number): number {
	return emission * Math.log(END_OF_EXPONENTIAL / saturationCurrent);
}

/** Is exp(V/n) beyond {@link endOfExponential}: its tangent there. */
export function beyondExponential(voltage: number, end: number, emission: number): number {
	return END_OF_EXPONENTIAL * (1 + (voltage - end) / emission);
}
/** Its derivative, S. */
export function conductanceBeyond(emission: number): number {
	return END_OF_EXPONENTIAL / emission;
}

const STEPS_AT_MOST = 200;

/** Current of a diode at its volts without leakage, and its derivative. */
export function diodeCurrent(
	diode: DiodeModel,
	voltage: number,
	out: { value: number; slope: number }
): void {
	const { saturationCurrent: is } = diode;
	const n = emissionVoltage(diode);
	const end = endOfExponential(is, n);
	if (voltage > end) {
		out.value = beyondExponential(voltage, end, n) - is;
		out.slope = conductanceBeyond(n);
		return;
	}
	const exponential = is * Math.exp(voltage / n);
	out.value = exponential - is;
	out.slope = exponential / n;
}

/**
 * Volts across a diode at a current from its anode, with {@link LEAKAGE} beside it, so that there is
 * an answer for either sign. The current is convex in the volts: Newton from the right never passes
 * the root.
 */
export function diodeVoltage(diode: DiodeModel, current: number): number {
	const { saturationCurrent: is } = diode;
	const n = emissionVoltage(diode);
	let voltage = current > 0 ? n * Math.log1p(current / is) : 0;
	for (let step = 0; step < STEPS_AT_MOST; step++) {
		const exponential = is * Math.exp(voltage / n);
		const move = (current - exponential + is - LEAKAGE * voltage) / (exponential / n + LEAKAGE);
		voltage += move;
		if (Math.abs(move) <= 1e-10 * (Math.abs(voltage) + n)) break;
	}
	return voltage;
}

/** d V/d I of {@link diodeVolts} at its volts, ohm. */
export function diodeSlope(diode: DiodeModel, voltage: number): number {
	const n = emissionVoltage(diode);
	return 1 / ((diode.saturationCurrent * Math.exp(voltage / n)) / n + LEAKAGE);
}
