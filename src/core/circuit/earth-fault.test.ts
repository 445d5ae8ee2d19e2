import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MODULE_HERE } from '../../../tests/support/scenario';
import { openCircuitVoltage } from '../module/single-diode';
import { wholeString, type BusCircuit, type EarthConnection } from './description';
import { detailOf, voltsBetween } from './detail';
import { BYPASS_DIODE } from './diode';
import { earthVolts, locateEarthFault } from './earth-fault';
import { METER_RESISTANCE } from './parts';
import { solveBus } from './state';

const N = 12;
const voc = N * openCircuitVoltage(MODULE_HERE);
const bus = (...earth: EarthConnection[]): BusCircuit => ({
	strings: [wholeString(MODULE_HERE, N, 3, 0.4, 'A1')],
	bypass: BYPASS_DIODE,
	breakdown: null,
	load: { kind: 'open' },
	earth
});
const fault = (joint: number, resistance = 100): EarthConnection => ({
	at: { string: 'A1', joint },
	resistance
});

describe('an earth fault', () => {
	it('splits the open-circuit volts where it lies, and is found there', () => {
		fc.assert(
			fc.property(fc.integer({ min: 0, max: N }), (joint) => {
				const read = earthVolts(bus(fault(joint)), METER_RESISTANCE);
				expect(-read.negative).toBeCloseTo((voc * joint) / N, 1);
				expect(read.positive).toBeCloseTo((voc * (N - joint)) / N, 1);
				const place = locateEarthFault(read, N, 1);
				expect(place).toMatchObject({ found: true });
				expect(place.found && place.modules).toBeCloseTo(joint, 2);
			}),
			{ numRuns: 13 }
		);
	});

	it('is not located where a high resistance lets the meter pull the readings down', () => {
		const read = earthVolts(bus(fault(4, 5e6)), METER_RESISTANCE);
		expect(read.positive - read.negative).toBeLessThan(0.8 * voc);
		expect(locateEarthFault(read, N, 1)).toMatchObject({
			found: false,
			why: expect.stringContaining('high resistance')
		});
	});

	it('shows next to nothing to earth where there is none', () => {
		const { positive, negative } = earthVolts(bus(), METER_RESISTANCE);
		expect(Math.abs(positive) + Math.abs(negative)).toBeLessThan(1e-3);
		expect(locateEarthFault({ positive, negative, open: 0 }, N, 1).found).toBe(false);
	});

	it('drives current round through a second one, by Ohm’s law and no more', () => {
		const functional: EarthConnection = { at: 'bus-', resistance: 1 };
		const state = solveBus(bus(fault(4, 1e4), functional));
		const expected = (voc * 4) / N / (1e4 + 1);
		const [below, above] = state.stretches[0]!;
		expect(below!.amps - above!.amps).toBeCloseTo(expected, 4);
		expect(above!.amps).toBeCloseTo(0, 8);
		expect(state.earth).toBeCloseTo(expected * 1, 4);
	});

	it('shorts the modules between itself and a functional earth when both are dead shorts', () => {
		const state = solveBus(bus(fault(4, 0.001), { at: 'bus-', resistance: 0.001 }));
		const [below] = state.stretches[0]!;
		expect(below!.amps).toBeCloseTo(MODULE_HERE.photocurrent, 1);
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
		expect(voltsBetween(detail, "A1:6'", 'A1:6')).toBeCloseTo(-voc, 0);
		expect(voltsBetween(detail, 'A1:3', 'earth')).toBeCloseTo(0, 3);
		expect(voltsBetween(detail, 'A1:1.2', 'A1:1.1')).toBeCloseTo(voc / N / 3, 3);
		expect(voltsBetween(detail, 'A1:99', 'earth')).toBeNull();
	});

	it('name the heat of a driven cell and the share of its diode', () => {
		const string = wholeString(MODULE_HERE, N, 3, 0.4, 'A1');
		const [run] = string.modules;
		const hot = {
			...run!,
			count: 1,
			sections: run!.sections.map((section, i) =>
				i === 0 ? { ...section, patches: [{ cells: 1, light: 0.1 }] } : section
			)
		};
		const state = solveBus({
			...bus(),
			strings: [{ ...string, modules: [hot, { ...run!, count: N - 1 }] }],
			load: { kind: 'volts', volts: 300 }
		});
		const section = detailOf(state).parts.find((part) => part.section === 0 && part.module === 0)!;
		expect(section.diode!.amps).toBeGreaterThan(1);
		expect(section.diode!.watts).toBeCloseTo(-section.volts * section.diode!.amps, 9);
		expect(section.cells[0]!.watts).toBeGreaterThan(1);
		expect(section.cells[0]!.volts).toBeLessThan(-1);
	});
});
