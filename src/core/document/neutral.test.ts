import { judgeByModel } from '../assessment';
import { effectiveVisit, isStringReading } from '../visit';
import { describe, expect, it } from 'vitest';
import { NAMEPLATE } from '../../../tests/support/scenario';
import { partsOf } from '../record';
import { looksNeutral, readNeutral, type NeutralVisit } from './neutral';

const string = (id: string, more = {}) => ({
	id,
	input: 'M1',
	modules: 12,
	type: 'Type 335',
	fuse: { rating: 15 },
	...more
});
const reading = (id: string, quantity: string, place: object, value: number | null) => ({
	id,
	quantity,
	place,
	value
});
const given = () => ({
	record: {
		moduleTypes: { 'Type 335': NAMEPLATE },
		yearsInService: 6,
		strings: [string('S1'), string('S2'), string('S3')]
	},
	conditions: {
		irradiance: { value: 812, relativeStandardUncertainty: 0.03 },
		cellTemperature: { value: 46, standardUncertainty: 2 }
	},
	readings: [
		reading('r1', 'string-voc-isolated', { string: 'S1' }, 452.1),
		reading('r2', 'string-voc-isolated', { string: 'S2' }, 451.4),
		reading('r3', 'input-volts-operating', { input: 'M1' }, 366),
		reading('r4', 'string-current-operating', { string: 'S1' }, 8.02)
	] as object[]
});
const read = (data: unknown): NeutralVisit => {
	const result = readNeutral(data);
	if (!result.ok) throw new Error(`${result.problem.what} at ${result.problem.where}`);
	return result.value;
};
const refused = (data: unknown) => {
	const result = readNeutral(data);
	if (result.ok) throw new Error('It was taken.');
	return result.problem;
};

describe('data of another hand', () => {
	it('are told from a visit file by what they hold', () => {
		expect(looksNeutral(given())).toBe(true);
		expect(looksNeutral({ ...given(), format: 'zembo-visit' })).toBe(false);
		for (const other of [null, 'record', 7, [], {}, { record: {} }]) {
			expect(looksNeutral(other)).toBe(false);
		}
	});
});

describe('a neutral visit', () => {
	it('becomes a record with its strings and types', () => {
		const { record } = read(given());
		expect(record.strings.map(({ label }) => label)).toEqual(['S1', 'S2', 'S3']);
		expect(record.moduleTypes[0]).toMatchObject({ name: 'Type 335', plate: NAMEPLATE });
		expect(record.strings[0]).toMatchObject({
			moduleCount: 12,
			moduleTypeId: record.moduleTypes[0]!.id,
			fuse: { rating: 15 },
			blockingDiode: 'none',
			devices: null,
			input: 'M1'
		});
	});

	it('leads back to the keys it came with', () => {
		const { visit, record, stringOf, readingOf, voltageOf } = read(given());
		expect(visit.readings.map(({ id }) => readingOf.get(id))).toEqual(['r1', 'r2', 'r4']);
		expect(stringOf.get(record.strings[2]!.id)).toBe('S3');
		expect(voltageOf.get('M1')).toBe('r3');
	});

	it('gives running current the volts of its input', () => {
		const current = read(given()).visit.readings.find(isStringReading)!;
		expect(current.atVolts).toBeNull();
		const running = read(given()).visit.readings.find(
			({ quantity }) => quantity === 'operating-current'
		);
		expect(running).toMatchObject({ value: 8.02, atVolts: 366 });
	});

	it('leaves out what Zembo has no place for, and current whose volts are not known', () => {
		const data = given();
		data.readings = [
			reading('a', 'string-current-operating', { string: 'S1' }, 8),
			reading('b', 'weight-of-module', { string: 'S1' }, 21),
			reading('c', 'string-voc-isolated', {}, 450),
			reading('d', 'string-voc-isolated', { string: 'S1' }, null)
		];
		expect(read(data).visit.readings).toEqual([]);
	});

	it('holds a fuse over range open, in the pole it was read at', () => {
		const data = given();
		data.readings = [
			reading('f', 'fuse-resistance', { string: 'S2', pole: 'negative' }, null),
			reading('g', 'fuse-resistance', { string: 'S2' }, 0.03)
		];
		const [open, whole] = read(data).visit.readings;
		expect(open!.place).toMatchObject({ kind: 'fuse', pole: 'negative' });
		expect(open!.value).toBeGreaterThan(1e6);
		expect(whole!.place).toMatchObject({ kind: 'fuse', pole: 'positive' });
	});

	it('has the inverter’s display as a place where there is an inverter', () => {
		const data = given();
		const fed = {
			...data,
			record: { ...data.record, inverter: { acPower: 10_000, inputs: 2 } },
			readings: [reading('w', 'inverter-ac-power', { inverter: true }, 8400)]
		};
		const { record, visit } = read(fed);
		const [inverter] = partsOf(record.parts, 'inverter');
		expect(inverter!.specs.acWatts).toBe(10_000);
		expect(visit.readings[0]!.place).toEqual({
			kind: 'part',
			part: inverter!.id,
			point: 'display'
		});
	});

	it('has shutdown devices of the volts it tells', () => {
		const data = given();
		data.record.strings = [string('S1', { rsd: { modulesPerDevice: 2, safeVolts: 1 } })];
		data.readings = [];
		const { record } = read(data);
		const [device] = partsOf(record.parts, 'rapid-shutdown-device');
		expect(device!.specs.offVolts).toBe(1);
		expect(record.strings[0]!.devices).toEqual({
			kind: 'rapid-shutdown',
			modulesPerDevice: 2,
			part: device!.id
		});
	});

	it('takes a meter’s limits from the first reading that tells them', () => {
		const data = given();
		const meter = { pctOfReading: 0.5, counts: 2, resolution: 0.1 };
		data.readings = [{ ...(data.readings[0] as object), meter }];
		expect(read(data).visit.meters.volts).toMatchObject(meter);
	});
});

