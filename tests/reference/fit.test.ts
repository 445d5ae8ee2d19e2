import { describe, expect, it } from 'vitest';
import {
	fitLabel,
	maximumPowerPoint,
	openCircuitVoltage,
	shortCircuitCurrent,
	translate
} from '$core/module';
import reference from './data/single-diode.json';

const relative = (value: number, truth: number) => Math.abs(value / truth - 1);

/**
 * Source: five-parameter model of De Soto, Klein, Beckman, Solar Energy 80 (2006), solved by an
 * independent program (least squares and bracketed roots of a general scientific library); the
 * labels are invented and rounded as a label is.
 */
describe.each(reference.cases)(
	'$plate.technology $plate.pmax W',
	({ plate: nameplate, fit, conditions }) => {
		const fitted = fitLabel({ ...nameplate, technology: undefined });

		it('has the parameters of the independent solver', () => {
			expect(fitted.notes).toEqual([]);
			expect(fitted.residual).toBeLessThan(1e-9);
			expect(relative(fitted.reference.photocurrent, fit.photocurrent)).toBeLessThan(1e-4);
			expect(relative(fitted.reference.seriesResistance, fit.seriesResistance)).toBeLessThan(1e-4);
			expect(relative(fitted.reference.modifiedIdeality, fit.modifiedIdeality)).toBeLessThan(1e-4);
			expect(relative(fitted.reference.shuntResistance, fit.shuntResistance)).toBeLessThan(1e-3);
			expect(relative(fitted.reference.saturationCurrent, fit.saturationCurrent)).toBeLessThan(
				1e-3
			);
		});

		it.each(conditions)('at $irradiance W/m2 and $cellTemperature degC', (truth) => {
			const diode = translate(fitted, truth.irradiance, truth.cellTemperature);
			const peak = maximumPowerPoint(diode);
			expect(relative(openCircuitVoltage(diode), truth.voc)).toBeLessThan(1e-5);
			expect(relative(shortCircuitCurrent(diode), truth.isc)).toBeLessThan(1e-5);
			expect(relative(peak.volts * peak.amps, truth.pmp)).toBeLessThan(1e-5);
			// The top of the power curve is flat, so its place is known less well than its height.
			expect(relative(peak.volts, truth.vmp)).toBeLessThan(1e-4);
			expect(relative(peak.amps, truth.imp)).toBeLessThan(1e-4);
		});
	}
);

describe('a published fit', () => {
	it('is met', () => {
		// Source: the test values of a general-purpose open-source PV modelling library for its De
		// Soto fit (from memory), solved again by an independent program to 6 digits.
		const fitted = fitLabel({
			vmp: 31.0,
			imp: 8.71,
			voc: 38.3,
			isc: 9.43,
			alphaIscPctPerK: (0.005658 / 9.43) * 100,
			betaVocPctPerK: (-0.13788 / 38.3) * 100,
			cellsInSeries: 60
		}).reference;
		expect(relative(fitted.photocurrent, 9.45232)).toBeLessThan(1e-5);
		expect(relative(fitted.saturationCurrent, 3.2246e-10)).toBeLessThan(1e-4);
		expect(relative(fitted.seriesResistance, 0.297814)).toBeLessThan(1e-5);
		expect(relative(fitted.shuntResistance, 125.798)).toBeLessThan(1e-4);
		expect(relative(fitted.modifiedIdeality, 1.59128)).toBeLessThan(1e-5);
	});
});
