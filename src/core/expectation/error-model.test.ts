import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrayRecord, visitOf } from '../../../tests/support/scenario';
import { IRRADIANCE_SCATTER, TEMPERATURE_SCATTER } from './allowances';
import {
	combine,
	ownUncertainty,
	scatterUncertainty,
	sharedUncertainty,
	type Series
} from './error-model';
import { priorScatter, rmsOf } from './scatter';
import { USUAL_METERS } from '../visit';

const record = arrayRecord();
const type = record.moduleTypes[0]!;
const string = record.strings[0]!;
const series: Series = {
	type,
	meters: USUAL_METERS,
	years: 0,
	temperature: priorScatter(TEMPERATURE_SCATTER),
	irradiance: priorScatter(IRRADIANCE_SCATTER)
};
const voltage = (value = 460, of: Series = series, count = 12) =>
	combine(
		ownUncertainty(
			'open-circuit-voltage',
			{ value, perVolt: 0 },
			{ ...string, moduleCount: count },
			of,
			null
		)
	);
const current = (perVolt = -0.02, of: Series = series, atVoltage = 370) =>
	combine(ownUncertainty('operating-current', { value: 8, perVolt }, string, of, atVoltage));

describe('what makes one reading differ from its peers', () => {
	it('names each part, in the unit of the reading', () => {
		const parts = ownUncertainty(
			'operating-current',
			{ value: 8, perVolt: -0.02 },
			string,
			series,
			370
		);
		expect(parts.map(({ source }) => source)).toEqual([
			'label',
			'meter',
			'model',
			'operating-volts'
		]);
		expect(combine(parts) ** 2).toBeCloseTo(
			parts.reduce((sum, part) => sum + part.standardUncertainty ** 2, 0),
			12
		);
	});

	it('is smaller in a long string, whose modules average out', () => {
		expect(voltage(460, series, 24)).toBeLessThan(voltage(460, series, 6));
	});

	it('grows with the meter’s error and with its count', () => {
		const meter = (change: object): Series => ({
			...series,
			meters: { ...USUAL_METERS, volts: { ...USUAL_METERS.volts, ...change } }
		});
		expect(voltage(460, meter({ pctOfReading: 2 }))).toBeGreaterThan(1.6 * voltage());
		expect(voltage(460, meter({ resolution: 1 }))).toBeGreaterThan(voltage());
		// 0.5 % + 2 counts of 0.1 V, each a rectangle; most of the gain's variance is shared.
		const [, part] = ownUncertainty(
			'open-circuit-voltage',
			{ value: 460, perVolt: 0 },
			string,
			series,
			null
		);
		const exact = Math.hypot((2.3 / Math.sqrt(3)) * Math.sqrt(0.15), 0.2 / Math.sqrt(3));
		expect(part!.standardUncertainty).toBeCloseTo(exact, 9);
	});

	it('grows where the curve is steep, and with the years in service', () => {
		expect(current(-0.4)).toBeGreaterThan(2 * current(-0.02));
		expect(voltage(460, { ...series, years: 25 })).toBeGreaterThan(voltage());
		expect(current(-0.02, { ...series, years: 25 })).toBeGreaterThan(current());
	});

	it('leaves to the readings how unequally warm the strings are and how steady the light was', () => {
		const sources = (quantity: 'open-circuit-voltage' | 'operating-current') =>
			scatterUncertainty(quantity, 8, -0.03, series).map(({ source }) => source);
		expect(sources('open-circuit-voltage')).toEqual(['cell-temperature']);
		expect(sources('operating-current')).toEqual(['cell-temperature', 'unsteady-light']);
		const wide = { values: [0.06], weights: [1] };
		const [, irradiance] = scatterUncertainty('operating-current', 8, 0, series, wide);
		expect(irradiance!.standardUncertainty).toBeCloseTo(0.48, 12);
		const [warm] = scatterUncertainty('open-circuit-voltage', 460, -1.3, series);
		expect(warm!.standardUncertainty).toBeCloseTo(1.3 * rmsOf(series.temperature), 12);
	});

	it('does not ask for the sign of a reading', () => {
		fc.assert(
			fc.property(fc.double({ min: 1, max: 1500, noNaN: true }), (value) => {
				expect(voltage(-value)).toBeCloseTo(voltage(value), 12);
			})
		);
	});
});

describe('what all strings share', () => {
	const [conditions] = visitOf({ record }).conditions;
	const uncertainty = (change: object = {}, nameplate: object = {}, years = 0) =>
		sharedUncertainty(
			{ ...conditions!, ...change },
			{ ...type, plate: { ...type.plate, ...nameplate } },
			years,
			USUAL_METERS,
			-0.003
		);

	it('is at least what the conditions’ own uncertainty is', () => {
		expect(uncertainty().irradiance).toBeGreaterThan(0.03);
		expect(uncertainty().cellTemperature).toBeGreaterThan(2);
	});

	it('grows with age, and with coefficients that the label does not state', () => {
		expect(uncertainty({}, {}, 20).irradiance).toBeGreaterThan(uncertainty().irradiance);
		expect(uncertainty({}, { betaVocPctPerK: null }).cellTemperature).toBeGreaterThan(
			uncertainty().cellTemperature
		);
		expect(uncertainty({}, { alphaIscPctPerK: null }).irradiance).toBeGreaterThan(
			uncertainty().irradiance
		);
	});

	it('does not mind an unstated coefficient at 25 degC, where it does nothing', () => {
		const cool = { cellTemperature: { ...conditions!.cellTemperature, value: 25 } };
		expect(uncertainty(cool, { betaVocPctPerK: null })).toEqual(uncertainty(cool));
	});
});
