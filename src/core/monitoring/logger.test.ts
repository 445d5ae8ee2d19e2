import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { clippingPrice } from './clipping-price';
import { dividerVoltage, shuntCurrent, shuntDissipation, shuntResistance } from './logger';

const CONVERTER = { bits: 12, reference: 3.3, referencePct: 0.5, offCounts: 4 };
const SHUNT = { ratedAmps: 50, ratedMillivolts: 75, tolerancePct: 0.5, gain: 40, gainPct: 0.5 };

describe('a divider', () => {
	it('gives the volts on its line', () => {
		const logged = dividerVoltage(2.1, { upper: 220e3, lower: 10e3, tolerancePct: 0.1 }, CONVERTER);
		expect(logged.value).toBeCloseTo(48.3, 9);
		expect(logged.most).toBeCloseTo(75.9, 9);
		expect(logged.count).toBeCloseTo((3.3 / 4095) * 23, 9);
	});
	it('is off by no more than its resistors can be', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 100, max: 1e6, noNaN: true }),
				fc.double({ min: 100, max: 1e6, noNaN: true }),
				fc.constantFrom(-1, 1),
				fc.constantFrom(-1, 1),
				(upper, lower, a, b) => {
					const divider = { upper, lower, tolerancePct: 1 };
					const exact = { bits: 30, reference: 5, referencePct: 0, offCounts: 0 };
					const said = dividerVoltage(1, divider, exact);
					const truth = (upper * (1 + a / 100) + lower * (1 + b / 100)) / (lower * (1 + b / 100));
					expect(Math.abs(truth - said.value)).toBeLessThanOrEqual(said.worst * 1.02 + 1e-6);
				}
			)
		);
	});
});

describe('a shunt', () => {
	it('gives the amps through it, behind its amplifier', () => {
		expect(shuntResistance(SHUNT)).toBeCloseTo(0.0015, 12);
		expect(shuntCurrent(1.2, SHUNT, CONVERTER).value).toBeCloseTo(20, 9);
		expect(shuntDissipation(20, SHUNT)).toBeCloseTo(0.6, 9);
	});
	it('is less sure than any one of its limits, and surer than all at once', () => {
		const { uncertainty, worst, value } = shuntCurrent(1.2, SHUNT, CONVERTER);
		expect(uncertainty).toBeLessThan(worst);
		expect(uncertainty).toBeGreaterThan((0.01 * value) / Math.sqrt(3));
	});
});

describe('a year of clipping', () => {
	const lost = { value: 20, low: 15, high: 30 };

	it('has a price with its range, and a larger device a time to pay', () => {
		expect(clippingPrice(lost, 365.25, 0.25, 50)).toEqual({
			aYear: lost,
			costAYear: { value: 5, low: 3.75, high: 7.5 },
			paysAfter: 10
		});
	});

	it('pays for nothing where nothing was clipped, or nobody said what the device costs more', () => {
		const nothing = { value: 0, low: 0, high: 0 };
		expect(clippingPrice(nothing, 365.25, 0.25, 50)!.paysAfter).toBeNull();
		expect(clippingPrice(lost, 365.25, 0.25, null)!.paysAfter).toBeNull();
	});

	it('is not made of a part of one', () => {
		expect(clippingPrice(lost, 100, 0.25, 50)).toBeNull();
	});
});
