import type { ModuleType, StringRecord } from '../circuit/record';
import {
	stringCurrentAt,
	stringOpenCircuit,
	stringVoltageAt,
	wholeString,
	type StringCircuit
} from '../circuit/string';
import { fitLabel, type LabelFit } from '../module/fit';
import type { SingleDiode } from '../module/single-diode';
import { translate } from '../module/translate';
import { AGEING_PER_YEAR } from './allowances';
import type { Quantity } from './visit';

/** A module type as it stands on the roof: fitted, and aged by its years of service. */
export interface AgedModel {
	readonly type: ModuleType;
	readonly fit: LabelFit;
	readonly years: number;
}

export function agedModel(type: ModuleType, years: number): AgedModel {
	return { type, fit: fitLabel(type.plate), years };
}

/**
 * One module at a light and a heat, aged: current and voltage scaled by their yearly loss, the loss
 * of fill factor as series resistance that costs its share of power at Imp.
 *
 * @param light plane-of-array irradiance that arrives in the cells, W/m2
 * @param heat cell temperature, degC
 */
export function moduleHere(model: AgedModel, light: number, heat: number): SingleDiode {
	const diode = translate(model.fit, light, heat);
	const { vmp, imp } = model.type.plate;
	const current = Math.max(1 - AGEING_PER_YEAR.current * model.years, 0.1);
	const voltage = Math.max(1 - AGEING_PER_YEAR.voltage * model.years, 0.1);
	const ohms = voltage / current;
	return {
		photocurrent: diode.photocurrent * current,
		saturationCurrent: diode.saturationCurrent * current,
		seriesResistance:
			diode.seriesResistance * ohms + (AGEING_PER_YEAR.fillFactor * model.years * vmp) / imp,
		shuntResistance: diode.shuntResistance * ohms,
		modifiedIdeality: diode.modifiedIdeality * voltage
	};
}

export function stringHere(
	string: StringRecord,
	model: AgedModel,
	module: SingleDiode
): StringCircuit {
	return wholeString(module, string.moduleCount, model.type.plate.sections, string.cableResistance);
}

/** The reading that a circuit gives, V or A. `atVolts` is used for the operating current alone. */
export function predictValue(
	circuit: StringCircuit,
	quantity: Quantity,
	atVolts: number | null
): number {
	switch (quantity) {
		case 'open-circuit-voltage':
			return stringOpenCircuit(circuit);
		case 'short-circuit-current':
			return stringCurrentAt(circuit, 0);
		case 'operating-current':
			return stringCurrentAt(circuit, atVolts ?? 0);
	}
}

/** What a meter would read, and how steeply that follows the string's volts. */
export interface Prediction {
	/** V or A */
	readonly value: number;
	/** d value/d volts at the operating voltage, A/V; 0 for other quantities. */
	readonly perVolt: number;
}

/** {@link predictValue} with its slope, for the doubt about the operating volts. */
export function predictReading(
	circuit: StringCircuit,
	quantity: Quantity,
	atVolts: number | null
): Prediction {
	const value = predictValue(circuit, quantity, atVolts);
	if (quantity !== 'operating-current' || circuit.open) return { value, perVolt: 0 };
	const step = 1e-3;
	const voltsPerAmp =
		(stringVoltageAt(circuit, value + step) - stringVoltageAt(circuit, value - step)) / (2 * step);
	return { value, perVolt: 1 / voltsPerAmp };
}
