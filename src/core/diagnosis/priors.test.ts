import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrayRecord } from '../../../tests/support/scenario';
import type { Quantity } from '../visit';
import { classesOf } from './string-class';
import { logSum } from '../numerics';
import { logSharedPriors, speaksAgainstConditions } from './common-causes';
import { shiftGrid } from './shift-grid';

const { moduleTypes, strings } = arrayRecord();
const type = moduleTypes[0]!;
const string = strings[0]!;

describe('classes of a string', () => {
	const none = new Set<never>();

	it('add up to one, the whole string first', () => {
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 200 }), fc.boolean(), (moduleCount, fused) => {
				const all = classesOf(
					{ ...string, moduleCount, fuse: fused ? { rating: null } : null },
					type,
					{},
					none
				);
				expect(all[0].faults).toEqual([]);
				expect(all.reduce((sum, one) => sum + one.prior, 0)).toBeCloseTo(1, 9);
				for (const { prior } of all) expect(prior).toBeGreaterThan(0);
			})
		);
	});

	it('hold no blown fuse where there is none, and what no reading shows only where one does', () => {
		const codes = (fuse: typeof string.fuse, read = new Set<Quantity>()) =>
			new Set(
				classesOf({ ...string, fuse }, type, {}, read).flatMap(({ faults }) =>
					faults.map(({ fault }) => fault.code)
				)
			);
		expect(codes({ rating: 15 }).has('fuse-blown')).toBe(true);
		expect(codes(null).has('fuse-blown')).toBe(false);
		expect(codes(null).has('earth-fault')).toBe(false);
		expect(codes(null, new Set(['positive-to-earth'])).has('earth-fault')).toBe(true);
	});

	it('weigh a connector more the more connectors there are, and as the site rates it', () => {
		const chance = (moduleCount: number, rates = {}) =>
			classesOf({ ...string, moduleCount }, type, rates, none)
				.filter(({ faults }) => faults[0]?.fault.code === 'connector-open')
				.reduce((sum, one) => sum + one.prior, 0);
		expect(chance(24)).toBeGreaterThan(1.8 * chance(12));
		expect(chance(12, { 'connector-open': 4e-3 })).toBeGreaterThan(8 * chance(12));
	});
});

describe('what moves all strings alike', () => {
	const uncertainty = { irradiance: 0.04, cellTemperature: 2.5 };
	const shares = (irradiance: number, cellTemperature: number) => {
		const logs = logSharedPriors({ irradiance, cellTemperature }, uncertainty);
		const all = logSum(Object.values(logs));
		return {
			asStated: Math.exp(logs['as-stated'] - all),
			soiling: Math.exp(logs.soiling - all),
			wrong: Math.exp(logs['conditions-wrong'] - all) + Math.exp(logs['record-wrong'] - all)
		};
	};

	it('is nothing where the strings agree with the sensor', () => {
		expect(shares(0.01, 0.5).asStated).toBeGreaterThan(0.9);
	});

	it('may be soiling where there is less irradiance, and cannot be where there is more', () => {
		expect(shares(-0.12, 0).soiling).toBeGreaterThan(0.3);
		expect(shares(0.2, 0).soiling).toBeLessThan(0.01);
		expect(shares(0.2, 0).wrong).toBeGreaterThan(0.9);
	});

	it('is the conditions where cellTemperature is off, since soiling does not warm', () => {
		expect(shares(0, 18).wrong).toBeGreaterThan(0.95);
	});

	it('is the sensor or the probe: one of them may be wrong while the other agrees', () => {
		const odds = (irradiance: number, cellTemperature: number) => {
			const { wrong, asStated } = shares(irradiance, cellTemperature);
			return wrong / asStated;
		};
		expect(odds(0.14, 0)).toBeGreaterThan(1);
		expect(odds(0, 9)).toBeGreaterThan(1);
		expect(odds(0.05, 2)).toBeLessThan(0.2);
	});

	it('says nothing of the conditions where a nameplate explains the same shift', () => {
		const said = (record: number) =>
			speaksAgainstConditions({
				'as-stated': 0,
				soiling: 0,
				'conditions-wrong': 1 - record,
				'record-wrong': record
			});
		expect(said(0)).toBe(7);
		expect(said(0.5)).toBeLessThan(3);
		expect(said(0.94)).toBeCloseTo(0, 1);
	});

	it('is spread over all shifts to one', () => {
		let sum = 0;
		const step = { irradiance: 0.02, cellTemperature: 1 };
		for (let irradiance = -2.5; irradiance < 2; irradiance += step.irradiance) {
			for (
				let cellTemperature = -70;
				cellTemperature < 70;
				cellTemperature += step.cellTemperature
			) {
				sum +=
					Math.exp(
						logSum(Object.values(logSharedPriors({ irradiance, cellTemperature }, uncertainty)))
					) *
					step.irradiance *
					step.cellTemperature;
			}
		}
		expect(sum).toBeCloseTo(1, 2);
	});

	it('is summed without overflow', () => {
		expect(logSum([-1000, -1000])).toBeCloseTo(-1000 + Math.LN2, 9);
		expect(logSum([800, 3])).toBeCloseTo(800, 9);
		expect(logSum([-Infinity, -Infinity])).toBe(-Infinity);
	});
});

describe('the grid over irradiance and heat', () => {
	it('integrates the bell it is laid over, however its axes lie', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 20, max: 5000, noNaN: true }),
				fc.double({ min: 0.05, max: 30, noNaN: true }),
				fc.double({ min: -0.95, max: 0.95, noNaN: true }),
				(ll, hh, correlation) => {
					const lh = correlation * Math.sqrt(ll * hh);
					const centre = { irradiance: 0.02, cellTemperature: -3 };
					const grid = shiftGrid([{ shift: centre, information: [ll, lh, hh], items: [] }]);
					const norm = Math.sqrt(ll * hh - lh * lh) / (2 * Math.PI);
					const sum = grid.reduce((total, { irradiance, cellTemperature, logArea }) => {
						const dl = irradiance - centre.irradiance;
						const dh = cellTemperature - centre.cellTemperature;
						const exponent = -0.5 * (ll * dl * dl + 2 * lh * dl * dh + hh * dh * dh);
						return total + norm * Math.exp(exponent + logArea);
					}, 0);
					expect(Math.abs(sum - 1)).toBeLessThan(1e-3);
				}
			)
		);
	});
});
