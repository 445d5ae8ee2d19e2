import { judged } from '../../../tests/support/places';
import { expectedAt, isRead, verdictAt } from '../assessment';
import { describe, expect, it } from 'vitest';
import { arrayRecord, normalFrom, testId, visitOf } from '../../../tests/support/scenario';
import {
	type Quantity,
	type Reading,
	stringOfPlace,
	stringPlace,
	usualState,
	type Visit
} from '../visit';
import { type ArrayRecord, unknownSpecs } from '../record';
import { assess } from './assess';

/* Causes whose structure once went wrong: each a visit as it may come home, with what must stand first. */

type Change = (reading: Reading, label: string) => Partial<Reading>;

function changed(record: ArrayRecord, visit: Visit, change: Change): Visit {
	const labelOf = (reading: Reading) =>
		record.strings.find(({ id }) => id === stringOfPlace(reading.place))?.label ?? '';
	return {
		...visit,
		readings: visit.readings.map((reading) => ({
			...reading,
			...change(reading, labelOf(reading))
		}))
	};
}
const voltage = ({ quantity }: Reading) => quantity === 'open-circuit-voltage';
const first = (record: ArrayRecord, visit: Visit) => assess(record, visit).causes[0]!;
const codesOf = ({ members }: { members: readonly { code: string }[] }) =>
	members.map(({ code }) => code);
const labelOf = (record: ArrayRecord, id: string | null) =>
	record.strings.find((string) => string.id === id)?.label;

/** Each string alone on its input. */
const alone = arrayRecord(['A1', 'B1', 'C1', 'D1', 'E1']);
const whole = visitOf({ record: alone, normal: normalFrom(3) });

describe('a string alone on its input', () => {
	it('with a blown fuse takes the voltage of its input along', () => {
		const visit = changed(alone, whole, (reading, label) =>
			label === 'A1' && !voltage(reading) ? { value: -0.1, atVolts: -0.1 } : {}
		);
		const blown = {
			...visit,
			readings: [
				...visit.readings,
				{
					...visit.readings[0]!,
					id: testId(7001),
					place: { kind: 'fuse', string: alone.strings[0]!.id, pole: 'positive' } as const,
					quantity: 'fuse-resistance' as const,
					state: usualState('fuse-resistance'),
					value: 1e8
				}
			]
		};
		const line = first(alone, blown);
		expect(codesOf(line)).toContain('fuse-blown');
		expect(line.probability).toBeGreaterThan(0.9);
		const { causes } = assess(alone, visit);
		expect(labelOf(alone, causes[0]!.stringId)).toBe('A1');
		expect(causes[0]!.probability).toBeGreaterThan(0.9);
	});

	it('with an open connector is open, and no reading of its input is wrong', () => {
		const visit = changed(alone, whole, (reading, label) =>
			label === 'A1' ? (voltage(reading) ? { value: 1.1 } : { value: 0, atVolts: 0.1 }) : {}
		);
		const line = first(alone, visit);
		expect(codesOf(line)).toEqual(expect.arrayContaining(['connector-open', 'module-open']));
		expect(line.probability).toBeGreaterThan(0.9);
	});

	it('without a fuse and with nothing behind its switch has an open disconnect', () => {
		const bare = {
			...alone,
			strings: alone.strings.map((string) => ({ ...string, fuse: null }))
		};
		const visit = changed(bare, whole, (reading, label) =>
			label === 'A1' && !voltage(reading) ? { value: -0.1, atVolts: -0.1 } : {}
		);
		const line = first(bare, visit);
		expect(line.members[0]).toMatchObject({ code: 'disconnect-open', place: { input: 'A' } });
		expect(line.probability).toBeGreaterThan(0.8);
	});

	it('with a resistive connector has a low operating voltage, and its tracker is in order', () => {
		const clean = visitOf({ record: alone });
		const visit = changed(alone, clean, (reading, label) =>
			label === 'A1' && !voltage(reading)
				? { atVolts: reading.atVolts! - 8 * reading.value, value: reading.value * 0.995 }
				: {}
		);
		const { causes } = assess(alone, visit);
		expect(labelOf(alone, causes[0]!.stringId)).toBe('A1');
		expect(codesOf(causes[0]!)).toContain('connector-resistive');
		const tracker = causes.find(({ members: [{ code }] }) => code === 'mppt-mode-wrong');
		expect(tracker?.probability ?? 0).toBeLessThan(0.1);
	});
});

