import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrayRecord } from '../../../tests/support/scenario';
import { maximumPowerPoint, openCircuitVoltage, shortCircuitCurrent } from '../module';
import {
	agedModel,
	alike,
	moduleAtConditions,
	predictReading,
	predictValue,
	stringAtConditions
} from './predict';

const { moduleTypes, strings } = arrayRecord();
const [type] = moduleTypes;
const [string] = strings;
const at = (years: number, irradiance = 800, cellTemperature = 45) =>
	moduleAtConditions(agedModel(type!, years), irradiance, cellTemperature);
const whole = (years: number) =>
	stringAtConditions(string!, agedModel(type!, years), alike(at(years)));

describe('ageing', () => {
	it('does not make a healthy string of 20 years look a module short', () => {
		const lost = 1 - openCircuitVoltage(at(20)) / openCircuitVoltage(at(0));
		expect(lost).toBeLessThan(0.02);
		expect(12 * lost).toBeLessThan(1 / 3);
	});

	it('takes about half a percent of power a year, most of it as current', () => {
		const power = (years: number) => {
			const { volts: voltage, amps: current } = maximumPowerPoint(at(years));
			return voltage * current;
		};
		expect(1 - power(10) / power(0)).toBeCloseTo(0.05, 2);
		expect(1 - shortCircuitCurrent(at(10)) / shortCircuitCurrent(at(0))).toBeCloseTo(0.035, 3);
	});

	it('ends before nothing is left', () => {
		const ancient = at(10_000);
		expect(shortCircuitCurrent(ancient)).toBeGreaterThan(0);
		expect(openCircuitVoltage(ancient)).toBeGreaterThan(0);
	});
});

describe('a whole string’s reading', () => {
	it('is its modules’ volts in series, its modules’ current, and falls with bus volts', () => {
		expect(predictValue(whole(0), 'open-circuit-voltage', null)).toBeCloseTo(
			12 * openCircuitVoltage(at(0)),
			5
		);
		const isc = predictValue(whole(0), 'short-circuit-current', null);
		expect(isc).toBeCloseTo(shortCircuitCurrent(at(0)), 1);
		fc.assert(
			fc.property(fc.double({ min: 0, max: 520, noNaN: true }), (voltage) => {
				const current = predictValue(whole(0), 'operating-current', voltage);
				expect(current).toBeLessThanOrEqual(isc + 1e-9);
				expect(predictValue(whole(0), 'operating-current', voltage + 1)).toBeLessThan(current);
			})
		);
	});

	it('follows the bus volts as steeply as it says', () => {
		for (const voltage of [300, 370, 420, 450]) {
			const { value, perVolt } = predictReading(whole(3), 'operating-current', voltage);
			const next = predictValue(whole(3), 'operating-current', voltage + 0.01);
			expect((next - value) / 0.01 / perVolt).toBeCloseTo(1, 2);
		}
	});

	it('does not follow volts where it has none, or where the path is open', () => {
		expect(predictReading(whole(0), 'open-circuit-voltage', null).perVolt).toBe(0);
		const open = { ...whole(0), joints: [{ at: 5, resistance: 'open' as const }] };
		const { value, perVolt } = predictReading(open, 'operating-current', 370);
		expect(value).toBeCloseTo(0, 6);
		expect(perVolt).toBeCloseTo(0, 6);
	});
});
