import { describe, expect, it } from 'vitest';
import { peersOf } from '../../../tests/support/peers';
import {
	NAMEPLATE,
	arrayRecord,
	normalFrom,
	testId,
	visitOf
} from '../../../tests/support/scenario';
import { openCircuitVoltage } from '../module';
import type { ArrayRecord } from '../record';
import {
	isDead,
	moduleAtShift,
	modulesAtShift,
	NO_SHIFT,
	predictAtShift,
	type PeerGroup
} from './group';
import { stringKey, type Visit } from '../visit';
import { rmsOf } from './scatter';

const record = arrayRecord();
const groupOf = (visit: Visit, array: ArrayRecord = record) => peersOf(array, visit);
const keyAt = (label: string, quantity: 'open-circuit-voltage' | 'operating-current') =>
	stringKey(record.strings.find((string) => string.label === label)!.id, quantity);

describe('a module at a shift from the stated conditions', () => {
	const group = groupOf(visitOf({ record }));

	it('generates in proportion to the light, by its logarithm', () => {
		const at = (irradiance: number) =>
			moduleAtShift(group, { irradiance, cellTemperature: 0 }).photocurrent;
		expect(at(Math.log(1.1)) / at(0)).toBeCloseTo(1.1, 9);
		expect(at(0.05) * at(-0.05)).toBeCloseTo(at(0) ** 2, 9);
	});

	it('loses volts as it gets hotter, about as its label says', () => {
		const voltage = (cellTemperature: number) =>
			openCircuitVoltage(moduleAtShift(group, { irradiance: 0, cellTemperature }));
		const per = (voltage(5) - voltage(-5)) / 10 / NAMEPLATE.voc;
		expect(100 * per).toBeCloseTo(NAMEPLATE.betaVocPctPerK!, 1);
	});

	it('of twelve makes a string, whose volts are theirs', () => {
		const { value } = predictAtShift(
			group,
			record.strings[0]!,
			'open-circuit-voltage',
			null,
			NO_SHIFT
		);
		expect(value).toBeCloseTo(12 * openCircuitVoltage(moduleAtShift(group, NO_SHIFT)), 3);
	});
});

describe('modules of another type among the strings', () => {
	const other = testId(9);
	const mixed: ArrayRecord = {
		...record,
		moduleTypes: [
			...record.moduleTypes,
			{ ...record.moduleTypes[0]!, id: other, plate: { ...NAMEPLATE, voc: 45.2, vmp: 37 } }
		],
		strings: record.strings.map((string, i) =>
			i === 0
				? {
						...string,
						modules: [{ number: 3, moduleTypeId: other, opposed: false, serial: '', note: '' }]
					}
				: string
		) as ArrayRecord['strings']
	};

	it('are carried along with the shift, beside the main ones', () => {
		const group = groupOf(visitOf({ record }), mixed);
		expect(group.companions.map(({ type }) => type.id)).toEqual([other]);
		const { main, others } = modulesAtShift(group, NO_SHIFT);
		expect(openCircuitVoltage(others.get(other)!.module)).toBeGreaterThan(
			1.08 * openCircuitVoltage(main)
		);
	});

	it('raise the volts of the one string in which they stand', () => {
		const group = groupOf(visitOf({ record }), mixed);
		const voltage = (index: number) =>
			predictAtShift(group, mixed.strings[index]!, 'open-circuit-voltage', null, NO_SHIFT).value;
		const gain = voltage(0) - voltage(1);
		expect(gain).toBeGreaterThan(3);
		expect(gain).toBeLessThan(6);
	});

	it('are none where no string holds them', () => {
		const idle = { ...mixed, strings: record.strings };
		expect(groupOf(visitOf({ record }), idle).companions).toEqual([]);
	});
});

describe('the readings of a group', () => {
	it('are all of them, dead ones too, though those tell nothing of light and heat', () => {
		const visit = visitOf({
			record,
			faults: { A2: { code: 'connector-open' }, B1: { code: 'connector-reversed' } }
		});
		const group = groupOf(visit);
		expect(group.shared.size).toBe(16);
		const dead = [...group.shared].filter(([, item]) => isDead(group, item)).map(([key]) => key);
		expect(dead.sort()).toEqual(
			[
				keyAt('A2', 'open-circuit-voltage'),
				keyAt('A2', 'operating-current'),
				keyAt('B1', 'open-circuit-voltage'),
				keyAt('B1', 'operating-current')
			].sort()
		);
		expect(group.estimates[0].items).toHaveLength(12);
	});

	it('taken in a state of their own are not asked about light and heat', () => {
		const visit = visitOf({ record });
		const covered: Visit = {
			...visit,
			readings: visit.readings.map((reading, i) =>
				i === 0 ? { ...reading, state: { ...reading.state!, covered: true } } : reading
			)
		};
		expect(groupOf(covered).shared.has(keyAt('A1', 'open-circuit-voltage'))).toBe(false);
		const unsaid: Visit = {
			...visit,
			readings: visit.readings.map((reading) => ({ ...reading, state: null }))
		};
		expect(groupOf(unsaid).shared.size).toBe(0);
		expect(groupOf(unsaid).estimates[0].shift).toEqual(NO_SHIFT);
	});

	it('read in light that moved are carried to the light that stands', () => {
		const visit = visitOf({ record });
		const [first] = visit.conditions;
		const later: Visit = {
			...visit,
			conditions: [
				first!,
				{
					...first!,
					id: testId(4),
					follows: true,
					enteredAt: '2026-06-01T10:30:00Z',
					irradiance: { ...first!.irradiance, value: 650 }
				}
			]
		};
		const [drift] = [...groupOf(later).shared.values()]
			.filter(({ reading }) => reading.quantity === 'operating-current')
			.map((item) => item.drift);
		// Read in 812 and judged in 650: it would have shown less.
		expect(drift).toBeLessThan(0.85);
		expect(drift).toBeGreaterThan(0.75);
		for (const item of groupOf(visit).shared.values()) expect(item.drift).toBe(1);
	});
});

describe('unsteady light', () => {
	it('is seen in currents that scatter more than meters and modules do, and doubted for', () => {
		const steady = groupOf(visitOf({ record, normal: normalFrom(3) }));
		const visit = visitOf({ record });
		const passing: Visit = {
			...visit,
			readings: visit.readings.map((reading, i) =>
				reading.quantity === 'operating-current'
					? { ...reading, value: reading.value * [0.9, 1.06, 0.97, 1.09][i % 4]! }
					: reading
			)
		};
		const moved = groupOf(passing);
		expect(rmsOf(moved.series.irradiance)).toBeGreaterThan(0.03);
		expect(rmsOf(moved.series.irradiance)).toBeGreaterThan(rmsOf(steady.series.irradiance));
		const uncertaintyOf = (group: PeerGroup) =>
			group.shared.get(keyAt('A1', 'operating-current'))!.ownSigma;
		expect(uncertaintyOf(moved)).toBeGreaterThan(uncertaintyOf(steady));
	});
});
