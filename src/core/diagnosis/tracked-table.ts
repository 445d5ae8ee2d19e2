import type { StringCircuit } from '../circuit';
import {
	commonMaximumVoltage,
	commonVoltages,
	currentOf,
	maximumPowerVoltage,
	modulesAtShift,
	type PeerGroup,
	type Shift,
	stringAtConditions,
	type TrackedVoltage
} from '../expectation';
import { usualState } from '../visit';
import type { StringRecord } from '../record';
import type { Family } from '../faults';
import type { FaultOfSize, StringClass } from './string-class';
import { circuitUnder, widenByGaps, type ClassTable } from './string-table';

/** From the middle of the table to each side: relative light and K. */
const STEP = { light: 0.04, heat: 4 };
/** Faults that leave the readings of a string almost as they were, if they are small. */
const HIDDEN: readonly Family[] = ['low-current', 'inside', 'lost-section'];
const isHidden = ({ fault }: FaultOfSize) => HIDDEN.includes(fault.family);

/** An input at which nothing runs shows a little voltage at the most, share of the healthy one; Zembo default. */
const REST = 0.015;

/**
 * What every class of a string makes of the operating voltage of its tracker: the maximum of the string as
 * the class leaves it, or nothing where no current can flow.
 */
export function trackedTable(
	group: PeerGroup,
	string: StringRecord,
	classes: readonly StringClass[],
	{ expected, known, partners }: TrackedVoltage,
	centre: Shift
): ClassTable {
	const count = classes.length;
	const list = () => new Float64Array(count);
	const table = {
		value: list(),
		perLight: list(),
		perHeat: list(),
		perVolt: list(),
		sigma: list(),
		scatterUnit: list(),
		scale: 1.4 * expected,
		atVolts: null
	};
	const at = (shift: Shift) =>
		stringAtConditions(string, group.model, modulesAtShift(group, shift));
	const alone = partners.length === 0;
	const usual = usualState('operating-current');
	const state = alone ? { ...usual, siblings: 'isolated' as const } : usual;
	const healthy = at(centre);
	const others = alone ? null : currentOf(partners, commonVoltages(expected));
	const voltageOf = (circuit: StringCircuit) =>
		others ? commonMaximumVoltage(circuit, expected, others) : maximumPowerVoltage(circuit);
	const best = voltageOf(healthy);
	const { light: irradiance, heat: cellTemperature } = centre;
	const slope = (up: Shift, down: Shift, span: number) =>
		Math.log(maximumPowerVoltage(at(up)) / maximumPowerVoltage(at(down))) / span;
	const slopes = {
		light: slope(
			{ light: irradiance + STEP.light, heat: cellTemperature },
			{ light: irradiance - STEP.light, heat: cellTemperature },
			2 * STEP.light
		),
		heat: slope(
			{ light: irradiance, heat: cellTemperature + STEP.heat },
			{ light: irradiance, heat: cellTemperature - STEP.heat },
			2 * STEP.heat
		)
	};
	const seen = new Map<string, number>();
	classes.forEach((one, c) => {
		const key = one.faults
			.map(({ fault, severity }) => `${fault.code} ${severity.size} ${severity.second ?? ''}`)
			.join('+');
		const circuit = circuitUnder(one, healthy, state);
		if (!circuit) {
			table.value[c] = NaN;
			table.sigma[c] = 1;
			return;
		}
		// Beside other strings only what shows in no reading of its own is worth the search.
		const unchanged = circuit === healthy || (!alone && !one.faults.every(isHidden));
		const value = unchanged ? best : (seen.get(key) ?? voltageOf(circuit));
		seen.set(key, value);
		const runs = value > 0.02 * best;
		table.value[c] = runs ? value : 0;
		table.perLight[c] = runs ? value * slopes.light : 0;
		table.perHeat[c] = runs ? value * slopes.heat : 0;
		table.sigma[c] = runs ? value * known : REST * best;
		table.scatterUnit[c] = runs ? value : 0;
	});
	widenByGaps(classes, table.value, table.sigma);
	return table;
}