describe('two faults on one input', () => {
	const record: ArrayRecord = {
		...arrayRecord(['A1', 'A2', 'B1', 'B2', 'B3']),
		strings: arrayRecord(['A1', 'A2', 'B1', 'B2', 'B3']).strings.map((string) => ({
			...string,
			blockingDiode: 'silicon'
		}))
	};
	const visit = changed(record, visitOf({ record, normal: normalFrom(5) }), (reading, label) => {
		if (!label.startsWith('A')) return {};
		if (voltage(reading)) return label === 'A1' ? { value: 1.1 } : {};
		return { value: 0, atVolts: 0.2 };
	});

	it('are both named; an open disconnect that leaves a voltage unexplained is not certain', () => {
		const { causes } = assess(record, visit);
		const open = causes.find((line) => codesOf(line).includes('connector-open'));
		expect(labelOf(record, open!.stringId)).toBe('A1');
		expect(open!.probability).toBeGreaterThan(0.8);
		const disconnect = causes.find((line) => codesOf(line).includes('disconnect-open'));
		expect(disconnect?.probability ?? 0).toBeLessThanOrEqual(0.8);
	});
});

describe('one cause beats two coincidences', () => {
	it('of strings of two types that were exchanged', () => {
		const other = testId(9);
		const plain = arrayRecord();
		const [type] = plain.moduleTypes;
		const record: ArrayRecord = {
			...plain,
			moduleTypes: [
				type!,
				{ ...type!, id: other, plate: { ...type!.plate, voc: 49, vmp: 40.2, cellsInSeries: 72 } }
			],
			strings: plain.strings.map((string) =>
				string.input === 'B' ? { ...string, moduleTypeId: other } : string
			)
		};
		const built: ArrayRecord = {
			...record,
			strings: record.strings.map((string) => {
				if (string.label === 'A1') return { ...string, moduleTypeId: other };
				return string.label === 'B1' ? { ...string, moduleTypeId: type!.id } : string;
			})
		};
		const visit = visitOf({ record: built, quantities: ['open-circuit-voltage'] });
		const line = first(record, visit);
		expect(codesOf(line)).toEqual(['strings-swapped']);
		expect(line.members[0].place.strings!.map((id) => labelOf(record, id)).sort()).toEqual([
			'A1',
			'B1'
		]);
	});

	it('of a nameplate that is not that of one type, while the other type stands in the same light', () => {
		const other = testId(9);
		const plain = arrayRecord();
		const [type] = plain.moduleTypes;
		const truth = { ...type!, id: other };
		const record: ArrayRecord = {
			...plain,
			moduleTypes: [type!, truth],
			strings: plain.strings.map((string) =>
				string.input === 'B' ? { ...string, moduleTypeId: other } : string
			)
		};
		const visit = visitOf({ record });
		const wrong = {
			...record,
			moduleTypes: [
				type!,
				{ ...truth, plate: { ...truth.plate, isc: 8.4, imp: 7.9, voc: 45, vmp: 37, pmax: 292 } }
			]
		};
		const { causes, remarks } = assess(wrong, visit);
		expect(causes[0]!.members[0].code).toBe('record-wrong');
		expect(causes[0]!.members[0].place.strings).toHaveLength(4);
		expect(remarks.map(({ code }) => code)).toContain('record-contradicted');
	});
});

describe('swapped leads', () => {
	const record = arrayRecord();
	const voltages = visitOf({
		record,
		normal: normalFrom(2),
		quantities: ['open-circuit-voltage']
	});
	const turned = changed(record, voltages, (reading, label) =>
		label === 'A2' ? { value: -reading.value } : {}
	);
	const toEarth = (quantity: Quantity, value: number, n: number): Reading => ({
		...turned.readings[0]!,
		id: testId(7100 + n),
		place: stringPlace(record.strings[1]!.id),
		quantity,
		state: usualState(quantity),
		value
	});

	it('turn both poles to earth round; a meter held wrong once does not', () => {
		const [quantities, values] = [
			['positive-to-earth', 'negative-to-earth'] as const,
			[-120, 60] as const
		];
		const visit = {
			...turned,
			readings: [
				...turned.readings,
				...quantities.map((quantity, n) => toEarth(quantity, values[n]!, n))
			]
		};
		expect(codesOf(first(record, visit))).toEqual(['connector-reversed']);
		const upright = {
			...turned,
			readings: [
				...turned.readings,
				...quantities.map((quantity, n) => toEarth(quantity, -values[n]!, n))
			]
		};
		expect(codesOf(first(record, upright))).toEqual(['reading-wrong']);
	});
});

