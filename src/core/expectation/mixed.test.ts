import { judged, placeAt } from '../../../tests/support/places';
import { judgeByModel, reasonAt } from '../assessment';
import { effectiveVisit, stringOfPlace } from '../visit';
import { describe, expect, it } from 'vitest';
import { arrayRecord, NAMEPLATE, testId, visitOf } from '../../../tests/support/scenario';
import { openCircuitVoltage } from '../module';
import type { ArrayRecord } from '../record';
import { agedModel, alike, moduleAtConditions, predictValue, stringAtConditions } from './predict';

const record = arrayRecord(['A1', 'A2']);
const [type] = record.moduleTypes;
const other = {
	...type!,
	id: testId(2),
	name: 'Other',
	plate: { ...NAMEPLATE, voc: 45.4, vmp: 37.1, cellsInSeries: 72 }
};
const detail = { serial: null, deviceCode: null, year: null, state: null };
/** A1 with its third module of the other type. */
const mixed: ArrayRecord = {
	...record,
	moduleTypes: [type!, other],
	strings: record.strings.map((string, i) =>
		i === 0 ? { ...string, modules: [{ ...detail, number: 3, moduleTypeId: other.id }] } : string
	)
};

describe('a string with a module of another type', () => {
	it('is expected to give the sum of its modules’ volts', () => {
		const model = agedModel(type!, 0);
		const main = moduleAtConditions(model, 800, 45);
		const module = moduleAtConditions(agedModel(other, 0), 800, 45);
		const here = { main, others: new Map([[other.id, { module, type: other }]]) };
		const circuit = stringAtConditions(mixed.strings[0]!, model, here);
		expect(circuit.modules.map(({ count }) => count)).toEqual([2, 1, 9]);
		expect(predictValue(circuit, 'open-circuit-voltage', null)).toBeCloseTo(
			11 * openCircuitVoltage(main) + openCircuitVoltage(module),
			3
		);
		const plain = stringAtConditions(mixed.strings[1]!, model, alike(main));
		expect(plain.modules).toHaveLength(1);
	});

	it('fits where its volts are right, and is the less so the more of them is missing', () => {
		const visit = visitOf({ record });
		const verdict = (voltage: number) => {
			const readings = visit.readings.map((reading) =>
				stringOfPlace(reading.place) === mixed.strings[0]!.id &&
				reading.quantity === 'open-circuit-voltage'
					? { ...reading, value: voltage }
					: reading
			);
			const { places } = judgeByModel(mixed, effectiveVisit(mixed, { ...visit, readings }));
			return judged(placeAt(places, mixed.strings[0]!.id));
		};
		const alikeVoltage = visit.readings[0]!.value;
		const right = verdict(alikeVoltage).expected.value;
		expect(right - alikeVoltage).toBeGreaterThan(3);
		expect(verdict(right).verdict).toBe('pass');
		expect(verdict(alikeVoltage).distance).toBeLessThan(-1.2);
		expect(verdict(alikeVoltage - (right - alikeVoltage)).verdict).not.toBe('pass');
	});
});

describe('a branch of micro-inverters', () => {
	it('has no expected volts, and says why', () => {
		const branch: ArrayRecord = {
			...record,
			strings: record.strings.map((string) => ({
				...string,
				devices: { kind: 'micro-inverter', modulesPerDevice: 1, part: null }
			}))
		};
		const { places, groups } = judgeByModel(
			branch,
			effectiveVisit(branch, { ...visitOf({ record }), readings: [] })
		);
		expect(groups).toEqual([]);
		expect(reasonAt(places[0]!)).toContain('this branch carries AC');
	});
});
