import type { ModuleType, StringRecord } from '../circuit/record';
import { StringSource, voltsInto } from '../circuit/bus';
import { gatherString } from '../circuit/compile';
import { wholeModules, type BusCircuit, type StringCircuit } from '../circuit/description';
import { BYPASS_DIODE } from '../circuit/diode';
import { METER_RESISTANCE, OPEN } from '../circuit/parts';
import { TYPICAL_BREAKDOWN } from '../circuit/section';
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

/** What is not recorded of the parts of an array is taken to be usual. */
export const USUAL_PARTS: Pick<BusCircuit, 'bypass' | 'breakdown'> = {
	bypass: BYPASS_DIODE,
	breakdown: TYPICAL_BREAKDOWN
};

/** A recorded string as a circuit, whole. The record names one fuse; it is taken to stand in the positive pole. */
export function stringHere(
	string: StringRecord,
	model: AgedModel,
	module: SingleDiode
): StringCircuit {
	const { sections, cellsInSeries } = model.type.plate;
	const { label, moduleCount, cableResistance, fuse } = string;
	const run = { ...wholeModules(module, moduleCount, sections), cellsInSeries };
	return {
		name: label,
		modules: [run],
		sectionsPerModule: sections,
		cableResistance,
		fuses: { positive: fuse && { rating: fuse.rating, state: 'whole' }, negative: null }
	};
}

const AS_RECORDED: BusCircuit = { ...USUAL_PARTS, strings: [] };

/** Volts of a string on its bus at a current, V. */
export function runningVolts(circuit: StringCircuit, amps: number): number {
	return StringSource.of(circuit, AS_RECORDED, 'bus').voltsAt(amps);
}

/** What a meter would read, and how steeply that follows the string's volts. */
export interface Prediction {
	/** V or A */
	readonly value: number;
	/** d value/d volts at the operating voltage, A/V; 0 for other quantities. */
	readonly perVolt: number;
}

/**
 * A reading as a function of the light and heat of its modules, for one who asks many. Isolated
 * readings are taken at the source side of fuse and switch, operating ones behind them.
 *
 * @param circuit the string, whose modules share `module`
 * @param atVolts volts of the string while its current flows; used for the operating current alone
 */
export function readingIn(
	circuit: StringCircuit,
	module: SingleDiode,
	quantity: Quantity,
	atVolts: number | null
): (relit: SingleDiode) => Prediction {
	const operating = quantity === 'operating-current';
	const [gathered] = gatherString(circuit, AS_RECORDED, operating ? 'bus' : 'source');
	const source = (to: SingleDiode) =>
		new StringSource(gathered.chain(AS_RECORDED, { from: module, to }), circuit.leadsReversed);
	switch (quantity) {
		case 'open-circuit-voltage':
			return (relit) => ({ value: voltsShown(source(relit)), perVolt: 0 });
		case 'short-circuit-current':
			return (relit) => ({ value: source(relit).ampsAt(0), perVolt: 0 });
		case 'operating-current':
			return (relit) => {
				const at = { value: 0, slope: 0 };
				source(relit).conduct(atVolts ?? 0, at);
				return { value: at.value, perVolt: at.slope };
			};
	}
}

/** {@link readingIn} the light the circuit is in. */
export function predictReading(
	circuit: StringCircuit,
	quantity: Quantity,
	atVolts: number | null
): Prediction {
	const { params } = circuit.modules[0]!;
	return readingIn(circuit, params, quantity, atVolts)(params);
}

/** The figure of {@link predictReading}, V or A. */
export function predictValue(
	circuit: StringCircuit,
	quantity: Quantity,
	atVolts: number | null
): number {
	return predictReading(circuit, quantity, atVolts).value;
}

/**
 * Volts of an isolated string on a meter. The meter's own current lowers a sound string's by less
 * than a ten-thousandth of a volt; across an open path it is what pulls the reading to zero.
 */
function voltsShown(source: StringSource): number {
	return source.chain.resistance < OPEN
		? source.openVolts
		: voltsInto(source, 1 / METER_RESISTANCE, 0);
}
