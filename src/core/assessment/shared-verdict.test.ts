import { describe, expect, it } from 'vitest';
import { peersOf } from '../../../tests/support/peers';
import { arrayRecord, visitOf, type Scenario } from '../../../tests/support/scenario';
import { judgeGroup } from './shared-verdict';
import { thresholds } from './verdict';

const record = arrayRecord();
const limits = thresholds(16);
const judged = (scenario: Omit<Scenario, 'record'> = {}) =>
	judgeGroup(peersOf(record, visitOf({ record, ...scenario })), limits);

describe('what the strings have in common', () => {
	it('fits where they read as stated, and says so', () => {
		const { verdict, words, irradiance, cellTemperature } = judged();
		expect(verdict).toBe('pass');
		expect(words).toBe('The strings together agree with the stated conditions.');
		expect(Math.abs(irradiance.relative)).toBeLessThan(0.02);
		expect(Math.abs(cellTemperature.kelvin)).toBeLessThan(1);
	});

	it.each([
		[{ irradianceFactor: 0.75 }, /^Currents are 2\d % low on all strings alike: less sun/],
		[{ irradianceFactor: 1.3 }, /^Currents are \d+ % high on all strings alike: more sun/],
		[{ temperatureShift: 18 }, /^Voltages of all strings match cells 1\d K warmer/],
		[{ temperatureShift: -18 }, /^Voltages of all strings match cells 1\d K cooler/]
	])('with %o is off, and is no string’s fault', (truth, said) => {
		const { verdict, words } = judged(truth);
		expect(verdict).toBe('fail');
		expect(words).toMatch(said);
		expect(words).toContain('not one string');
	});

	it('says both where both lie off, in one sentence', () => {
		const { words } = judged({ irradianceFactor: 0.72, temperatureShift: 18 });
		expect(words).toMatch(/^Currents are .*; voltages of all strings .*\.$/);
	});

	it('tells where light and heat came out, and how surely', () => {
		const { irradiance, cellTemperature } = judged({
			irradianceFactor: 0.8,
			temperatureShift: 12
		});
		expect(irradiance.relative).toBeCloseTo(-0.2, 1);
		expect(Math.abs(cellTemperature.kelvin - 12)).toBeLessThan(
			3 * cellTemperature.standardUncertainty
		);
		expect(irradiance.standardUncertainty).toBeLessThan(0.03);
		expect(cellTemperature.standardUncertainty).toBeLessThan(3);
	});

	it('is surer the more is read', () => {
		const voltage = judged({ quantities: ['open-circuit-voltage'] });
		const both = judged();
		expect(both.irradiance.standardUncertainty).toBeLessThan(
			voltage.irradiance.standardUncertainty
		);
	});
});

describe('strings that say nothing', () => {
	it('are judged by nothing: none read', () => {
		expect(judged({ quantities: [] })).toMatchObject({
			verdict: null,
			words: 'Nothing is read yet.'
		});
	});

	it('are judged by nothing: all of them dead', () => {
		const dead = Object.fromEntries(
			record.strings.map(({ label }) => [label, { code: 'connector-open' as const }])
		);
		expect(judged({ faults: dead })).toMatchObject({
			verdict: null,
			words: expect.stringContaining('No producing string')
		});
	});
});
