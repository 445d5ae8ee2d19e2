import { describe, expect, it } from 'vitest';
import { readingAt } from '../../../tests/support/readings';
import { arrayRecord, normalFrom, visitOf } from '../../../tests/support/scenario';
import { type ArrayRecord, partsOf, unknownSpecs } from '../record';
import { emptyVisit, type Visit } from '../visit';
import { assess } from './assess';

const INVERTER = '019a0000-0000-7000-8000-00000000aaaa';
const withInverter = (record: ArrayRecord, acPower: number): ArrayRecord => ({
	...record,
	parts: [
		{
			id: INVERTER,
			kind: 'inverter',
			mark: 'INV 1',
			place: null,
			model: null,
			serial: null,
			to: null,
			specs: { ...unknownSpecs('inverter'), acWatts: acPower }
		}
	]
});
const record = arrayRecord();
const healthy = () => visitOf({ record, faults: {}, normal: normalFrom(3) });
const fed = (visit: Visit, power: number): Visit => {
	const place = { kind: 'part', part: INVERTER, point: 'display' } as const;
	const reading = readingAt(place, 'ac-power', power);
	return { ...visit, readings: [...visit.readings, reading] };
};
const chance = (of: ArrayRecord, visit: Visit, code: string) =>
	Math.max(
		0,
		...assess(of, visit)
			.causes.filter(({ members }) => members[0].code === code)
			.map(({ probability }) => probability)
	);
/** Input volts of every running current, times a factor. */
const atOtherVoltage = (visit: Visit, factor: number): Visit => ({
	...visit,
	readings: visit.readings.map((one) =>
		one.atVolts === null ? one : { ...one, atVolts: one.atVolts * factor }
	)
});

describe('what is found beside the strings', () => {
	it('is a flat top where the inverter is at its rating and more is offered', () => {
		const small = withInverter(record, 15_000);
		expect(chance(small, fed(healthy(), 15_000), 'clipping')).toBeGreaterThan(0.9);
		// At half of it it holds back, which is another thing.
		const low = fed(healthy(), 8_000);
		expect(chance(small, low, 'clipping')).toBe(0);
		expect(chance(small, low, 'inverter-derating')).toBeGreaterThan(0.5);
	});

	it('is a flat top, and no fault of its strings, where each is on a tracker that is pushed up', () => {
		const alone = arrayRecord(['A1', 'B1', 'C1']);
		const visit = visitOf({ record: alone, normal: normalFrom(6) });
		const strings = visit.readings.filter(({ quantity }) => quantity === 'operating-current');
		const full = strings.reduce(
			(sum, { value, atVolts: atVoltage }) => sum + value * atVoltage!,
			0
		);
		// Eight per cent less power costs a tracker about seven per cent more voltage.
		const pushed = {
			...visit,
			readings: visit.readings.map((one) =>
				one.atVolts === null
					? one
					: { ...one, atVolts: one.atVolts * 1.07, value: one.value * 0.86 }
			)
		};
		const power = Math.round(0.92 * 0.97 * full);
		const small = withInverter(alone, power);
		const { causes, places } = assess(small, fed(pushed, power));
		expect(causes[0]!.members[0].code).toBe('clipping');
		expect(causes.filter(({ stringId, probability }) => stringId && probability > 0.3)).toEqual([]);
		expect(places.every((place) => place.state !== 'judged' || place.tracked === null)).toBe(true);
	});

	it('does not call a low input a derated inverter where one of its strings pulls it down', () => {
		const pair = arrayRecord(['A1', 'A2'], 6);
		const visit = visitOf({
			record: pair,
			faults: { A2: { code: 'module-missing', near: 2 } },
			normal: normalFrom(2)
		});
		const power = visit.readings.reduce(
			(sum, { value, atVolts: atVoltage }) => sum + value * (atVoltage ?? 0),
			0
		);
		const large = withInverter(pair, 6000);
		expect(chance(large, fed(visit, Math.round(0.97 * power)), 'inverter-derating')).toBeLessThan(
			0.3
		);
	});

	it('is nothing where the inverter feeds what is offered', () => {
		const large = withInverter(record, 40_000);
		expect(partsOf(large.parts, 'inverter')).toHaveLength(1);
		const offered = fed(healthy(), 20_300);
		expect(chance(large, offered, 'clipping')).toBe(0);
		expect(chance(large, offered, 'inverter-derating')).toBeLessThan(0.3);
	});

	it('is strings of unequal length on one input, however well they read', () => {
		const uneven: ArrayRecord = {
			...record,
			strings: record.strings.map((string, i) =>
				i === 0 ? { ...string, moduleCount: 10 } : string
			)
		};
		const visit = visitOf({ record: uneven, faults: {}, normal: normalFrom(3) });
		expect(chance(uneven, visit, 'unequal-parallel')).toBeGreaterThan(0.5);
		expect(chance(record, healthy(), 'unequal-parallel')).toBe(0);
	});

	it('says nothing of a visit in which nothing is read', () => {
		const start = {
			id: 'v',
			startedAt: '2026-06-01T10:00:00Z',
			by: 'x',
			purpose: 'routine',
			reason: ''
		} as const;
		expect(assess(record, emptyVisit(start)).causes).toEqual([]);
	});

	it('is a tracker away from the maximum, where all its strings agree on that', () => {
		expect(chance(record, healthy(), 'mppt-mode-wrong')).toBeLessThan(0.05);
		expect(chance(record, atOtherVoltage(healthy(), 0.999), 'mppt-mode-wrong')).toBeLessThan(0.1);
	});
});
