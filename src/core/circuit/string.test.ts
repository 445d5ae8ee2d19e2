import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MODULE_HERE as module_ } from '../../../tests/support/scenario';
import { openCircuitVoltage, shortCircuitCurrent } from '../module/single-diode';
import {
	stringCurrentAt,
	stringOpenCircuit,
	stringVoltageAt,
	wholeString,
	type StringCircuit
} from './string';

const voc = openCircuitVoltage(module_);
const healthy = wholeString(module_, 12, 3, 0.4);

const anyString: fc.Arbitrary<StringCircuit> = fc
	.record({
		modules: fc.integer({ min: 2, max: 28 }),
		reversed: fc.integer({ min: 0, max: 1 }),
		diodeSections: fc.integer({ min: 0, max: 3 }),
		seriesResistance: fc.double({ min: 0, max: 5, noNaN: true }),
		leadsReversed: fc.boolean()
	})
	.map(({ modules, reversed, diodeSections, ...rest }) => ({
		...wholeString(module_, modules, 3, rest.seriesResistance),
		forwardSections: 3 * (modules - reversed) - diodeSections,
		reversedSections: 3 * reversed,
		diodeSections,
		leadsReversed: rest.leadsReversed
	}));

describe('a string', () => {
	it('adds the volts of its modules and carries the current of one', () => {
		expect(stringOpenCircuit(healthy)).toBeCloseTo(12 * voc, 9);
		expect(stringCurrentAt(healthy, 0)).toBeCloseTo(shortCircuitCurrent(module_), 2);
	});

	it('counts a lost section as a third and a turned module as two', () => {
		expect(stringOpenCircuit({ ...healthy, forwardSections: 35 })).toBeCloseTo((35 / 3) * voc, 9);
		const turned = { ...healthy, forwardSections: 33, reversedSections: 3 };
		expect(stringOpenCircuit(turned)).toBeCloseTo(10 * voc, 9);
	});

	it('reads 0 V and 0 A when open, and backwards when its leads are swapped', () => {
		expect(stringOpenCircuit({ ...healthy, open: true })).toBe(0);
		expect(stringCurrentAt({ ...healthy, open: true }, 400)).toBe(0);
		expect(stringOpenCircuit({ ...healthy, leadsReversed: true })).toBeCloseTo(-12 * voc, 9);
	});

	it('feeds back into a higher bus', () => {
		expect(stringCurrentAt({ ...healthy, forwardSections: 30 }, 11 * voc)).toBeLessThan(0);
	});

	it('falls in volts as current rises, and current and volts are each other’s inverse', () => {
		fc.assert(
			fc.property(anyString, fc.double({ min: -5, max: 8.5, noNaN: true }), (string, amps) => {
				const volts = stringVoltageAt(string, amps);
				expect(stringVoltageAt(string, amps + 0.1)).toBeLessThan(volts);
				expect(stringCurrentAt(string, volts)).toBeCloseTo(amps, 6);
			})
		);
	});
});
