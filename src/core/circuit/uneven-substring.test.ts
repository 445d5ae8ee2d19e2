import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MODULE_NOW } from '../../../tests/support/scenario';
import { BYPASS_DIODE } from './diode';
import { EvenSubstring, TYPICAL_BREAKDOWN, type CellGroup, type Part } from './substring';
import { UnevenSubstring } from './uneven-substring';

/** Of the 20 cells of a section so many, in so much of the light, and in one of so many rows. */
const group = (cells: number, irradiance: number, rows = 1): CellGroup => ({
	diode: {
		photocurrent: (irradiance * MODULE_NOW.photocurrent) / rows,
		saturationCurrent: MODULE_NOW.saturationCurrent / rows,
		seriesResistance: (MODULE_NOW.seriesResistance * cells * rows) / 60,
		shuntResistance: (MODULE_NOW.shuntResistance * cells * rows) / 60,
		modifiedIdeality: (MODULE_NOW.modifiedIdeality * cells) / 60
	},
	breakdown: { ...TYPICAL_BREAKDOWN, volts: cells * TYPICAL_BREAKDOWN.volts }
});
const solve = (part: Part, current: number) => {
	const out = { voltage: 0, slope: 0 };
	part.solve(current, out);
	return out;
};
const lights = fc.double({ min: 0.05, max: 1, noNaN: true });
const current = fc.double({ min: -2, max: 9, noNaN: true });

describe('a section in uneven light', () => {
	it('whose groups stand in one light is a section in even light', () => {
		const even = new EvenSubstring(group(20, 1), BYPASS_DIODE);
		const split = new UnevenSubstring([[group(5, 1), group(15, 1)]], BYPASS_DIODE);
		fc.assert(
			fc.property(current, (at) => {
				expect(solve(split, at).voltage).toBeCloseTo(solve(even, at).voltage, 5);
			})
		);
	});

	it('of two equal rows of half-cut cells is one row of whole cells', () => {
		const even = new EvenSubstring(group(20, 0.8), BYPASS_DIODE);
		const rows = new UnevenSubstring([[group(20, 0.8, 2)], [group(20, 0.8, 2)]], BYPASS_DIODE);
		fc.assert(
			fc.property(current, (at) => {
				expect(solve(rows, at).voltage).toBeCloseTo(solve(even, at).voltage, 5);
			})
		);
	});

	it('falls in volts as its current rises, by the slope it says', () => {
		fc.assert(
			fc.property(lights, lights, current, (one, other, at) => {
				const substring = new UnevenSubstring([[group(4, one), group(16, other)]], BYPASS_DIODE);
				const step = 1e-6;
				const { slope } = solve(substring, at);
				const rise =
					(solve(substring, at + step).voltage - solve(substring, at - step).voltage) / (2 * step);
				expect(slope).toBeLessThan(0);
				// Where the bypass begins to carry, the slope changes by decades within a microampere.
				expect(Math.abs(rise - slope)).toBeLessThan(0.02 * Math.abs(slope) + 0.01);
			})
		);
	});
});

describe('one shaded cell of twenty', () => {
	const shaded = [group(1, 0.2), group(19, 1)];

	it('hands the section over to its diode at the current of the rest', () => {
		const { voltage } = solve(new UnevenSubstring([shaded], BYPASS_DIODE), 7);
		expect(voltage).toBeLessThan(0);
		expect(voltage).toBeGreaterThan(-0.6);
	});

	it('is driven backwards by all the others meanwhile: the hot spot', () => {
		const substring = new UnevenSubstring([shaded], BYPASS_DIODE);
		const { voltage } = solve(substring, 7);
		const [cell, rest] = substring.groupsAt(voltage)[0]!;
		expect(cell!.volts).toBeLessThan(-5);
		expect(rest!.volts).toBeGreaterThan(5);
		expect(cell!.amps).toBeCloseTo(rest!.amps, 9);
	});

	it('takes from the string what no diode limits, where its diode is open', () => {
		const limited = solve(new UnevenSubstring([shaded], BYPASS_DIODE), 7).voltage;
		expect(solve(new UnevenSubstring([shaded], null), 7).voltage).toBeLessThan(3 * limited);
	});
});

describe('the groups of a section', () => {
	it('together have its volts, in every row', () => {
		fc.assert(
			fc.property(lights, lights, lights, current, (one, two, three, at) => {
				const substring = new UnevenSubstring(
					[[group(20, one, 2)], [group(6, two, 2), group(14, three, 2)]],
					BYPASS_DIODE
				);
				const { voltage } = solve(substring, at);
				for (const row of substring.groupsAt(voltage)) {
					expect(row.reduce((sum, { volts: own }) => sum + own, 0)).toBeCloseTo(voltage, 6);
				}
			})
		);
	});

	it('of a shaded row carry less than those of the other', () => {
		const substring = new UnevenSubstring([[group(20, 1, 2)], [group(20, 0.3, 2)]], null);
		const { voltage } = solve(substring, 4);
		const [lit, dark] = substring.groupsAt(voltage).map(([group]) => group!.amps);
		expect(lit).toBeGreaterThan(dark!);
		expect(lit! + dark!).toBeCloseTo(4, 6);
	});
});
