import type { ArrayRecord, ModuleType, StringRecord } from '../circuit/record';
import type { Conditions } from '../conditions/conditions';
import { openCircuitVoltage, type SingleDiode } from '../module/single-diode';
import { EVEN_DIRT } from './allowances';
import { combine, ownDoubt, sharedDoubt, type Contribution, type SharedDoubt } from './error-model';
import {
	agedModel,
	moduleHere,
	predictReading,
	predictValue,
	stringHere,
	type AgedModel,
	type Prediction
} from './predict';
import { estimateShared, type SharedEstimate, type SharedReading, type Shift } from './siblings';
import { placeKey } from './standing';
import type { Quantity, Reading, Visit } from './visit';

/**
 * The strings of one module type: they share light, heat and their label's common error, so they
 * are each other's yardstick. All strings of a site are taken to lie in one plane.
 */
export interface SiblingGroup {
	readonly model: AgedModel;
	readonly strings: readonly StringRecord[];
	readonly conditions: Conditions;
	readonly meters: Visit['meters'];
	readonly doubt: SharedDoubt;
	/** The standing readings of these strings by place, as seen by the estimate. */
	readonly shared: ReadonlyMap<string, GroupReading>;
	/** Distinct answers for effective light and heat, best first. */
	readonly estimates: readonly [SharedEstimate, ...SharedEstimate[]];
}

export interface GroupReading extends SharedReading {
	readonly reading: Reading;
	readonly string: StringRecord;
	readonly contributions: readonly Contribution[];
}

/** One module of the group at a shift from the stated conditions. */
export function moduleAtShift(
	group: Pick<SiblingGroup, 'model' | 'conditions'>,
	shift: Shift
): SingleDiode {
	const light = group.conditions.irradiance.value * (1 - EVEN_DIRT.loss) * Math.exp(shift.light);
	return moduleHere(group.model, light, group.conditions.cellTemperature.value + shift.heat);
}

/** What a whole string of the group would read at a shift. */
export function predictAtShift(
	group: Pick<SiblingGroup, 'model' | 'conditions'>,
	string: StringRecord,
	quantity: Quantity,
	atVolts: number | null,
	shift: Shift
): Prediction {
	const circuit = stringHere(string, group.model, moduleAtShift(group, shift));
	return predictReading(circuit, quantity, atVolts);
}

export const NO_SHIFT: Shift = { light: 0, heat: 0 };

/** Relative change of Voc per kelvin at the stated conditions, 1/K. */
function voltsPerKelvin(group: Pick<SiblingGroup, 'model' | 'conditions'>): number {
	const volts = (heat: number) => openCircuitVoltage(moduleAtShift(group, { light: 0, heat }));
	return (volts(0.5) - volts(-0.5)) / volts(0);
}

function median(values: readonly number[]): number | null {
	if (values.length === 0) return null;
	const sorted = [...values].sort((a, b) => a - b);
	const middle = sorted.length >> 1;
	return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/** A start for the estimate where most strings agree, however far that is from what was stated. */
function siblingStart(readings: readonly GroupReading[], perKelvin: number): Shift {
	const ratios = (quantity: 'volts' | 'amps') =>
		readings
			.filter(
				({ reading }) => (reading.quantity === 'open-circuit-voltage') === (quantity === 'volts')
			)
			.map((r) => r.measured / r.at(NO_SHIFT))
			.filter((ratio) => Number.isFinite(ratio) && ratio > 0.05);
	const volts = median(ratios('volts'));
	const amps = median(ratios('amps'));
	return {
		light: amps === null ? 0 : Math.log(amps),
		heat: volts === null ? 0 : (volts - 1) / perKelvin
	};
}

/**
 * Gathers the strings of one module type with their standing readings and estimates their shared
 * light and heat.
 */
export function siblingGroup(
	type: ModuleType,
	record: ArrayRecord,
	years: number,
	conditions: Conditions,
	meters: Visit['meters'],
	standing: ReadonlyMap<string, Reading>
): SiblingGroup {
	const model = agedModel(type, years);
	const base = { model, conditions };
	const strings = record.strings.filter((string) => string.moduleTypeId === type.id);
	const perKelvin = voltsPerKelvin(base);
	const doubt = sharedDoubt(conditions, type, years, meters, perKelvin);
	const shared = new Map<string, GroupReading>();
	for (const string of strings) {
		for (const quantity of [
			'open-circuit-voltage',
			'operating-current',
			'short-circuit-current'
		] as const) {
			const key = placeKey(string.id, quantity);
			const reading = standing.get(key);
			if (!reading) continue;
			const prediction = predictAtShift(base, string, quantity, reading.atVolts, NO_SHIFT);
			const contributions = ownDoubt(quantity, prediction, string, type, meters, reading.atVolts);
			shared.set(key, {
				reading,
				string,
				contributions,
				measured: reading.value,
				ownSigma: combine(contributions),
				at: (shift) =>
					predictValue(
						stringHere(string, model, moduleAtShift(base, shift)),
						quantity,
						reading.atVolts
					)
			});
		}
	}
	const readings = [...shared.values()];
	const estimates = estimateShared(readings, doubt, [siblingStart(readings, perKelvin)]);
	return { model, strings, conditions, meters, doubt, shared, estimates };
}