describe('electronics behind the modules', () => {
	const devices = (kind: 'optimiser' | 'rapid-shutdown', offVoltage: number): ArrayRecord => {
		const plain = arrayRecord();
		const partKind = kind === 'optimiser' ? 'optimiser' : 'rapid-shutdown-device';
		return {
			...plain,
			system: kind === 'optimiser' ? 'optimisers' : 'rapid-shutdown',
			parts: [
				{
					id: testId(300),
					kind: partKind,
					mark: 'Device',
					place: null,
					model: null,
					serial: null,
					to: null,
					specs: { ...unknownSpecs(partKind), offVolts: offVoltage }
				} as ArrayRecord['parts'][number]
			],
			strings: plain.strings.map((string) => ({
				...string,
				devices: { kind, modulesPerDevice: 1, part: testId(300) }
			}))
		};
	};
	const volts = (record: ArrayRecord, value: number) =>
		changed(record, visitOf({ record, quantities: ['open-circuit-voltage'] }), () => ({ value }));

	it('of optimisers are known by the record to be in standby: 12 of 1 V are 12 V', () => {
		const record = devices('optimiser', 1);
		const visit = volts(record, 12);
		// Ticked as if nothing were behind the modules.
		expect(visit.readings[0]!.state!.transmitter).toBe('none');
		const { places, causes } = assess(record, visit);
		const read = places.filter(isRead);
		expect(read.map((place) => verdictAt(place))).toEqual(Array(8).fill('pass'));
		expect(expectedAt(read[0]!)!.value).toBeCloseTo(12, 9);
		for (const { members, probability } of causes) {
			if (members[0].code !== 'healthy') expect(probability).toBeLessThan(0.2);
		}
	});

	it('of rapid shutdown put out less than their library says, and the message counts', () => {
		const record = devices('rapid-shutdown', 5);
		const visit = { ...volts(record, 36), inverterSays: 'rapid shutdown: no signal' };
		const line = first(record, visit);
		expect(line.members[0].code).toBe('rsd-no-signal');
		expect(line.probability).toBeGreaterThan(0.9);
	});
});

describe('an inverter’s message of an earth fault', () => {
	it('makes no fuse of a string whose current nobody read suspicious', () => {
		const record = arrayRecord();
		const visit = {
			...visitOf({ record, quantities: ['open-circuit-voltage'] }),
			inverterSays: 'PV ground fault'
		};
		for (const line of assess(record, visit).causes) {
			if (codesOf(line).some((code) => ['fuse-blown', 'blocking-diode-open'].includes(code))) {
				expect(line.probability).toBeLessThan(0.05);
			}
		}
	});
});

describe('the order of the list', () => {
	it('is that of probability and consequence: a sure fault before a probable nothing', () => {
		const record = arrayRecord();
		const visit = visitOf({
			record,
			faults: { A3: { code: 'fuse-blown' } },
			normal: normalFrom(6)
		});
		const { causes } = assess(record, visit);
		expect(codesOf(causes[0]!)).toContain('fuse-blown');
		const faults = causes.filter(
			({ members: [{ code }] }) => !['healthy', 'reading-wrong'].includes(code)
		);
		const probabilities = faults.map(({ probability }) => probability);
		expect(probabilities.every((p, i) => i === 0 || p <= probabilities[i - 1]! * 1.11)).toBe(true);
	});

	it('names no cause above one half without a reading that is at least marginal', () => {
		const record = arrayRecord();
		for (let seed = 1; seed <= 25; seed++) {
			const { causes, places } = assess(record, visitOf({ record, normal: normalFrom(seed) }));
			for (const { members, probability, stringId } of causes) {
				if (probability <= 0.5 || stringId === null || members[0].code === 'healthy') continue;
				const own = places
					.filter((place) => place.stringId === stringId && isRead(place))
					.map(judged);
				const weak = own.filter(({ distance }) => Math.abs(distance) > 1);
				expect(own.some(({ verdict }) => verdict !== 'pass') || weak.length > 1).toBe(true);
			}
		}
	});
});

describe('an open string whose poles float', () => {
	it('is open, not reversed, though the little it shows has the wrong sign', () => {
		const record = arrayRecord(['A1', 'A2', 'A3', 'A4']);
		const visit = changed(record, visitOf({ record, normal: normalFrom(8) }), (reading, label) =>
			label === 'A2' ? (voltage(reading) ? { value: -2.5 } : { value: 0 }) : {}
		);
		const pole = (
			quantity: 'positive-to-earth' | 'negative-to-earth',
			value: number,
			n: number
		) => ({
			...visit.readings[0]!,
			id: testId(7100 + n),
			place: stringPlace(record.strings[1]!.id),
			quantity,
			state: usualState(quantity),
			value
		});
		const line = first(record, {
			...visit,
			readings: [
				...visit.readings,
				pole('positive-to-earth', -3.6, 1),
				pole('negative-to-earth', 1.4, 2)
			]
		});
		expect(codesOf(line)).toEqual(expect.arrayContaining(['connector-open', 'module-open']));
		expect(line.probability).toBeGreaterThan(0.9);
	});
});
