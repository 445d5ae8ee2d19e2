import type { ModuleType, StringRecord } from '../record';
import type { Conditions } from '../conditions';
import {
	AGEING_UNCERTAINTY,
	AGEING_PER_YEAR,
	COMMON_SHARE,
	EVEN_SOILING,
	METER_GAIN_SHARE,
	MODEL_COMMON,
	MODEL_UNCERTAINTY,
	RECTANGULAR,
	SPREAD_PER_YEAR,
	THIN_FILM_UNCERTAINTY,
	TYPICAL_COEFFICIENT_UNCERTAINTY
} from './allowances';
import { isThinFilm } from '../module';
import { rearGain } from './rear-gain';
import { rmsOf, type Scatter } from './scatter';
import { STC_CELL_TEMPERATURE } from '../units';
import type { Prediction } from './predict';
import type { MeterAccuracy, StringQuantity, Visit } from '../visit';

/** One source of uncertainty about one number, in the number's own unit. */
export interface Contribution {
	readonly source:
		| 'label'
		| 'meter'
		| 'operating-volts'
		| 'model'
		| 'cell-temperature'
		| 'unsteady-light'
		| 'light';
	readonly words: string;
	readonly standardUncertainty: number;
}

/** Standard uncertainty of a sum of independent sources. */
export function combine(contributions: readonly Contribution[]): number {
	return Math.hypot(...contributions.map((c) => c.standardUncertainty));
}

/** The part of a meter's error that differs from reading to reading; V or A. */
function meterScatter(meter: MeterAccuracy, value: number): number {
	const gain = (meter.pctOfReading / 100) * Math.abs(value) * Math.sqrt(1 - METER_GAIN_SHARE);
	return RECTANGULAR * Math.hypot(gain, meter.counts * meter.resolution);
}

/** What the meter alone makes unsure about one figure, scatter and common part together. */
export function meterUncertainty(
	unit: 'V' | 'A',
	value: number,
	meters: Visit['meters']
): readonly Contribution[] {
	const { pctOfReading, counts, resolution } = unit === 'V' ? meters.volts : meters.amps;
	const limit = Math.hypot((pctOfReading / 100) * Math.abs(value), counts * resolution);
	return [{ source: 'meter', words: 'the meter itself', standardUncertainty: RECTANGULAR * limit }];
}

/** The part of a meter's error that all its readings share, relative. */
function meterGain(meter: MeterAccuracy): number {
	return RECTANGULAR * (meter.pctOfReading / 100) * Math.sqrt(METER_GAIN_SHARE);
}

function labelShare(pct: number, share: number): number {
	return RECTANGULAR * (pct / 100) * Math.sqrt(share);
}

/** What the readings of comparable strings in one visit have in common as far as their scatter goes. */
export interface Series {
	readonly type: ModuleType;
	readonly meters: Visit['meters'];
	/** In service. */
	readonly years: number;
	/** How far the cell temperatures of the strings differ, K. */
	readonly temperature: Scatter;
	/** How far the irradiance moves from one current to the next, relative. */
	readonly irradiance: Scatter;
}

/**
 * What makes one reading differ from those of comparable strings as far as it is known beforehand: the
 * spread of the modules (averaged over the string), the meter's noise and counts, the model and, for an
 * operating current, the voltage at which it flowed. What nobody knows beforehand is
 * {@link scatterUncertainty}.
 *
 * Linear propagation after JCGM 100:2008 (GUM), 5.1.
 *
 * @returns contributions in V or A
 */
export function ownUncertainty(
	quantity: StringQuantity,
	prediction: Prediction,
	string: StringRecord,
	{ type, meters, years }: Omit<Series, 'temperature' | 'irradiance'>,
	atVoltage: number | null
): Contribution[] {
	const { value, perVolt } = prediction;
	const count = Math.sqrt(Math.max(string.moduleCount, 1));
	const spread = (tolerance: number, perYear: number) =>
		Math.hypot(labelShare(tolerance, 1 - COMMON_SHARE), perYear * years) / count;
	const voltageShare = spread(type.tolerance.vocPct, SPREAD_PER_YEAR.volts);
	const currentShare = spread(type.tolerance.iscPct, SPREAD_PER_YEAR.amps);
	if (quantity === 'open-circuit-voltage') {
		return [
			{
				source: 'label',
				words: 'spread of the modules’ voltage, averaged over the string',
				standardUncertainty: Math.abs(value) * voltageShare
			},
			{
				source: 'meter',
				words: 'voltmeter, from reading to reading',
				standardUncertainty: meterScatter(meters.volts, value)
			},
			{
				source: 'model',
				words: 'the model itself',
				standardUncertainty: Math.abs(value) * MODEL_UNCERTAINTY.volts
			}
		];
	}
	const voltage = atVoltage ?? 0;
	const voltageUncertainty = Math.hypot(
		meterScatter(meters.volts, voltage),
		voltage * Math.hypot(voltageShare, MODEL_UNCERTAINTY.volts)
	);
	const contributions: Contribution[] = [
		{
			source: 'label',
			words: 'spread of the modules’ current, averaged over the string',
			standardUncertainty: Math.abs(value) * currentShare
		},
		{
			source: 'meter',
			words: 'clamp meter, from reading to reading',
			standardUncertainty: meterScatter(meters.amps, value)
		},
		{
			source: 'model',
			words: 'the model itself',
			standardUncertainty:
				Math.abs(value) *
				(quantity === 'short-circuit-current'
					? MODEL_UNCERTAINTY.shortCircuitAmps
					: MODEL_UNCERTAINTY.amps)
		}
	];
	if (quantity === 'operating-current') {
		contributions.push({
			source: 'operating-volts',
			words: 'the voltage at which it flowed',
			standardUncertainty: Math.abs(perVolt) * voltageUncertainty
		});
	}
	return contributions;
}

