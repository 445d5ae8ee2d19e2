import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MODULE_NOW } from '../../../tests/support/scenario';
import { openCircuitVoltage } from '../module';
import { BusSource } from './bus';
import {
	wholeString,
	type BusCircuit,
	type EarthConnection,
	type StringCircuit
} from './description';
import { BYPASS_DIODE } from './diode';
import { EarthedSource } from './earthed';

const N = 12;
const VOC = N * openCircuitVoltage(MODULE_NOW);
const A1 = wholeString(MODULE_NOW, N, 3, 0.4, 'A1');
const A2 = wholeString(MODULE_NOW, N, 3, 0.4, 'A2');

const busOf = (strings: readonly StringCircuit[], ...earth: EarthConnection[]): BusCircuit => ({
	strings,
	bypass: BYPASS_DIODE,
	breakdown: null,
	earth
});
const earthed = (strings: readonly StringCircuit[], ...earth: EarthConnection[]) =>
	new EarthedSource(busOf(strings, ...earth));
const at = (string: string, connector: number, resistance = 10): EarthConnection => ({
	at: { string, joint: connector },
	resistance
});
const pole = (name: 'bus+' | 'bus-', resistance: number): EarthConnection => ({
	at: name,
	resistance
});
const conductOf = (source: {
	conduct(voltage: number, out: { value: number; slope: number }): void;
}) => {
	const out = { value: 0, slope: 0 };
	return (voltage: number) => {
		source.conduct(voltage, out);
		return { ...out };
	};
};

describe('a lone connection to earth', () => {
	it('carries nothing: the bus conducts as in the air', () => {
		const air = conductOf(new BusSource(busOf([A1, A2])));
		const joined = conductOf(earthed([A1, A2], at('A1', 5)));
		for (const voltage of [0, 200, 380, 460]) expect(joined(voltage)).toEqual(air(voltage));
		expect(earthed([A1], at('A1', 5)).openVoltage).toBe(new BusSource(busOf([A1])).openVoltage);
	});

	it('draws earth to its place, whatever its resistance', () => {
		for (const resistance of [0, 10, 1e6]) {
			expect(earthed([A1], at('A1', 3, resistance)).earthAt(VOC)).toBeCloseTo((3 / N) * VOC, 1);
			expect(earthed([A1], pole('bus+', resistance)).earthAt(VOC)).toBe(VOC);
			expect(earthed([A1], pole('bus-', resistance)).earthAt(VOC)).toBe(0);
		}
	});

	it('at a string with its leads swapped is counted from the other pole', () => {
		const swapped = { ...A1, leadsReversed: true };
		// Alone on the bus its volts stand the wrong way round, so joint 3 lies 9 modules below nought.
		expect(earthed([swapped], at('A1', 3)).earthAt(-VOC)).toBeCloseTo(-(9 / N) * VOC, 1);
	});
});

describe('two connections', () => {
	it('at the poles divide the volts as their resistances do', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 1e3, max: 1e6, noNaN: true }),
				fc.double({ min: 1e3, max: 1e6, noNaN: true }),
				fc.double({ min: 50, max: 450, noNaN: true }),
				(up, down, voltage) => {
					const source = earthed([A1], pole('bus+', up), pole('bus-', down));
					expect(source.earthAt(voltage)).toBeCloseTo((voltage * down) / (up + down), 4);
				}
			)
		);
	});

	it('at the poles take their current from what the bus gives', () => {
		const air = conductOf(new BusSource(busOf([A1])));
		const joined = conductOf(earthed([A1], pole('bus+', 600), pole('bus-', 400)));
		expect(air(300).value - joined(300).value).toBeCloseTo(300 / 1000, 6);
	});

	it('in one string short what lies between them: the modules there feed themselves', () => {
		const source = earthed([A1], at('A1', 2, 0), at('A1', 6, 0));
		expect(source.openVoltage).toBeCloseTo(((N - 4) / N) * VOC, 0);
		const earth = source.earthAt(source.openVoltage);
		const [below, between, above] = source.segmentsAt(source.openVoltage, earth)[0]!;
		expect(below).toBeCloseTo(0, 3);
		expect(above).toBeCloseTo(0, 3);
		expect(between).toBeCloseTo(MODULE_NOW.photocurrent, 0);
	});

	it('at the same joint of two strings let nothing pass between them', () => {
		const source = earthed([A1, A2], at('A1', 4, 0), at('A2', 4, 0));
		expect(source.openVoltage).toBeCloseTo(VOC, 1);
		const segments = source.segmentsAt(source.openVoltage, source.earthAt(source.openVoltage));
		for (const current of segments.flat()) expect(current).toBeCloseTo(0, 3);
	});

	it('at different joints drive a current round through both strings', () => {
		const source = earthed([A1, A2], at('A1', 4, 0), at('A2', 8, 0));
		const voltage = source.openVoltage;
		const [one, other] = source.segmentsAt(voltage, source.earthAt(voltage)) as [
			[number, number],
			[number, number]
		];
		// What leaves the one string at its joint enters the other at its own.
		const left = one[0] - one[1];
		expect(Math.abs(left)).toBeGreaterThan(0.5);
		expect(other[1] - other[0]).toBeCloseTo(left, 2);
	});
});

describe('the balance of earth', () => {
	const anyConnector = fc.integer({ min: 0, max: N });
	const anyResistance = fc.double({ min: 1, max: 1e5, noNaN: true });
	const anyCase = fc
		.record({
			one: anyConnector,
			other: anyConnector,
			ohms: anyResistance,
			otherOhms: anyResistance,
			swapped: fc.boolean(),
			volts: fc.double({ min: 100, max: 400, noNaN: true })
		})
		.map(
			({ one, other, ohms: resistance, otherOhms: otherResistance, swapped, volts: voltage }) => ({
				volts: voltage,
				source: earthed(
					[A1, { ...A2, leadsReversed: swapped }],
					at('A1', one, resistance),
					at('A2', other, otherResistance),
					pole('bus-', 5e4)
				)
			})
		);

	it('is kept: what flows to earth at the joints comes back through the pole', () => {
		fc.assert(
			fc.property(anyCase, ({ source, volts: voltage }) => {
				const earth = source.earthAt(voltage);
				const leaving = source
					.segmentsAt(voltage, earth)
					.reduce((sum, segments) => sum + segments[0]! - segments.at(-1)!, 0);
				expect(leaving).toBeCloseTo(earth / 5e4, 3);
			})
		);
	});

	it('is in the slope of the bus as well', () => {
		fc.assert(
			fc.property(anyCase, ({ source, volts: voltage }) => {
				const conduct = conductOf(source);
				const step = 1e-3;
				const { slope } = conduct(voltage);
				const rise = (conduct(voltage + step).value - conduct(voltage - step).value) / (2 * step);
				expect(slope).toBeLessThan(0);
				expect(Math.abs(rise - slope)).toBeLessThan(0.02 * Math.abs(slope) + 1e-4);
			})
		);
	});

	it('is where the bus conducts nothing at its open-circuit volts', () => {
		const source = earthed([A1, A2], at('A1', 4, 50), at('A2', 9, 50), pole('bus-', 1e3));
		expect(conductOf(source)(source.openVoltage).value).toBeCloseTo(0, 6);
		expect(source.cutsOf(0)).toEqual([4]);
	});
});
