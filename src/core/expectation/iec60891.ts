import type { ModuleType } from '../record';
import { coefficientsOf, fitLabel } from '../module';
import { STC_CELL_TEMPERATURE, STC_IRRADIANCE } from '../units';

/** Light and cell temperature of a point, W/m2 and degC. */
export interface PointConditions {
	readonly irradiance: number;
	readonly cellTemperature: number;
}

export const STC: PointConditions = {
	irradiance: STC_IRRADIANCE,
	cellTemperature: STC_CELL_TEMPERATURE
};

/** What a translation needs of a string of equal modules. */
export interface TranslatedString {
	/** A/A/K */
	readonly alpha: number;
	/** V/V/K */
	readonly beta: number;
	/** Thermal voltage of the string over its Voc, 1: how volts follow the logarithm of light. */
	readonly a: number;
	/** ohm */
	readonly seriesResistance: number;
	/** Open-circuit volts at standard conditions, V. */
	readonly voc: number;
}

/** A string of equal modules as {@link translatePoint} takes it. */
export function translatedString(type: ModuleType, modules: number): TranslatedString {
	const { alphaIscPctPerK, betaVocPctPerK } = coefficientsOf(type.plate);
	const { reference } = fitLabel(type.plate);
	return {
		alpha: alphaIscPctPerK / 100,
		beta: betaVocPctPerK / 100,
		a: reference.modifiedIdeality / type.plate.voc,
		seriesResistance: reference.seriesResistance * modules,
		voc: type.plate.voc * modules
	};
}

/**
 * A measured point carried to other light and heat: IEC 60891:2009, procedure 2 (from memory), with its
 * curve correction factor left at 0.
 *
 *     I2 = I1 (1 + alpha (T2 - T1)) G2/G1
 *     V2 = V1 + Voc (beta (T2 - T1) + a ln(G2/G1)) - Rs (I2 - I1)
 */
export function translatePoint(
	{ volts: voltage, amps: current }: { readonly volts: number; readonly amps: number },
	{ alpha, beta, a, seriesResistance, voc }: TranslatedString,
	from: PointConditions,
	to: PointConditions
): { readonly volts: number; readonly amps: number } {
	const warming = to.cellTemperature - from.cellTemperature;
	const irradiance = to.irradiance / from.irradiance;
	const carried = current * (1 + alpha * warming) * irradiance;
	return {
		volts:
			voltage +
			voc * (beta * warming + a * Math.log(irradiance)) -
			seriesResistance * (carried - current),
		amps: carried
	};
}
