import type { StringCircuit } from '../circuit';
import { type StringQuantity, type SwitchingState, usualState } from '../visit';
import type { StringRecord } from '../record';
import {
	combine,
	type GroupReading,
	KNEE_UNCERTAINTY,
	modulesAtShift,
	ownUncertainty,
	type PeerGroup,
	type Prediction,
	predictReading,
	rmsOf,
	scatterUncertainty,
	type Shift,
	stringAtConditions
} from '../expectation';
import type { StringClass } from './string-class';

/** A clamp's rest and a floating end's drift: an interrupted path does not read an exact 0. */
const REST = { amps: 0.06, voltsShare: 0.008 };
/** From the middle of a table to each side: relative light and K. */
const STEP = { light: 0.02, heat: 2 };

/** Half of the step from one other type to the next, as a standard deviation, relative. */
const OTHER_TYPE_GAP = { volts: 0.026, amps: 0.026 };

/** What every class of a string predicts of one reading about one shift: value and slopes, [classes]. */
export interface ClassTable {
	/** V or A; NaN where a class predicts nothing. */
	readonly value: Float64Array;
	readonly perIrradiance: Float64Array;
	readonly perKelvin: Float64Array;
	/** A/V, about the volts the table was made for. */
	readonly perVolt: Float64Array;
	/** Standard uncertainty of prediction and reading together, without the scatter each reading is judged by. */
	readonly sigma: Float64Array;
	/** Change of the prediction with that scatter: V/K or A. */
	readonly scatterUnit: Float64Array;
	/** The largest amount the place could show. */
	readonly scale: number;
	/** Volts of the bus that it was made for; null but for running current. */
	readonly atVoltage: number | null;
}

/** The string as a class leaves it, in one switching state; null where nothing can be predicted. */
export function circuitUnder(
	{ faults }: Pick<StringClass, 'faults'>,
	whole: StringCircuit,
	state: SwitchingState
): StringCircuit | null {
	let circuit: StringCircuit | null = whole;
	for (const { fault, severity } of faults) {
		if (!circuit) return null;
		circuit = fault.inject(circuit, severity, state);
	}
	return circuit;
}

/** What a class predicts of a reading at a shift; null where it cannot. */
export function predictUnder(
	one: Pick<StringClass, 'faults'>,
	group: PeerGroup,
	string: StringRecord,
	quantity: StringQuantity,
	atVoltage: number | null,
	shift: Shift
): Prediction | null {
	const whole = stringAtConditions(string, group.model, modulesAtShift(group, shift));
	const circuit = circuitUnder(one, whole, usualState(quantity));
	return circuit && predictReading(circuit, quantity, atVoltage);
}

export function scaleOf(
	{ model: { type } }: Pick<PeerGroup, 'model'>,
	{ moduleCount }: StringRecord,
	quantity: StringQuantity
): number {
	const { voc, isc } = type.plate;
	return quantity === 'open-circuit-voltage' ? 1.3 * voc * Math.max(moduleCount, 1) : 1.3 * isc;
}

/** Standard uncertainty of a reading about its prediction, the scatter of comparable strings included. */
export function spreadOf(
	group: PeerGroup,
	string: StringRecord,
	quantity: StringQuantity,
	atVoltage: number | null,
	prediction: Prediction
): number {
	const { value } = prediction;
	const perKelvin = quantity === 'open-circuit-voltage' ? group.perKelvin * value : 0;
	return Math.hypot(
		knownSpread(group, string, quantity, atVoltage, prediction),
		combine(scatterUncertainty(quantity, value, perKelvin, group.series))
	);
}

/** The part of {@link spreadOf} that is known without the other readings. */
function knownSpread(
	group: PeerGroup,
	string: StringRecord,
	quantity: StringQuantity,
	atVoltage: number | null,
	prediction: Prediction
): number {
	const sigma = combine(ownUncertainty(quantity, prediction, string, group.series, atVoltage));
	const rest =
		quantity === 'open-circuit-voltage'
			? REST.voltsShare * scaleOf(group, string, quantity)
			: REST.amps;
	return Math.abs(prediction.value) < rest ? Math.hypot(sigma, rest) : sigma;
}

/**
 * Fills a table. Sizes of one fault stand next to each other; the gap between two is added to the
 * uncertainty of both, so that a size between them is not taken for none.
 *
 * @param voltageUncertainty standard uncertainty of the volts beyond what the meter has, V
 * @param alone whether no other string is on its input
 */
