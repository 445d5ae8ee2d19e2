import { describe, expect, it } from 'vitest';
import { peersOf } from '../../../tests/support/peers';
import { arrayRecord, visitOf } from '../../../tests/support/scenario';
import { NO_SHIFT, type GroupReading } from '../expectation/group';
import { stringKey } from '../visit';
import { classesOf, type StringClass } from './string-class';
import { classTable, predictUnder, scaleOf, spreadOf, tableKey } from './string-table';

const record = arrayRecord();
const string = record.strings[0]!;
const visit = visitOf({ record });
const group = peersOf(record, visit);
const READ = new Set(['open-circuit-voltage', 'operating-current'] as const);
const classes = classesOf(string, record.moduleTypes[0]!, {}, READ);
const WHOLE = classes[0];
const only = (code: string): StringClass =>
	classes.find(({ faults }) => faults.length === 1 && faults[0]!.fault.code === code)!;
const VOLTAGE = 366;
const voltageTable = classTable(group, string, classes, 'open-circuit-voltage', null, NO_SHIFT);
const currentTable = classTable(group, string, classes, 'operating-current', VOLTAGE, NO_SHIFT);
const under = (one: StringClass, quantity: 'open-circuit-voltage' | 'operating-current') =>
	predictUnder(
		one,
		group,
		string,
		quantity,
		quantity === 'operating-current' ? VOLTAGE : null,
		NO_SHIFT
	)!.value;

describe('what a class predicts', () => {
	it('of a missing module is a twelfth less volts, and less current at the same bus', () => {
		const voltage = under(WHOLE, 'open-circuit-voltage');
		expect(under(only('module-missing'), 'open-circuit-voltage') / voltage).toBeCloseTo(11 / 12, 3);
		const current = under(WHOLE, 'operating-current');
		expect(under(only('module-missing'), 'operating-current')).toBeLessThan(0.95 * current);
	});

	it('of a blown fuse leaves the volts and takes the current', () => {
		const fuse = only('fuse-blown');
		expect(under(fuse, 'open-circuit-voltage')).toBeCloseTo(
			under(WHOLE, 'open-circuit-voltage'),
			3
		);
		expect(under(fuse, 'operating-current')).toBeCloseTo(0, 3);
	});

	it('of swapped leads turns the volts round', () => {
		expect(under(only('connector-reversed'), 'open-circuit-voltage')).toBeCloseTo(
			-under(WHOLE, 'open-circuit-voltage'),
			3
		);
	});
});

describe('a table of classes', () => {
	it('has the figure of each class, those that share a circuit too', () => {
		classes.forEach((one, c) => {
			const voltage = predictUnder(one, group, string, 'open-circuit-voltage', null, NO_SHIFT);
			if (voltage) expect(voltageTable.value[c]).toBeCloseTo(voltage.value, 6);
			const current = predictUnder(one, group, string, 'operating-current', VOLTAGE, NO_SHIFT);
			if (current) expect(Math.abs(currentTable.value[c]! - current.value)).toBeLessThan(0.002);
		});
	});

	it('carries the whole string’s figures along irradiance and heat', () => {
		const shift = { irradiance: 0.01, cellTemperature: 1 };
		const carried =
			voltageTable.value[0]! + 0.01 * voltageTable.perIrradiance[0]! + voltageTable.perKelvin[0]!;
		const there = predictUnder(WHOLE, group, string, 'open-circuit-voltage', null, shift)!.value;
		expect(carried / there).toBeCloseTo(1, 5);
		expect(voltageTable.perKelvin[0]).toBeLessThan(0);
		expect(currentTable.perIrradiance[0]).toBeGreaterThan(0);
	});

	it('carries running current along the volts of the bus', () => {
		const there = predictUnder(
			WHOLE,
			group,
			string,
			'operating-current',
			VOLTAGE + 2,
			NO_SHIFT
		)!.value;
		expect(currentTable.value[0]! + 2 * currentTable.perVolt[0]!).toBeCloseTo(there, 2);
	});

	it('is less certain of a size beside its neighbour by the gap to it', () => {
		const at = (code: string) =>
			classes.flatMap(({ faults }, c) =>
				faults.length === 1 && faults[0]!.fault.code === code ? [c] : []
			);
		const sizes = at('soiling');
		expect(sizes.length).toBeGreaterThan(3);
		for (const c of sizes) {
			const alone = classTable(
				group,
				string,
				[classes[c]!],
				'operating-current',
				VOLTAGE,
				NO_SHIFT
			);
			expect(currentTable.sigma[c]).toBeGreaterThan(alone.sigma[0]!);
		}
	});

	it('is less certain of all by the volts of the bus where those are unsure', () => {
		const unsure = classTable(group, string, [WHOLE], 'operating-current', VOLTAGE, NO_SHIFT, 10);
		const sure = classTable(group, string, [WHOLE], 'operating-current', VOLTAGE, NO_SHIFT);
		expect(unsure.sigma[0]).toBeGreaterThan(sure.sigma[0]!);
		expect(unsure.value[0]).toBe(sure.value[0]);
	});

	it('is never surer than a floating end or a clamp at rest', () => {
		const dead = { value: 0, perVolt: 0 } as never;
		expect(spreadOf(group, string, 'operating-current', VOLTAGE, dead)).toBeGreaterThan(0.05);
		expect(spreadOf(group, string, 'open-circuit-voltage', null, dead)).toBeGreaterThan(3);
	});

	it('has a scale that no reading of the place exceeds by much', () => {
		expect(scaleOf(group, string, 'open-circuit-voltage')).toBeGreaterThan(
			under(WHOLE, 'open-circuit-voltage')
		);
		expect(scaleOf(group, string, 'operating-current')).toBeGreaterThan(
			under(WHOLE, 'operating-current')
		);
	});
});

describe('readings that share a table', () => {
	const item = (label: string, quantity: 'open-circuit-voltage' | 'operating-current') =>
		group.shared.get(
			stringKey(record.strings.find((one) => one.label === label)!.id, quantity)
		)! as GroupReading;

	it('are of equal build and at about equal voltage', () => {
		const a1 = item('A1', 'operating-current');
		expect(tableKey(item('A2', 'operating-current'), 366)).toBe(tableKey(a1, 366.4));
		expect(tableKey(a1, 340)).not.toBe(tableKey(a1, 366));
	});

	it.each([
		['another length', { moduleCount: 11 }],
		['no fuse', { fuse: null }],
		['another cable', { cableResistance: 1.4 }],
		['a blocking diode', { blockingDiode: 'silicon' as const }]
	])('are not of %s', (_, change) => {
		const a1 = item('A1', 'open-circuit-voltage');
		expect(tableKey({ ...a1, string: { ...a1.string, ...change } }, null)).not.toBe(
			tableKey(a1, null)
		);
	});
});
