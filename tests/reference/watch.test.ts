import * as astronomy from 'astronomy-engine';
import { describe, expect, it } from 'vitest';
import { dividerVoltage, seasonPoints, shuntResistance } from '$core/monitoring';
import { robustSlope } from '$core/numerics';

describe('equinoxes and solstices', () => {
	it.each([1996, 2018, 2026, 2027, 2045])('of %d agree with an independent library', (year) => {
		const { mar_equinox, jun_solstice, sep_equinox, dec_solstice } = astronomy.Seasons(year);
		const theirs = [mar_equinox, jun_solstice, sep_equinox, dec_solstice].map(({ date }) => +date);
		seasonPoints(year).forEach(({ at }, i) => {
			expect(Math.abs(at - theirs[i]!) / 60_000).toBeLessThan(20);
		});
	});
	it('of 1962: June solstice at 21 h 24 min 42 s (Meeus, Astronomical Algorithms, example 27.a; dynamical time, from memory)', () => {
		const { at } = seasonPoints(1962)[1]!;
		expect(Math.abs(at - Date.UTC(1962, 5, 21, 21, 24, 42)) / 60_000).toBeLessThan(20);
	});
});

it('the robust slope of a worked example (Hollander and Wolfe, Nonparametric Statistical Methods, cloud seeding, example 9.1, from memory)', () => {
	const x = [1, 2, 3, 4, 5];
	const y = [1.26, 1.27, 1.12, 1.16, 1.03];
	expect(robustSlope(x, y)!.slope).toBeCloseTo(-0.056, 3);
});

describe('logger parts (common practice, no source)', () => {
	it('a shunt of 75 mV at 50 A has 1.5 mohm', () => {
		expect(shuntResistance({ ratedAmps: 50, ratedMillivolts: 75 })).toBeCloseTo(0.0015, 12);
	});
	it('100 kohm over 10 kohm divides by 11', () => {
		const exact = { bits: 16, reference: 5, referencePct: 0, offCounts: 0 };
		expect(dividerVoltage(1, { upper: 100e3, lower: 10e3, tolerancePct: 1 }, exact).value).toBe(11);
	});
});
