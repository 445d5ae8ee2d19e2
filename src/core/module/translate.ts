import { BOLTZMANN_EV_PER_K, kelvin, STC_CELL_TEMPERATURE, STC_IRRADIANCE } from '../units';
import type { SingleDiode } from './single-diode';
import type { BandGap } from './technology';

/** A fitted module: its parameters at standard test conditions and what moves them. */
export interface ModuleModel {
	readonly reference: SingleDiode;
	/** alpha of Isc in A/K. */
	readonly alphaIsc: number;
	readonly bandGap: BandGap;
}

const T_REF = kelvin(STC_CELL_TEMPERATURE);

/**
 * I0(T)/I0(25 degC) = (T/Tref)^3 exp(Eg,ref/kTref - Eg/kT).
 * De Soto et al. (2006), equations 9 and 10.
 */
export function saturationCurrentRatio(bandGap: BandGap, cellTemperature: number): number {
	const t = kelvin(cellTemperature);
	const gap = bandGap.atReference * (1 + bandGap.perKelvin * (t - T_REF));
	const exponent = bandGap.atReference / T_REF - gap / t;
	return (t / T_REF) ** 3 * Math.exp(exponent / BOLTZMANN_EV_PER_K);
}

/**
 * Parameters at another irradiance and cell temperature: IL = (G/1000)(IL,ref + alpha (T-25)),
 * I0 by {@link saturationCurrentRatio}, a ~ T in kelvin, Rsh ~ 1000/G, Rs constant.
 * De Soto et al. (2006), equations 6 to 12.
 *
 * @param irradiance plane-of-array, W/m2, above 0
 * @param cellTemperature degC
 */
export function translate(
	model: ModuleModel,
	irradiance: number,
	cellTemperature: number
): SingleDiode {
	const { reference } = model;
	const relativeIrradiance = irradiance / STC_IRRADIANCE;
	const warming = cellTemperature - STC_CELL_TEMPERATURE;
	return {
		photocurrent: relativeIrradiance * (reference.photocurrent + model.alphaIsc * warming),
		saturationCurrent:
			reference.saturationCurrent * saturationCurrentRatio(model.bandGap, cellTemperature),
		seriesResistance: reference.seriesResistance,
		shuntResistance: reference.shuntResistance / relativeIrradiance,
		modifiedIdeality: (reference.modifiedIdeality * kelvin(cellTemperature)) / T_REF
	};
}