describe('the conditions of a neutral visit', () => {
	it('are sensor and probe where it has them', () => {
		expect(read(given()).visit.conditions[0]).toMatchObject({
			irradiance: { value: 812, relativeStandardUncertainty: 0.03, source: 'sensor-in-plane' },
			cellTemperature: { value: 46, standardUncertainty: 2, source: 'probe-on-back' }
		});
	});

	it('are clear sky and air where it has none', () => {
		const { visit } = read({
			...given(),
			conditions: {
				irradiance: null,
				clearSky: { value: 790, relativeStandardUncertainty: 0.12 },
				cellTemperatureFromAir: { value: 44 }
			}
		});
		expect(visit.conditions[0]).toMatchObject({
			irradiance: { value: 790, source: 'clear-sky' },
			cellTemperature: { value: 44, source: 'from-air', standardUncertainty: 3 }
		});
	});

	it('are none where one of the two is missing, and no verdict is made of them', () => {
		const { record, visit } = read({
			...given(),
			conditions: { irradiance: { value: 812 } }
		});
		expect(visit.conditions).toEqual([]);
		for (const { state } of judgeByModel(record, effectiveVisit(record, visit)).places) {
			expect(state).not.toBe('judged');
		}
	});
});

describe('what does not hold together', () => {
	it('is told with its place: a type that the record does not hold', () => {
		const data = given();
		data.record.strings = [string('S1', { type: 'Type 999' })];
		expect(refused(data)).toEqual({
			what: 'String S1 has modules of type Type 999, which the record does not hold.',
			where: 'record.strings',
			mend: 'Give one of Type 335.'
		});
	});

	it('is told with its place: a reading of a string that is not there', () => {
		const data = given();
		data.readings.push(reading('r9', 'string-voc-isolated', { string: 'X7' }, 450));
		expect(refused(data)).toMatchObject({
			what: expect.stringMatching(/r9 is of string X7/),
			where: 'readings'
		});
	});

	it('is told with its place: a label that is none', () => {
		const data = given();
		const { where } = refused({
			...data,
			record: { ...data.record, moduleTypes: { 'Type 335': { ...NAMEPLATE, voc: -1 } } }
		});
		expect(where).toBe('record.moduleTypes.Type 335.voc');
	});

	it.each([
		['no strings', { record: { ...given().record, strings: [] } }],
		['years that are none', { record: { ...given().record, yearsInService: -4 } }],
		['readings in words', { readings: 'none' }]
	])('is told: %s', (_, change) => {
		const { what, mend } = refused({ ...given(), ...change });
		expect(what).not.toBe('');
		expect(mend).not.toBe('');
	});
});
