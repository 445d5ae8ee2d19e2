import { describe, expect, it } from 'vitest';
import { NAMEPLATE } from '../../../tests/support/scenario';
import { fitLabel, MET } from './fit';
import {
	currentAt,
	maximumPowerPoint,
	openCircuitVoltage,
	shortCircuitCurrent
} from './single-diode';
import { TECHNOLOGIES, TECHNOLOGY_FACTS } from './technology';
import { translate } from './translate';

describe('the fit of a label', () => {
	it('meets all five conditions of the label', () => {
		const fit = fitLabel(NAMEPLATE);
		const { reference } = fit;
		const peak = maximumPowerPoint(reference);
		expect(shortCircuitCurrent(reference)).toBeCloseTo(NAMEPLATE.isc, 9);
		expect(openCircuitVoltage(reference)).toBeCloseTo(NAMEPLATE.voc, 9);
		expect(currentAt(reference, NAMEPLATE.vmp)).toBeCloseTo(NAMEPLATE.imp, 9);
		expect(peak.volts).toBeCloseTo(NAMEPLATE.vmp, 5);
		// The fifth: volts fall by the label's coefficient over the 2 K that De Soto et al. use.
		const warm = openCircuitVoltage(translate(fit, 1000, 27));
		expect(warm / NAMEPLATE.voc - 1).toBeCloseTo((2 * NAMEPLATE.betaVocPctPerK!) / 100, 9);
	});

	it.each(TECHNOLOGIES)('carries the band gap of %s', (technology) => {
		const { vocPerCell, typical, bandGap } = TECHNOLOGY_FACTS[technology];
		const voc = NAMEPLATE.cellsInSeries * ((vocPerCell[0] + vocPerCell[1]) / 2);
		const fit = fitLabel({
			...NAMEPLATE,
			technology,
			...typical,
			voc,
			vmp: 0.8 * voc,
			imp: 0.9 * NAMEPLATE.isc
		});
		expect(fit.bandGap).toEqual(bandGap);
		expect(openCircuitVoltage(fit.reference)).toBeCloseTo(voc, 6);
		expect(openCircuitVoltage(translate(fit, 1000, 45))).toBeLessThan(voc);
	});

	it('takes typical coefficients where the label has none, says so, and still meets the rest', () => {
		const fit = fitLabel({ ...NAMEPLATE, alphaIscPctPerK: null, betaVocPctPerK: null });
		expect(fit.residual).toBeLessThan(MET);
		expect(fit.notes).toHaveLength(2);
		// This label's own coefficients are the typical ones of its technology.
		expect(fit.reference).toEqual(fitLabel(NAMEPLATE).reference);
	});

	it.each([
		['a hollow curve', { vmp: 24, imp: 7 }, /maximum-power point|power is not greatest/],
		[
			'a curve squarer than any diode',
			{ vmp: 39.9, imp: 10.7 },
			/maximum-power point|power is not greatest/
		],
		[
			'volts that fall with heat as no cell’s do',
			{ betaVocPctPerK: -0.9 },
			/maximum-power point|power is not greatest|voltage coefficient/
		]
	])('gives the nearest module and words for %s', (_, change, words) => {
		const fit = fitLabel({ ...NAMEPLATE, ...change });
		expect(fit.residual).toBeGreaterThan(MET);
		expect(fit.notes.join(' ')).toMatch(words);
		expect(fit.notes.join(' ')).toMatch(/Check/);
		expect(openCircuitVoltage(fit.reference)).toBeCloseTo(NAMEPLATE.voc, 6);
		expect(shortCircuitCurrent(fit.reference)).toBeCloseTo(NAMEPLATE.isc, 6);
		for (const value of Object.values(fit.reference)) expect(value).toBeGreaterThanOrEqual(0);
	});

	it('does not care whether a module is one large or several small ones in series', () => {
		const one = fitLabel(NAMEPLATE).reference;
		const two = fitLabel({
			...NAMEPLATE,
			cellsInSeries: 2 * NAMEPLATE.cellsInSeries,
			voc: 2 * NAMEPLATE.voc,
			vmp: 2 * NAMEPLATE.vmp
		}).reference;
		expect(two.photocurrent).toBeCloseTo(one.photocurrent, 8);
		expect(two.saturationCurrent / one.saturationCurrent).toBeCloseTo(1, 5);
		expect(two.seriesResistance).toBeCloseTo(2 * one.seriesResistance, 7);
		expect(two.shuntResistance / one.shuntResistance).toBeCloseTo(2, 6);
		expect(two.modifiedIdeality).toBeCloseTo(2 * one.modifiedIdeality, 7);
	});
});
