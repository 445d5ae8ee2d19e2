import { describe, expect, it } from 'vitest';
import { arrayRecord } from '../../../tests/support/scenario';
import { maximumPowerPoint } from '../module';
import { trueBuses } from './circuits';
import { drawTruth } from './drawn-truth';
import { exactReadings } from './exact';
import { randomFrom } from '../numerics';
import { takeReadings } from './taken-readings';
import type { HiddenFault } from './truth';

const record = arrayRecord();
const SEEDS = Array.from({ length: 60 }, (_, i) => i + 1);
const drawn = (seed: number, faults: readonly HiddenFault[] = []) =>
	drawTruth(record, faults, randomFrom(seed));
const hidden = (code: HiddenFault['code'], more: Partial<HiddenFault> = {}): HiddenFault => ({
	code,
	strings: [],
	at: null,
	size: null,
	placed: [],
	...more
});
const visitOf = (seed: number, faults: readonly HiddenFault[] = [], plain = false) => {
	const random = randomFrom(seed);
	const { truth, entry } = drawTruth(record, faults, random);
	const leaks = new Map(
		record.strings.map(({ label }) => [label, { share: 0.5, resistance: 1e9 }])
	);
	const exact = exactReadings(truth, trueBuses(record, truth), leaks);
	return takeReadings(record, truth, exact, entry, random, plain);
};

describe('a truth that is drawn', () => {
	it('is the same for the same seed', () => {
		expect(drawn(7)).toEqual(drawn(7));
		expect(drawn(7).entry).not.toEqual(drawn(8).entry);
	});

	it('has light and heat of the trade, under which a module makes something', () => {
		for (const seed of SEEDS) {
			const { irradiance, cellTemperature, module } = drawn(seed).truth;
			expect(irradiance).toBeGreaterThan(230);
			expect(irradiance).toBeLessThan(1050);
			expect(cellTemperature).toBeGreaterThan(5);
			expect(cellTemperature).toBeLessThan(65);
			expect(maximumPowerPoint(module).amps).toBeGreaterThan(1);
		}
	});

	it('is stated within its uncertainty, unless the conditions are what is wrong', () => {
		const misses = SEEDS.map((seed) => {
			const { truth, entry } = drawn(seed);
			const { value, relativeStandardUncertainty: uncertainty } = entry.irradiance;
			return Math.abs(Math.log(value / truth.irradiance)) / uncertainty;
		});
		// Soiling of one to six percent is not in the sensor's uncertainty.
		expect(misses.filter((miss) => miss < 2.5).length).toBeGreaterThan(0.85 * SEEDS.length);
	});

	it('lies far from what is stated where they are', () => {
		for (const seed of SEEDS) {
			const { truth, entry } = drawn(seed, [hidden('conditions-wrong', { size: 0.1 })]);
			const irradiance = Math.abs(entry.irradiance.value / truth.irradiance - 1);
			const cellTemperature = Math.abs(entry.cellTemperature.value - truth.cellTemperature);
			expect(irradiance > 0.1 || cellTemperature > 6).toBe(true);
			expect(entry.irradiance.source).toBe('sensor-in-plane');
		}
	});

	it('has a share of current and volts for every module, about one', () => {
		const { spread } = drawn(3).truth;
		expect([...spread.keys()]).toEqual(record.strings.map(({ label }) => label));
		for (const modules of spread.values()) {
			expect(modules).toHaveLength(12);
			for (const [current, voltage] of modules) {
				expect(Math.abs(current - 1)).toBeLessThan(0.06);
				expect(Math.abs(voltage - 1)).toBeLessThan(0.04);
			}
		}
	});

	it('has modules of another type in the string whose record is wrong', () => {
		const { spread } = drawn(5, [hidden('record-wrong', { strings: ['B2'], size: 1 })]).truth;
		const middle = (label: string) => {
			const voltage = spread.get(label)!.map(([, of]) => of);
			return voltage.reduce((sum, of) => sum + of, 0) / voltage.length;
		};
		expect(Math.abs(middle('B2') - 1)).toBeGreaterThan(0.1);
		expect(Math.abs(middle('A1') - 1)).toBeLessThan(0.03);
	});
});

