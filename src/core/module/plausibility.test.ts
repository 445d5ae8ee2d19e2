import { describe, expect, it } from 'vitest';
import { relativeCoefficient } from './coefficients';
import { NAMEPLATE as nameplate } from '../../../tests/support/scenario';
import { checkLabel } from './plausibility';
import type { Nameplate } from './nameplate';

describe('checkLabel', () => {
	it('has nothing to say about a label that agrees with itself', () => {
		expect(checkLabel(nameplate)).toEqual([]);
	});

	it.each<[string, Partial<Nameplate>, keyof Nameplate, 'error' | 'odd', RegExp]>([
		['Vmp above Voc', { vmp: 41 }, 'vmp', 'error', /below Voc 40\.58 V/],
		['Imp above Isc', { imp: 11 }, 'imp', 'error', /below Isc 10\.78 A/],
		['power off by more than 3 %', { pmax: 350 }, 'pmax', 'odd', /335 W, 4\.2 % below Pmax/],
		['a hollow fill factor', { imp: 7, pmax: 232 }, 'vmp', 'odd', /fill factor .* 0\.53/],
		['a swollen fill factor', { vmp: 38.5, pmax: 389 }, 'voc', 'odd', /0\.89/],
		[
			'half-cut cells counted twice',
			{ cellsInSeries: 120 },
			'cellsInSeries',
			'odd',
			/60 are in series/
		],
		[
			'volts of another technology',
			{ voc: 36, vmp: 31, pmax: 313 },
			'cellsInSeries',
			'odd',
			/0\.600 V a cell/
		],
		['a rising voltage', { betaVocPctPerK: 0.27 }, 'betaVocPctPerK', 'error', /minus sign/],
		[
			'volts taken for percent',
			{ betaVocPctPerK: -0.11 },
			'betaVocPctPerK',
			'odd',
			/V\/K or mV\/K/
		],
		['amps taken for percent', { alphaIscPctPerK: 0.5 }, 'alphaIscPctPerK', 'odd', /sign and unit/]
	])('%s', (_, change, field, severity, words) => {
		expect(checkLabel({ ...nameplate, ...change })).toContainEqual({
			field,
			severity,
			words: expect.stringMatching(words)
		});
	});

	it('accepts a label power within 1 % of its product', () => {
		// Common practice, no source: 41.8 V x 10.87 A on a label of 450 W is 454 W.
		const findings = checkLabel({
			...nameplate,
			vmp: 41.8,
			imp: 10.87,
			voc: 49.8,
			isc: 11.5,
			cellsInSeries: 72,
			pmax: 450
		});
		expect(findings).toEqual([]);
	});
});

describe('relativeCoefficient', () => {
	it('turns every unit of a label into %/K once', () => {
		expect(relativeCoefficient(-0.27, '%/K', 40)).toBe(-0.27);
		expect(relativeCoefficient(-0.108, 'V/K', 40)).toBeCloseTo(-0.27, 12);
		expect(relativeCoefficient(-108, 'mV/K', 40)).toBeCloseTo(-0.27, 12);
		expect(relativeCoefficient(5, 'mA/K', 10)).toBeCloseTo(0.05, 12);
	});
});
