import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MODULE_NOW } from '../../../tests/support/scenario';
import { maximumPowerPoint, openCircuitVoltage, voltageAt } from '../module';
import {
	chainCurrent,
	chainConductance,
	chainOf,
	chainSweep,
	chainVoltage,
	type Counted
} from './chain';
import { BYPASS_DIODE } from './diode';
import { SeriesDiode } from './parts';
import { EvenSubstring } from './substring';

/* A section is a third of a module: a third of its series and shunt resistance and of its emission volts. */
const substring = (irradiance = 1): EvenSubstring =>
	new EvenSubstring(
		{
			diode: {
				photocurrent: irradiance * MODULE_NOW.photocurrent,
				saturationCurrent: MODULE_NOW.saturationCurrent,
				seriesResistance: MODULE_NOW.seriesResistance / 3,
				shuntResistance: MODULE_NOW.shuntResistance / 3,
				modifiedIdeality: MODULE_NOW.modifiedIdeality / 3
			},
			breakdown: null
		},
		BYPASS_DIODE
	);
const many = (count: number, irradiance = 1, sign: 1 | -1 = 1): Counted => ({
	part: substring(irradiance),
	count,
	sign
});
const voltageOf = (parts: readonly Counted[], resistance: number, current: number) => {
	const out = { voltage: 0, slope: 0 };
	chainVoltage(chainOf(parts, resistance), current, out);
	return out;
};

const anyParts = fc.array(
	fc
		.record({
			count: fc.integer({ min: 1, max: 36 }),
			light: fc.double({ min: 0.05, max: 1, noNaN: true }),
			turned: fc.boolean()
		})
		.map(({ count, light: irradiance, turned }) => many(count, irradiance, turned ? -1 : 1)),
	{ minLength: 1, maxLength: 4 }
);
const anyResistance = fc.double({ min: 0, max: 5, noNaN: true });

describe('a chain', () => {
	it('of 36 whole sections is twelve modules less what its cable takes', () => {
		for (const current of [0, 3, 7]) {
			expect(voltageOf([many(36)], 0.4, current).voltage).toBeCloseTo(
				12 * voltageAt(MODULE_NOW, current) - 0.4 * current,
				4
			);
		}
	});

	it('gives the current back whose volts it has, whatever its parts', () => {
		fc.assert(
			fc.property(
				anyParts,
				anyResistance,
				fc.double({ min: -3, max: 10, noNaN: true }),
				(parts, resistance, current) => {
					const { voltage } = voltageOf(parts, resistance, current);
					expect(chainCurrent(chainOf(parts, resistance), voltage)).toBeCloseTo(current, 4);
				}
			)
		);
	});

	it('falls by the slope that it says, and conducts its inverse', () => {
		fc.assert(
			fc.property(
				anyParts,
				anyResistance,
				fc.double({ min: 0, max: 7, noNaN: true }),
				(parts, resistance, current) => {
					const step = 1e-5;
					const { slope } = voltageOf(parts, resistance, current);
					const rise =
						(voltageOf(parts, resistance, current + step).voltage -
							voltageOf(parts, resistance, current - step).voltage) /
						(2 * step);
					expect(slope).toBeLessThan(0);
					expect(rise / slope).toBeCloseTo(1, 2);
					expect(chainConductance(chainOf(parts, resistance), current) * slope).toBeCloseTo(1, 9);
				}
			)
		);
	});

	it('swept is the same as point by point', () => {
		const parts = [many(30), many(3, 0.4), many(3, 1, -1)];
		const current = Float64Array.from({ length: 60 }, (_, i) => -1 + i * 0.18);
		const swept = chainSweep(chainOf(parts, 0.7), current);
		current.forEach((value, i) => {
			expect(swept[i]).toBeCloseTo(voltageOf(parts, 0.7, value).voltage, 4);
		});
	});
});

describe('parts turned round', () => {
	it('take from the open-circuit volts what they would have given', () => {
		const voc = openCircuitVoltage(MODULE_NOW);
		expect(voltageOf([many(33), many(3, 1, -1)], 0, 0).voltage).toBeCloseTo(10 * voc, 4);
	});

	it('let the current pass through their diodes, at their drop', () => {
		const { amps: current } = maximumPowerPoint(MODULE_NOW);
		const turned = voltageOf([many(33), many(3, 1, -1)], 0, current).voltage;
		const whole = voltageOf([many(33)], 0, current).voltage;
		// Driven the right way round for its cells, a turned module takes more than its open-circuit volts.
		expect(whole - turned).toBeGreaterThan(openCircuitVoltage(MODULE_NOW));
	});
});

describe('the section that leads the solving', () => {
	it('is of the largest group the right way round', () => {
		expect(chainOf([many(3, 0.2), many(30), many(33, 1, -1)], 0).lead).toBe(1);
		expect(chainOf([many(33, 1, -1)], 0).lead).toBe(-1);
		expect(chainOf([], 2).lead).toBe(-1);
	});

	it('is missing in a chain of diodes, which is solved in its current', () => {
		const parts: Counted[] = [{ part: new SeriesDiode(BYPASS_DIODE), count: 1, sign: 1 }];
		const { voltage } = voltageOf(parts, 0.5, 6);
		expect(voltage).toBeLessThan(-3);
		expect(chainCurrent(chainOf(parts, 0.5), voltage)).toBeCloseTo(6, 6);
	});

	it('bends no sharper than a junction, unless a resistance hides the current', () => {
		expect(chainOf([many(36)], 0.4).smooth).toBe(true);
		expect(chainOf([many(36)], 1e7).smooth).toBe(false);
	});
});

describe('a chain of nothing', () => {
	it('is a bridge, so that no division by nought comes of it', () => {
		const bridge = chainOf([], 0);
		expect(bridge.resistance).toBeGreaterThan(0);
		expect(chainCurrent(bridge, -bridge.resistance * 5)).toBeCloseTo(5, 9);
	});

	it('with a cable is the cable', () => {
		expect(chainCurrent(chainOf([], 2), -8)).toBeCloseTo(4, 9);
	});
});