describe('the strings as they truly are', () => {
	it('hang on their inputs, every module by itself', () => {
		const buses = trueBuses(record, drawn(2).truth);
		expect(
			[...buses].map(([input, { strings }]) => [input, strings.map(({ name }) => name)])
		).toEqual([
			['A', ['A1', 'A2', 'A3', 'A4']],
			['B', ['B1', 'B2', 'B3', 'B4']]
		]);
		expect(buses.get('A')!.strings[0]!.modules.every(({ count }) => count === 1)).toBe(true);
	});

	it('have the hidden faults in them, and nothing in the others', () => {
		const { truth } = drawn(2, [
			hidden('module-shorted', {
				strings: ['A3'],
				placed: [{ code: 'module-shorted', place: { string: 'A3', module: 4 } }]
			})
		]);
		const states = trueBuses(record, truth)
			.get('A')!
			.strings.map(({ name, modules }) => [
				name,
				modules.flatMap(({ state }, m) => (state === 'whole' ? [] : [m]))
			]);
		expect(states).toEqual([
			['A1', []],
			['A2', []],
			['A3', [4]],
			['A4', []]
		]);
	});

	it('have changed places where two are swapped, but not their labels', () => {
		const uneven = {
			...record,
			strings: record.strings.map((string) =>
				string.label === 'B1' ? { ...string, moduleCount: 10 } : string
			)
		};
		const { truth } = drawTruth(
			uneven,
			[hidden('strings-swapped', { strings: ['A1', 'B1'] })],
			randomFrom(4)
		);
		const buses = trueBuses(uneven, truth);
		const length = (input: string, label: string) =>
			buses.get(input)!.strings.find(({ name }) => name === label)!.modules.length;
		expect(length('A', 'A1')).toBe(10);
		expect(length('B', 'B1')).toBe(12);
	});
});

describe('what is brought home', () => {
	it('has volts and amps of every string, and what each would have shown without error', () => {
		for (const seed of SEEDS.slice(0, 12)) {
			const { visit, exact } = visitOf(seed);
			const of = (wanted: string) =>
				visit.readings.filter(({ quantity }) => quantity === wanted).length;
			expect(of('open-circuit-voltage')).toBe(8);
			expect(of('operating-current') + of('short-circuit-current')).toBe(8);
			expect([...exact.keys()]).toEqual(visit.readings.map(({ id }) => id));
		}
	});

	it('lies by its meter’s error from that, where nobody made a mistake', () => {
		for (const seed of SEEDS.slice(0, 12)) {
			const { visit, exact, mistakes } = visitOf(seed);
			for (const { id, quantity, value } of visit.readings) {
				if (quantity !== 'open-circuit-voltage' || mistakes.has(id)) continue;
				const right = exact.get(id)!;
				expect(Math.abs(value - right)).toBeLessThan(0.006 * Math.abs(right) + 0.3);
			}
		}
	});

	it('has some mistakes in many visits, and none in a plain one', () => {
		const made = SEEDS.map((seed) => visitOf(seed).mistakes.size);
		expect(made.some((count) => count > 0)).toBe(true);
		expect(made.filter((count) => count === 0).length).toBeGreaterThan(SEEDS.length / 2);
		for (const seed of SEEDS.slice(0, 12)) expect(visitOf(seed, [], true).mistakes.size).toBe(0);
	});

	it('reads running current at the volts of its input', () => {
		for (const { quantity, atVolts: atVoltage } of visitOf(1).visit.readings) {
			if (quantity === 'operating-current') expect(atVoltage).toBeGreaterThan(200);
			else expect(atVoltage).toBeNull();
		}
	});

	it('reads to earth wherever an earth fault is hidden', () => {
		const fault = hidden('earth-fault', {
			strings: ['A2'],
			placed: [{ code: 'earth-fault', place: { string: 'A2', joint: 5 } }]
		});
		for (const seed of SEEDS.slice(0, 8)) {
			const quantities = visitOf(seed, [fault]).visit.readings.map(({ quantity }) => quantity);
			expect(quantities).toContain('positive-to-earth');
			expect(quantities).toContain('negative-to-earth');
		}
	});
});
