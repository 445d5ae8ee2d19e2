import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NAMEPLATE } from '../../../tests/support/scenario';
import { coefficientsOf, relativeCoefficient } from './coefficients';
import { TECHNOLOGIES, TECHNOLOGY_FACTS } from './technology';

describe('temperature coefficients', () => {
	it.each([
		[-0.11, 'V/K', 40.58, -0.27107],
		[-110, 'mV/K', 40.58, -0.27107],
		[-0.27, '%/K', 40.58, -0.27],
		[5.2, 'mA/K', 10.78, 0.048237],
		[0.0052, 'A/K', 10.78, 0.048237]
	] as const)('%d %s of %d is %d %%/K', (value, unit, quantity, percent) => {
		expect(relativeCoefficient(value, unit, quantity)).toBeCloseTo(percent, 5);
	});

	it('are the same label in V/K, in mV/K and in %/K', () => {
		fc.assert(
			fc.property(
				fc.double({ min: -0.3, max: -0.01, noNaN: true }),
				fc.double({ min: 5, max: 120, noNaN: true }),
				(voltagePerKelvin, voc) => {
					const percent = relativeCoefficient(voltagePerKelvin, 'V/K', voc);
					expect(relativeCoefficient(1000 * voltagePerKelvin, 'mV/K', voc)).toBeCloseTo(
						percent,
						10
					);
					expect(relativeCoefficient(percent, '%/K', voc)).toBe(percent);
				}
			)
		);
	});

	it('are the label’s own where it states them', () => {
		expect(coefficientsOf(NAMEPLATE)).toEqual({
			alphaIscPctPerK: 0.048,
			betaVocPctPerK: -0.27,
			notes: []
		});
	});

	it.each(TECHNOLOGIES)(
		'are typical of %s where the label states none, and it is said',
		(technology) => {
			const { notes, ...taken } = coefficientsOf({
				technology,
				alphaIscPctPerK: null,
				betaVocPctPerK: undefined
			});
			expect(taken).toEqual(TECHNOLOGY_FACTS[technology].typical);
			expect(notes).toHaveLength(2);
			expect(notes.join(' ')).toContain(TECHNOLOGY_FACTS[technology].words);
			expect(notes[1]).toMatch(/no temperature coefficient of Voc: -0\.\d+ %\/K/);
		}
	);
});
