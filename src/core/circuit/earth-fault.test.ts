import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MODULE_NOW } from '../../../tests/support/scenario';
import { openCircuitVoltage } from '../module';
import { wholeString, type BusCircuit, type EarthConnection } from './description';
import { detailOf, voltageBetween } from './detail';
import { BYPASS_DIODE } from './diode';
import { earthVoltage, leakWords, locateEarthFault } from './earth-fault';
import { METER_RESISTANCE } from './parts';
import { solveBus } from './state';

const N = 12;
const voc = N * openCircuitVoltage(MODULE_NOW);
const bus = (...earth: EarthConnection[]): BusCircuit => ({
	strings: [wholeString(MODULE_NOW, N, 3, 0.4, 'A1')],
	bypass: BYPASS_DIODE,
	breakdown: null,
	load: { kind: 'open' },
	earth
});
const fault = (connector: number, resistance = 100): EarthConnection => ({
	at: { string: 'A1', joint: connector },
	resistance
});

describe('an earth fault', () => {
	it('splits the open-circuit volts where it lies, and is found there', () => {
		fc.assert(
			fc.property(fc.integer({ min: 0, max: N }), (connector) => {
				const read = earthVoltage(bus(fault(connector)), METER_RESISTANCE);
				expect(-read.negative).toBeCloseTo((voc * connector) / N, 1);
				expect(read.positive).toBeCloseTo((voc * (N - connector)) / N, 1);
				const place = locateEarthFault(read, N, 1);
				expect(place).toMatchObject({ found: true });
				expect(place.found && place.modules).toBeCloseTo(connector, 2);
			}),
			{ numRuns: 13 }
		);
	});

	it('of any resistance is found at its place, with its resistance', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 0, max: N }),
				fc.double({ min: 3, max: 7.3, noNaN: true }),
				(connector, decade) => {
					const resistance = 10 ** decade;
					const read = earthVoltage(bus(fault(connector, resistance)), METER_RESISTANCE);
					const place = locateEarthFault(read, N, 0.2);
					if (!place.found) throw new Error(place.why);
					expect(place.modules).toBeCloseTo(connector, 1);
					expect(place.resistance.least).toBeLessThanOrEqual(resistance);
					expect(place.resistance.most).toBeGreaterThanOrEqual(resistance);
					expect(place.resistance.value / 1e6).toBeCloseTo(resistance / 1e6, 2);
				}
			),
			{ numRuns: 40 }
		);
	});

	it('is not located where no leak gives such readings', () => {
		const at = (positive: number, negative: number) =>
			locateEarthFault({ positive, negative, open: voc }, N, 1);
		expect(at(-90, -150).found).toBe(false);
		expect(at(voc, -0.4 * voc).found).toBe(false);
		expect(at(1, -1).found).toBe(false);
		// Swapped leads turn both signs round.
		const turned = locateEarthFault(
			{ positive: -0.75 * voc, negative: 0.25 * voc, open: -voc },
			N,
			1
		);
		expect(turned.found && turned.modules).toBeCloseTo(N / 4, 6);
	});

	it('is told in words as exactly as the readings allow', () => {
		expect(leakWords({ value: 3.2e5, least: 2e5, most: 5e5 })).toBe('about 320 kΩ');
		expect(leakWords({ value: 2.1e6, least: 1.9e6, most: 2.4e6 })).toBe('about 2.1 MΩ');
		expect(leakWords({ value: 0, least: 0, most: 9e4 })).toBe('less than 90 kΩ');
		expect(leakWords({ value: 0, least: 0, most: Infinity })).toBe('unknown size');
	});

	it('shows next to nothing to earth where there is none', () => {
		const { positive, negative } = earthVoltage(bus(), METER_RESISTANCE);
		expect(Math.abs(positive) + Math.abs(negative)).toBeLessThan(1e-3);
		expect(locateEarthFault({ positive, negative, open: 0 }, N, 1).found).toBe(false);
	});

	it('drives current round through a second one, by Ohm’s law and no more', () => {
		const functional: EarthConnection = { at: 'bus-', resistance: 1 };
		const state = solveBus(bus(fault(4, 1e4), functional));
		const expected = (voc * 4) / N / (1e4 + 1);
		const [below, above] = state.segments[0]!;
		expect(below!.current - above!.current).toBeCloseTo(expected, 4);
		expect(above!.current).toBeCloseTo(0, 8);
		expect(state.earth).toBeCloseTo(expected * 1, 4);
	});

	it('shorts the modules between itself and a functional earth when both are dead shorts', () => {
		const state = solveBus(bus(fault(4, 0.001), { at: 'bus-', resistance: 0.001 }));
		const [below] = state.segments[0]!;
		expect(below!.current).toBeCloseTo(MODULE_NOW.photocurrent, 1);
		expect(state.volts).toBeCloseTo((voc * 8) / N, 0);
	});

	it('is seen alike from a string whose leads are swapped', () => {
		const [string] = bus().strings;
		const turned = {
			...bus(fault(4), { at: 'bus+', resistance: METER_RESISTANCE }),
			strings: [{ ...string!, leadsReversed: true }]
		};
		const state = solveBus(turned);
		expect(state.volts).toBeCloseTo(-voc, 1);
		expect(state.volts - state.earth!).toBeCloseTo((-voc * 4) / N, 1);
	});
});

describe('volts between two points', () => {
	it('are known inside modules, across a break and to earth', () => {
		const loaded: BusCircuit = {
			...bus(fault(3)),
			load: { kind: 'resistor', ohms: 1000 },
			strings: [{ ...bus().strings[0]!, joints: [{ at: 6, resistance: 'open' }] }]
		};
		const detail = detailOf(solveBus(loaded));
		expect(voltageBetween(detail, "A1:6'", 'A1:6')).toBeCloseTo(-voc, 0);
		expect(voltageBetween(detail, 'A1:3', 'earth')).toBeCloseTo(0, 3);
		expect(voltageBetween(detail, 'A1:1.2', 'A1:1.1')).toBeCloseTo(voc / N / 3, 3);
		expect(voltageBetween(detail, 'A1:99', 'earth')).toBeNull();
	});

	it('name the heat of a driven cell and the share of its diode', () => {
		const string = wholeString(MODULE_NOW, N, 3, 0.4, 'A1');
		const [run] = string.modules;
		const hot = {
			...run!,
			count: 1,
			sections: run!.sections.map((substring, i) =>
				i === 0 ? { ...substring, patches: [{ cells: 1, light: 0.1 }] } : substring
			)
		};
		const state = solveBus({
			...bus(),
			strings: [{ ...string, modules: [hot, { ...run!, count: N - 1 }] }],
			load: { kind: 'volts', volts: 300 }
		});
		const substring = detailOf(state).parts.find(
			(part) => part.section === 0 && part.module === 0
		)!;
		expect(substring.diode!.amps).toBeGreaterThan(1);
		expect(substring.diode!.watts).toBeCloseTo(-substring.volts * substring.diode!.amps, 9);
		expect(substring.cells[0]!.watts).toBeGreaterThan(1);
		expect(substring.cells[0]!.volts).toBeLessThan(-1);
	});
});
