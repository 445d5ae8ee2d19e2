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

/** From the middle of the table to each side: relative irradiance and K. */
const STEP = { irradiance: 0.04, cellTemperature: 4 };
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
		perIrradiance: list(),
		perKelvin: list(),
		perVolt: list(),
		sigma: list(),
		scatterUnit: list(),
		scale: 1.4 * expected,
		atVoltage: null
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
	const { irradiance, cellTemperature } = centre;
	const slope = (up: Shift, down: Shift, span: number) =>
		Math.log(maximumPowerVoltage(at(up)) / maximumPowerVoltage(at(down))) / span;
	const slopes = {
		irradiance: slope(
			{ irradiance: irradiance + STEP.irradiance, cellTemperature },
			{ irradiance: irradiance - STEP.irradiance, cellTemperature },
			2 * STEP.irradiance
		),
		cellTemperature: slope(
			{ irradiance, cellTemperature: cellTemperature + STEP.cellTemperature },
			{ irradiance, cellTemperature: cellTemperature - STEP.cellTemperature },
			2 * STEP.cellTemperature
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
		table.perIrradiance[c] = runs ? value * slopes.irradiance : 0;
		table.perKelvin[c] = runs ? value * slopes.cellTemperature : 0;
		table.sigma[c] = runs ? value * known : REST * best;
		table.scatterUnit[c] = runs ? value : 0;
	});
	widenByGaps(classes, table.value, table.sigma);
	return table;
}
