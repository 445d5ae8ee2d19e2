import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MODULE_NOW as module_, NAMEPLATE } from '../../../tests/support/scenario';
import { fitLabel } from './fit';
import type { FitNameplate } from './nameplate';
import {
	currentAt,
	maximumPowerPoint,
	openCircuitVoltage,
	shortCircuitCurrent,
	voltageAt
} from './single-diode';
import { saturationCurrentRatio, translate } from './translate';

/** Labels as they may be invented: every figure plausible, not necessarily the work of one cell. */
const plausibleLabel: fc.Arbitrary<FitNameplate> = fc
	.record({
		cellsInSeries: fc.constantFrom(32, 36, 48, 54, 60, 66, 72, 96),
		vocPerCell: fc.double({ min: 0.58, max: 0.75, noNaN: true }),
		isc: fc.double({ min: 0.5, max: 20, noNaN: true }),
		voltsShare: fc.double({ min: 0.74, max: 0.88, noNaN: true }),
		ampsShare: fc.double({ min: 0.86, max: 0.97, noNaN: true }),
		alphaIscPctPerK: fc.double({ min: 0.01, max: 0.09, noNaN: true }),
		betaVocPctPerK: fc.double({ min: -0.4, max: -0.22, noNaN: true })
	})
	.map(({ vocPerCell, voltsShare: voltageShare, ampsShare: currentShare, ...rest }) => {
		const voc = vocPerCell * rest.cellsInSeries;
		return { ...rest, voc, vmp: voltageShare * voc, imp: currentShare * rest.isc };
	});

describe('the single-diode equation', () => {
	it('is solved both ways round, from far reverse to far forward', () => {
		fc.assert(
			fc.property(fc.double({ min: -400, max: 60, noNaN: true }), (voltage) => {
				const current = currentAt(module_, voltage);
				const vd = voltage + current * module_.seriesResistance;
				const back =
					module_.photocurrent -
					module_.saturationCurrent * Math.expm1(vd / module_.modifiedIdeality) -
					vd / module_.shuntResistance;
				expect(back).toBeCloseTo(current, 7);
				expect(voltageAt(module_, current)).toBeCloseTo(voltage, 6);
			})
		);
	});

	it('has no corner in the dark, without shunt or without series resistance', () => {
		const dark = { ...module_, photocurrent: 0 };
		expect(currentAt(dark, 0)).toBeCloseTo(0, 12);
		expect(currentAt(dark, 40)).toBeLessThan(0);
		expect(openCircuitVoltage(dark)).toBeCloseTo(0, 9);
		expect(maximumPowerPoint(dark)).toEqual({ volts: 0, amps: 0 });
		const ideal = { ...module_, shuntResistance: Infinity, seriesResistance: 0 };
		expect(shortCircuitCurrent(ideal)).toBeCloseTo(ideal.photocurrent, 12);
		expect(voltageAt(ideal, 9)).toBe(Number.NEGATIVE_INFINITY);
	});

	it('has its greatest power at the maximum-power point', () => {
		const peak = maximumPowerPoint(module_);
		const power = (voltage: number) => voltage * currentAt(module_, voltage);
		expect(currentAt(module_, peak.volts)).toBeCloseTo(peak.amps, 9);
		expect(power(peak.volts)).toBeGreaterThan(power(peak.volts * 1.0005));
		expect(power(peak.volts)).toBeGreaterThan(power(peak.volts * 0.9995));
	});
});

describe('fitting labels', () => {
	it('answers 1,000 plausible labels without failure or NaN', () => {
		let met = 0;
		fc.assert(
			fc.property(plausibleLabel, (label) => {
				const fit = fitLabel(label);
				const { reference } = fit;
				for (const value of Object.values(reference)) {
					expect(Number.isFinite(value)).toBe(true);
					expect(value).toBeGreaterThanOrEqual(0);
				}
				expect(Number.isFinite(fit.residual)).toBe(true);
				// Voc and Isc are met whatever else cannot be.
				expect(openCircuitVoltage(reference) / label.voc).toBeCloseTo(1, 7);
				expect(shortCircuitCurrent(reference) / label.isc).toBeCloseTo(1, 7);
				expect(fit.residual > 1e-6).toBe(fit.notes.length > 0);
				if (fit.notes.length === 0) {
					met++;
					const peak = maximumPowerPoint(reference);
					expect((peak.volts * peak.amps) / (label.vmp * label.imp)).toBeCloseTo(1, 5);
				}
			}),
			{ numRuns: 1000, seed: 20261124 }
		);
		expect(met).toBeGreaterThan(200);
	});
});

describe('translation', () => {
	it('is nothing at standard test conditions', () => {
		const fit = fitLabel(NAMEPLATE);
		expect(translate(fit, 1000, 25)).toEqual(fit.reference);
		expect(saturationCurrentRatio(fit.bandGap, 45)).toBeGreaterThan(10);
	});

	it('more light never lowers Isc or Voc; more heat always lowers Voc', () => {
		const fit = fitLabel(NAMEPLATE);
		fc.assert(
			fc.property(
				fc.double({ min: 20, max: 1300, noNaN: true }),
				fc.double({ min: -30, max: 80, noNaN: true }),
				(irradiance, cellTemperature) => {
					const here = translate(fit, irradiance, cellTemperature);
					const brighter = translate(fit, irradiance * 1.01, cellTemperature);
					expect(shortCircuitCurrent(brighter)).toBeGreaterThan(shortCircuitCurrent(here));
					expect(openCircuitVoltage(brighter)).toBeGreaterThan(openCircuitVoltage(here));
					expect(openCircuitVoltage(translate(fit, irradiance, cellTemperature + 1))).toBeLessThan(
						openCircuitVoltage(here)
					);
				}
			)
		);
	});
});
