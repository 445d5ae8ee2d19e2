import { judgeByModel, expectedAt } from '../assessment';
import { effectiveVisit, stringOfPlace } from '../visit';
import { describe, expect, it } from 'vitest';
import { arrayRecord, NAMEPLATE, testId, visitOf } from '../../../tests/support/scenario';
import type { ArrayRecord } from '../record';
import { assess } from './assess';

describe('a string with a module of another type', () => {
	it('is not accused for the volts that its own modules give, beside plain strings of its length', () => {
		const plain = arrayRecord(['A1', 'A2', 'A3', 'A4']);
		const [type] = plain.moduleTypes;
		const other = {
			...type!,
			id: testId(2),
			plate: { ...NAMEPLATE, voc: 20.3, vmp: 16.6, cellsInSeries: 30 }
		};
		const known = { number: 3, serial: null, deviceCode: null, year: null, state: null };
		const record: ArrayRecord = {
			...plain,
			moduleTypes: [type!, other],
			strings: plain.strings.map((string, i) =>
				i === 1 ? { ...string, modules: [{ ...known, moduleTypeId: other.id }] } : string
			)
		};
		const mixed = record.strings[1]!.id;
		const visit = visitOf({ record: plain, quantities: ['open-circuit-voltage'] });
		const { places } = judgeByModel(record, effectiveVisit(record, visit));
		const right = expectedAt(places.find(({ stringId }) => stringId === mixed)!)!.value;
		const readings = visit.readings.map((reading) =>
			stringOfPlace(reading.place) === mixed ? { ...reading, value: right } : reading
		);
		const { causes } = assess(record, { ...visit, readings });
		const accused = causes.filter(({ stringId }) => stringId === mixed);
		for (const { probability } of accused) expect(probability).toBeLessThan(0.5);
	});
});