export function classTable(
	group: PeerGroup,
	string: StringRecord,
	classes: readonly StringClass[],
	quantity: StringQuantity,
	atVoltage: number | null,
	centre: Shift,
	voltageUncertainty = 0,
	alone = false
): ClassTable {
	const count = classes.length;
	const [value, perIrradiance, perKelvin, perVolt, sigma, scatterUnit] = Array.from(
		{ length: 6 },
		() => new Float64Array(count)
	) as [Float64Array, Float64Array, Float64Array, Float64Array, Float64Array, Float64Array];
	const usual = usualState(quantity);
	const state: SwitchingState = alone ? { ...usual, siblings: 'isolated' } : usual;
	const at = (shift: Shift) =>
		stringAtConditions(string, group.model, modulesAtShift(group, shift));
	const whole = at(centre);
	const slopes = wholeSlopes(at, quantity, atVoltage, centre);
	const known = new Map<string, number>();
	classes.forEach((one, c) => {
		const alike = likeness(one, quantity);
		const twin = alike === null ? undefined : known.get(alike);
		if (twin !== undefined) {
			for (const list of [value, perIrradiance, perKelvin, perVolt, sigma, scatterUnit])
				list[c] = list[twin]!;
			return;
		}
		if (alike !== null) known.set(alike, c);
		const circuit = circuitUnder(one, whole, state);
		const here = circuit && predictReading(circuit, quantity, atVoltage);
		if (!here) {
			value[c] = NaN;
			sigma[c] = 1;
			return;
		}
		value[c] = here.value;
		perIrradiance[c] = here.value * slopes.irradiance;
		perKelvin[c] = here.value * slopes.cellTemperature;
		perVolt[c] = here.perVolt;
		scatterUnit[c] = Math.abs(quantity === 'open-circuit-voltage' ? perKelvin[c]! : here.value);
		// Between two types of the grid any may lie.
		const between = one.faults.some(({ fault }) => fault.family === 'record')
			? OTHER_TYPE_GAP[quantity === 'open-circuit-voltage' ? 'volts' : 'amps'] * here.value
			: 0;
		sigma[c] = Math.hypot(
			between,
			knownSpread(group, string, quantity, atVoltage, here),
			here.perVolt * voltageUncertainty,
			here.value > REST.amps
				? (atVoltage ?? 0) * KNEE_UNCERTAINTY * (here.perVolt - perVolt[0]!)
				: 0,
			quantity === 'open-circuit-voltage' ? 0 : perKelvin[c]! * rmsOf(group.series.temperature)
		);
	});
	widenByGaps(classes, value, sigma);
	return {
		value,
		perIrradiance,
		perKelvin: perKelvin,
		perVolt,
		sigma,
		scatterUnit,
		scale: scaleOf(group, string, quantity),
		atVoltage
	};
}

/**
 * Relative slopes of the whole string's reading along light and heat. A fault's reading is taken to
 * follow in proportion: over the posterior's width, a percent of light, that is off by a few
 * thousandths where the fault bends the curve, against an uncertainty of one percent and more.
 */
function wholeSlopes(
	at: (shift: Shift) => StringCircuit,
	quantity: StringQuantity,
	atVoltage: number | null,
	centre: Shift
): { readonly irradiance: number; readonly cellTemperature: number } {
	const value = (shift: Shift) => predictReading(at(shift), quantity, atVoltage).value;
	const along = (lighter: Shift, darker: Shift, span: number) => {
		const [up, down] = [value(lighter), value(darker)];
		return up > 0 && down > 0 ? Math.log(up / down) / span : 0;
	};
	const { irradiance, cellTemperature } = centre;
	return {
		irradiance: along(
			{ irradiance: irradiance + STEP.light, cellTemperature },
			{ irradiance: irradiance - STEP.light, cellTemperature },
			2 * STEP.light
		),
		cellTemperature: along(
			{ irradiance, cellTemperature: cellTemperature + STEP.heat },
			{ irradiance, cellTemperature: cellTemperature - STEP.heat },
			2 * STEP.heat
		)
	};
}

/** Classes that give the same circuit for a quantity share a key; null where none is known to. */
function likeness({ faults }: StringClass, quantity: StringQuantity): string | null {
	const telling = faults.filter(({ fault }) => fault.shownBy === null);
	if (telling.length === 0) return 'whole';
	const [only] = telling;
	if (telling.length > 1 || !only) return null;
	switch (only.fault.family) {
		case 'no-current':
			return quantity === 'operating-current' ? 'open-path' : 'whole';
		case 'open-path':
			return 'open-path';
		case 'lost-module':
			return `lost-${only.severity.size}`;
		default:
			return null;
	}
}

/** Between neighbouring sizes of one fault a size may lie anywhere. */
export function widenByGaps(
	classes: readonly StringClass[],
	value: Float64Array,
	sigma: Float64Array
): void {
	const follows = (a: StringClass | undefined, b: StringClass | undefined) =>
		a !== undefined &&
		b !== undefined &&
		a.faults.length === b.faults.length &&
		a.faults.length > 0 &&
		a.faults.every(({ fault }, i) => fault === b.faults[i]!.fault) &&
		a.faults.at(-1)!.severity.second === b.faults.at(-1)!.severity.second &&
		a.faults.at(-1)!.severity.size < b.faults.at(-1)!.severity.size &&
		a.faults.at(-1)!.fault.severities.length > 3;
	for (let c = 1; c < classes.length; c++) {
		if (!follows(classes[c - 1], classes[c])) continue;
		const gap = Math.abs(value[c]! - value[c - 1]!) / Math.sqrt(24);
		if (!Number.isFinite(gap)) continue;
		sigma[c] = Math.hypot(sigma[c]!, gap);
		sigma[c - 1] = Math.hypot(sigma[c - 1]!, gap);
	}
}

/** Readings of equal build at nearly equal volts share a table. */
export function tableKey(
	{ string }: Pick<GroupReading, 'string'>,
	atVoltage: number | null
): string {
	return [
		string.moduleCount,
		string.cableResistance,
		string.fuse !== null,
		string.blockingDiode,
		string.devices === null || string.devices === 'unknown' ? '' : string.devices.modulesPerDevice,
		// Modules of another type, by number.
		...string.modules.flatMap(({ number, moduleTypeId }) =>
			moduleTypeId === null ? [] : `${number}:${moduleTypeId}`
		),
		// Within two percent the slope carries the current from one to the other.
		atVoltage === null ? '' : Math.round(Math.log(Math.max(atVoltage, 1)) / 0.02)
	].join();
}
