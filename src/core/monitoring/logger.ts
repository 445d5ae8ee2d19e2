/** A figure with what it may be off by. */
export interface Logged {
	readonly value: number;
	/** Standard uncertainty: all that can be off, as rectangular limits, added in squares. */
	readonly uncertainty: number;
	/** Everything off the same way at once. */
	readonly worst: number;
	/** Change of one count of the converter. */
	readonly count: number;
	/** Largest figure before the converter is at its end. */
	readonly most: number;
}

/** An analogue-to-digital converter of a small board. */
export interface Converter {
	readonly bits: number;
	/** Volts at its highest count. */
	readonly reference: number;
	/** Limits of the reference, +/- %. */
	readonly referencePct: number;
	/** Limits of its offset and linearity, +/- counts. */
	readonly offCounts: number;
}

const counts = (bits: number) => 2 ** bits - 1;

/** Rectangular limits as a standard uncertainty (JCGM 100:2008, 4.3.7). */
const standard = (limits: number) => limits / Math.sqrt(3);

function through(
	voltage: number,
	scale: number,
	scalePct: number,
	{ bits, reference, referencePct, offCounts }: Converter
): Logged {
	const one = reference / counts(bits);
	const value = voltage * scale;
	const parts = [
		Math.abs(value) * (scalePct / 100),
		Math.abs(value) * (referencePct / 100),
		(offCounts + 0.5) * one * scale
	];
	return {
		value,
		uncertainty: Math.hypot(...parts.map(standard)),
		worst: parts.reduce((sum, part) => sum + part, 0),
		count: one * scale,
		most: reference * scale
	};
}

/** Resistors of a divider, ohm: from the line to the converter, and from there to ground. */
export interface Divider {
	readonly upper: number;
	readonly lower: number;
	/** Limits of each, +/- %. */
	readonly tolerancePct: number;
}

/**
 * Volts on the line from volts at the converter behind a divider: times (upper + lower)/lower. What the
 * resistors' limits do to it: 2 upper/(upper + lower) of one, since they may be off opposite ways.
 *
 * @param voltage at the converter
 */
export function dividerVoltage(voltage: number, divider: Divider, converter: Converter): Logged {
	const { upper, lower, tolerancePct } = divider;
	const scale = (upper + lower) / lower;
	return through(voltage, scale, (2 * tolerancePct * upper) / (upper + lower), converter);
}

/** A shunt, by the volts that its rated amps drop, and the amplifier behind it. */
export interface Shunt {
	readonly ratedAmps: number;
	/** mV at the rated amps */
	readonly ratedMillivolts: number;
	/** Limits, +/- % */
	readonly tolerancePct: number;
	/** Of the amplifier between shunt and converter; 1 where there is none. */
	readonly gain: number;
	/** Limits of the gain, +/- % */
	readonly gainPct: number;
}

/** Amps through a shunt from volts at the converter. */
export function shuntCurrent(voltage: number, shunt: Shunt, converter: Converter): Logged {
	const { gain, tolerancePct, gainPct } = shunt;
	return through(voltage, 1 / gain / shuntResistance(shunt), tolerancePct + gainPct, converter);
}

/** ohm */
export function shuntResistance({
	ratedAmps: ratedCurrent,
	ratedMillivolts
}: Pick<Shunt, 'ratedAmps' | 'ratedMillivolts'>) {
	return ratedMillivolts / 1000 / ratedCurrent;
}

/** Continuous current of a shunt as a share of its rating (common practice: two thirds). */
export const CONTINUOUS = 2 / 3;

/** Power that a shunt dissipates, W. */
export function shuntDissipation(current: number, shunt: Shunt): number {
	return current ** 2 * shuntResistance(shunt);
}
