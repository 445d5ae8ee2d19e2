import { openCircuitVoltage, shortCircuitCurrent, type SingleDiode, voltageAt } from '../module';

/** A point of a module's curve on a known load. */
export interface LoadPoint {
	/** V */
	readonly volts: number;
	/** A */
	readonly amps: number;
}

/** What a point on a load tells beside open circuit and short circuit. */
export interface FillFactor {
	/** Maximum power in the light of the measurement, W. */
	readonly power: number;
	/** Maximum power over open-circuit voltage times short-circuit current. */
	readonly value: number;
	/** Series resistance beyond the nameplate's, ohm; negative where it is less. */
	readonly addedResistance: number;
}

/** Points that are drawn of the curve. */
const POINTS = 200;
/** Between these shares of the short-circuit current a point tells of the maximum. */
const TELLS = { least: 0.5, most: 0.99 } as const;

/**
 * The maximum power of a module by three points of its curve: the nameplate's curve in the same light, scaled to the
 * measured open circuit and short circuit, and bent by a series resistance until it runs through the point.
 * A loss by shunts is taken for one by resistance; near the maximum, where the point should lie, that hardly matters.
 *
 * @param here the nameplate's model in the light and heat of the measurement
 * @param open measured, V
 * @param short measured, A
 * @returns null where the point is not between open circuit and short circuit, or tells nothing of the maximum
 */
export function fillFactorOf(
	here: SingleDiode,
	open: number,
	short: number,
	load: LoadPoint
): FillFactor | null {
	if (!(open > 0 && short > 0 && load.volts > 0 && load.volts < open)) return null;
	const share = load.amps / short;
	if (share < TELLS.least || share > TELLS.most) return null;
	const scale = { volts: open / openCircuitVoltage(here), amps: shortCircuitCurrent(here) / short };
	const curve = (current: number) => scale.volts * voltageAt(here, current * scale.amps);
	const addedResistance = (curve(load.amps) - load.volts) / load.amps;
	let power = 0;
	for (let i = 1; i < POINTS; i++) {
		const current = (short * i) / POINTS;
		power = Math.max(power, current * (curve(current) - addedResistance * current));
	}
	return { power, value: power / (open * short), addedResistance };
}
