import { placeAt } from '../../../tests/support/places';
import { judgeByModel, expectedAt } from '../assessment';
import { effectiveVisit } from '../visit';
import { describe, expect, it } from 'vitest';
import { arrayRecord, visitOf } from '../../../tests/support/scenario';
import { BusSource, StringSource } from '../circuit';
import type { ArrayRecord } from '../record';
import { inputAtConditions } from './at-conditions';

const record = arrayRecord();
const visit = visitOf({ record });
const [a1] = record.strings;

describe('an input here and now', () => {
	it('is the asked string with those on the same input, as the record has them', () => {
		const here = inputAtConditions(record, effectiveVisit(record, visit), a1!.id)!;
		expect(here.subject).toBe('A1');
		expect(here.bus.strings.map(({ name }) => name)).toEqual(['A1', 'A2', 'A3', 'A4']);
	});

	it('has the volts that are expected of the string', () => {
		const { bus } = inputAtConditions(record, effectiveVisit(record, visit), a1!.id)!;
		const { places } = judgeByModel(record, effectiveVisit(record, visit));
		const expected = expectedAt(placeAt(places, a1!.id))!.value;
		expect(StringSource.of(bus.strings[0]!, bus, 'source').openVoltage / expected).toBeCloseTo(
			1,
			2
		);
		expect(new BusSource(bus).openVoltage / expected).toBeCloseTo(1, 2);
	});

	it('is whole, whatever was read at it', () => {
		const dead = visitOf({ record, faults: { A1: { code: 'connector-open' } } });
		const { bus } = inputAtConditions(record, effectiveVisit(record, dead), a1!.id)!;
		expect(
			bus.strings.every(({ modules }) => modules.every(({ state }) => state === 'whole'))
		).toBe(true);
	});

	it('is the string alone where its input is not known', () => {
		const loose: ArrayRecord = {
			...record,
			strings: record.strings.map((string, i) => (i === 0 ? { ...string, input: null } : string))
		};
		expect(
			inputAtConditions(loose, effectiveVisit(loose, visit), a1!.id)!.bus.strings.map(
				({ name }) => name
			)
		).toEqual(['A1']);
	});

	it('is nothing without conditions, without the type, or of a string that is not there', () => {
		expect(
			inputAtConditions(record, effectiveVisit(record, { ...visit, conditions: [] }), a1!.id)
		).toBeNull();
		expect(
			inputAtConditions(
				{ ...record, moduleTypes: [] },
				effectiveVisit({ ...record, moduleTypes: [] }, visit),
				a1!.id
			)
		).toBeNull();
		expect(inputAtConditions(record, effectiveVisit(record, visit), 'gone')).toBeNull();
	});
});
