import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MODULE_NOW } from '../../../tests/support/scenario';
import { maximumPowerPoint, openCircuitVoltage, voltageAt } from '../module';
import {
	chainAmps,
	chainConductance,
	chainOf,
	chainSweep,
	chainVolts,
	type Counted
} from './chain';
import { BYPASS_DIODE } from './diode';
import { SeriesDiode } from './parts';
import { EvenSection } from './section';

/* A section is a third of a module: a third of its series and shunt resistance and of its emission volts. */
const section = (light = 1): EvenSection =>
	new EvenSection(
		{
			diode: {
				photocurrent: light * MODULE_NOW.photocurrent,
				saturationCurrent: MODULE_NOW.saturationCurrent,
				seriesResistance: MODULE_NOW.seriesResistance / 3,
				shuntResistance: MODULE_NOW.shuntResistance / 3,
				modifiedIdeality: MODULE_NOW.modifiedIdeality / 3
			},
			breakdown: null
		},
		BYPASS_DIODE
	);
const many = (count: number, light = 1, sign: 1 | -1 = 1): Counted => ({
	part: section(light),
	count,
	sign
});
const voltsOf = (parts: readonly Counted[], resistance: number, amps: number) => {
	const out = { volts: 0, slope: 0 };
	chainVolts(chainOf(parts, resistance), amps, out);
	return out;
};

const anyParts = fc.array(
	fc
		.record({
			count: fc.integer({ min: 1, max: 36 }),
			light: fc.double({ min: 0.05, max: 1, noNaN: true }),
			turned: fc.boolean()
		})
		.map(({ count, light, turned }) => many(count, light, turned ? -1 : 1)),
	{ minLength: 1, maxLength: 4 }
);
const anyOhms = fc.double({ min: 0, max: 5, noNaN: true });

describe('a chain', () => {
	it('of 36 whole sections is twelve modules less what its cable takes', () => {
		for (const amps of [0, 3, 7]) {
			expect(voltsOf([many(36)], 0.4, amps).volts).toBeCloseTo(
				12 * voltageAt(MODULE_NOW, amps) - 0.4 * amps,
				4
			);
		}
	});

	it('gives the current back whose volts it has, whatever its parts', () => {
		fc.assert(
			fc.property(
				anyParts,
				anyOhms,
				fc.double({ min: -3, max: 10, noNaN: true }),
				(parts, ohms, amps) => {
					const { volts } = voltsOf(parts, ohms, amps);
					expect(chainAmps(chainOf(parts, ohms), volts)).toBeCloseTo(amps, 4);
				}
			)
		);
	});

	it('falls by the slope that it says, and conducts its inverse', () => {
		fc.assert(
			fc.property(
				anyParts,
				anyOhms,
				fc.double({ min: 0, max: 7, noNaN: true }),
				(parts, ohms, amps) => {
					const step = 1e-5;
					const { slope } = voltsOf(parts, ohms, amps);
					const rise =
						(voltsOf(parts, ohms, amps + step).volts - voltsOf(parts, ohms, amps - step).volts) /
						(2 * step);
					expect(slope).toBeLessThan(0);
					expect(rise / slope).toBeCloseTo(1, 2);
					expect(chainConductance(chainOf(parts, ohms), amps) * slope).toBeCloseTo(1, 9);
				}
			)
		);
	});

	it('swept is the same as point by point', () => {
		const parts = [many(30), many(3, 0.4), many(3, 1, -1)];
		const amps = Float64Array.from({ length: 60 }, (_, i) => -1 + i * 0.18);
		const swept = chainSweep(chainOf(parts, 0.7), amps);
		amps.forEach((value, i) => {
			expect(swept[i]).toBeCloseTo(voltsOf(parts, 0.7, value).volts, 4);
		});
	});
});

describe('parts turned round', () => {
	it('take from the open-circuit volts what they would have given', () => {
		const voc = openCircuitVoltage(MODULE_NOW);
		expect(voltsOf([many(33), many(3, 1, -1)], 0, 0).volts).toBeCloseTo(10 * voc, 4);
	});

	it('let the current pass through their diodes, at their drop', () => {
		const { amps } = maximumPowerPoint(MODULE_NOW);
		const turned = voltsOf([many(33), many(3, 1, -1)], 0, amps).volts;
		const whole = voltsOf([many(33)], 0, amps).volts;
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
		const { volts } = voltsOf(parts, 0.5, 6);
		expect(volts).toBeLessThan(-3);
		expect(chainAmps(chainOf(parts, 0.5), volts)).toBeCloseTo(6, 6);
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
		expect(chainAmps(bridge, -bridge.resistance * 5)).toBeCloseTo(5, 9);
	});

	it('with a cable is the cable', () => {
		expect(chainAmps(chainOf([], 2), -8)).toBeCloseTo(4, 9);
	});
});
