import { judgeByModel } from '../assessment';
import { effectiveVisit, isStringReading, type Visit } from '../visit';
import { describe, expect, it } from 'vitest';
import { arrayRecord, visitOf } from '../../../tests/support/scenario';
import { HOLLIN_CREEK } from '../../../tests/support/sites';
import type { ArrayRecord } from '../record';
import { traceGroups } from './trace-groups';

const scopesOf = (record: ArrayRecord, visit: Visit) =>
	traceGroups(
		record,
		effectiveVisit(record, visit),
		judgeByModel(record, effectiveVisit(record, visit)).peerGroups
	).flatMap(({ scopes }) => scopes);
const codes = (record: ArrayRecord, visit: Visit) =>
	scopesOf(record, visit).map(({ code }) => code);
const record = arrayRecord();
const visit = visitOf({ record });

describe('what several strings share', () => {
	it('is a disconnect for each input, and the AC side of all', () => {
		const found = scopesOf(record, visit);
		expect(found.map(({ code, place }) => [code, place.input ?? null])).toEqual([
			['disconnect-open', 'A'],
			['disconnect-open', 'B'],
			['inverter-no-ac', null]
		]);
		expect(found.map(({ strings }) => strings)).toEqual([
			[0, 1, 2, 3],
			[4, 5, 6, 7],
			[0, 1, 2, 3, 4, 5, 6, 7]
		]);
	});

	it('is no disconnect of strings whose input nobody recorded', () => {
		const unknown: ArrayRecord = {
			...record,
			strings: record.strings.map((string) => ({ ...string, input: null }))
		};
		expect(codes(unknown, visit)).not.toContain('disconnect-open');
	});

	it('is the transmitter where there are shutdown devices, with the links of its supply', () => {
		const array: ArrayRecord = {
			...record,
			parts: HOLLIN_CREEK.record.parts.filter(({ kind }) => kind === 'transmitter'),
			strings: record.strings.map((string, i) => ({
				...string,
				devices:
					i < 5
						? { kind: 'rapid-shutdown' as const, modulesPerDevice: 1 as const, part: null }
						: null
			}))
		};
		const silent = scopesOf(array, visit).find(({ code }) => code === 'rsd-no-signal')!;
		expect(silent.strings).toEqual([0, 1, 2, 3, 4]);
		expect(silent.links.map(({ link }) => link)).toEqual([
			'supply-breaker',
			'supply-disconnect',
			'low-voltage',
			'lamp',
			'signal'
		]);
		expect(silent.links.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
		expect(codes(record, visit)).not.toContain('rsd-no-signal');
	});

	it('is two strings that changed places, where they are of different length and both read off', () => {
		const uneven: ArrayRecord = {
			...record,
			strings: record.strings.map((string) =>
				string.label === 'A2' ? { ...string, moduleCount: 10 } : string
			)
		};
		const right = visitOf({ record: uneven });
		expect(codes(uneven, right)).not.toContain('strings-swapped');
		const at = (label: string) =>
			right.readings.find(
				(reading) =>
					isStringReading(reading) &&
					reading.quantity === 'open-circuit-voltage' &&
					reading.place.string === uneven.strings.find((one) => one.label === label)!.id
			)!.value;
		const swapped = visitOf({
			record: uneven,
			typed: {
				'A2 open-circuit-voltage': at('B1'),
				'B1 open-circuit-voltage': at('A2')
			}
		});
		expect(codes(uneven, swapped)).toContain('strings-swapped');
	});
});

describe('what a scope predicts', () => {
	const [group] = traceGroups(
		record,
		effectiveVisit(record, visit),
		judgeByModel(record, effectiveVisit(record, visit)).peerGroups
	);
	const { posterior, scopes } = group!;
	const of = (code: string) => scopes.find((scope) => scope.code === code)!;
	const told = (code: string, quantity: string) => {
		const predictions = of(code).predictReading(posterior.group, posterior.best);
		const { item, atVoltage } = posterior.strings[0]!.case.readings.find(
			({ item: { reading } }) => reading.quantity === quantity
		)!;
		return { read: item.measured, ...predictions(0, item, atVoltage, 0, 0) };
	};

	it('of an open disconnect is the volts of a whole string, and no current', () => {
		const voltage = told('disconnect-open', 'open-circuit-voltage');
		expect(voltage.value! / voltage.read).toBeCloseTo(1, 1);
		expect(told('disconnect-open', 'operating-current').value).toBe(0);
	});

	it('of a dead AC side is the same', () => {
		expect(told('inverter-no-ac', 'operating-current').value).toBe(0);
		expect(told('inverter-no-ac', 'open-circuit-voltage').value).toBeGreaterThan(400);
	});

	it('is weighed next to nothing where every string runs', () => {
		posterior.scopes.forEach((chance) => expect(chance).toBeLessThan(0.001));
	});
});

describe('volts of an input', () => {
	/** The strings of input A without current, its volts as they were read. */
	const stopped = (atVoltage: number): Visit => ({
		...visit,
		readings: visit.readings.map((reading) => {
			const string = record.strings.find(
				({ id }) => reading.place.kind === 'string' && reading.place.string === id
			);
			return reading.quantity === 'operating-current' && string?.input === 'A'
				? { ...reading, value: 0, atVolts: atVoltage }
				: reading;
		})
	});
	const chances = (seen: Visit) => {
		const [group] = traceGroups(
			record,
			effectiveVisit(record, seen),
			judgeByModel(record, effectiveVisit(record, seen)).peerGroups
		);
		return group!.posterior.scopes;
	};

	it('all of whose strings carry nothing, and that is dead, is blamed on its switch', () => {
		const [a, b] = chances(stopped(0));
		expect(a).toBeGreaterThan(0.9);
		expect(b).toBeLessThan(0.01);
	});

	it('that runs all the same is not: something holds its volts', () => {
		expect(chances(stopped(366))[0]).toBeLessThan(0.01);
	});
});