/**
 * What the cells' temperature and the irradiance of this one string may be off from those of the group.
 *
 * @param value V or A
 * @param perKelvin change of the value with the cell temperature, V/K or A/K
 * @param own scatter this very reading is judged by: of temperature for a voltage, of irradiance for a current
 */
export function scatterUncertainty(
	quantity: StringQuantity,
	value: number,
	perKelvin: number,
	series: Pick<Series, 'temperature' | 'irradiance'>,
	own: Scatter | null = null
): Contribution[] {
	const isVoltage = quantity === 'open-circuit-voltage';
	const temperature: Contribution = {
		source: 'cell-temperature',
		words: 'cell temperatures differ from string to string',
		standardUncertainty: Math.abs(perKelvin) * rmsOf(isVoltage && own ? own : series.temperature)
	};
	if (isVoltage) return [temperature];
	return [
		temperature,
		{
			source: 'unsteady-light',
			words: 'irradiance from one reading to the next',
			standardUncertainty: Math.abs(value) * rmsOf(own ?? series.irradiance)
		}
	];
}

/**
 * How far effective light and effective heat of a group of like strings may lie from what was
 * stated, before any string is read. The common parts of label, meter and ageing act on every
 * string alike, so they are carried by the same two unknowns.
 */
export interface SharedUncertainty {
	/** Standard uncertainty of ln(light / stated light). */
	readonly irradiance: number;
	/** K */
	readonly cellTemperature: number;
}

/** How little is known of light and heat before the strings are asked, relative and K; judgement. */
export const UNASKED = { light: 0.4, heat: 15 } as const;

/** What the strings themselves said must not be told to them again as if somebody else had. */
const statedIrradianceUncertainty = ({ irradiance }: Conditions) =>
	irradiance.source === 'siblings' ? UNASKED.light : irradiance.relativeStandardUncertainty;
const statedTemperatureUncertainty = ({ cellTemperature }: Conditions) =>
	cellTemperature.source === 'siblings' ? UNASKED.heat : cellTemperature.standardUncertainty;

/** @param voltsPerKelvin relative change of Voc per kelvin here, 1/K, negative */
export function sharedUncertainty(
	conditions: Conditions,
	type: ModuleType,
	years: number,
	meters: Visit['meters'],
	voltagePerKelvin: number
): SharedUncertainty {
	const warming = conditions.cellTemperature.value - STC_CELL_TEMPERATURE;
	/** Share that an unstated coefficient may be off by at this temperature. */
	const unstated = (stated: number | null, pctPerK: number) =>
		stated === null ? (pctPerK / 100) * warming : 0;
	const film = isThinFilm(type.plate.technology) ? 1 : 0;
	const voltage = Math.hypot(
		MODEL_COMMON.volts,
		film * THIN_FILM_UNCERTAINTY.volts,
		unstated(type.plate.betaVocPctPerK, TYPICAL_COEFFICIENT_UNCERTAINTY.betaVoc),
		labelShare(type.tolerance.vocPct, COMMON_SHARE),
		meterGain(meters.volts),
		AGEING_UNCERTAINTY * AGEING_PER_YEAR.voltage * years
	);
	return {
		irradiance: Math.hypot(
			statedIrradianceUncertainty(conditions),
			MODEL_COMMON.amps,
			film * THIN_FILM_UNCERTAINTY.amps,
			rearGain(type, conditions).uncertainty,
			unstated(type.plate.alphaIscPctPerK, TYPICAL_COEFFICIENT_UNCERTAINTY.alphaIsc),
			labelShare(type.tolerance.iscPct, COMMON_SHARE),
			meterGain(meters.amps),
			AGEING_UNCERTAINTY * AGEING_PER_YEAR.current * years,
			EVEN_SOILING.uncertainty
		),
		cellTemperature: Math.hypot(
			statedTemperatureUncertainty(conditions),
			voltage / voltagePerKelvin
		)
	};
}
