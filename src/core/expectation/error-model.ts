import type { ModuleType, StringRecord } from '../record/record';
import type { Conditions } from '../conditions/conditions';
import {
	AGEING_DOUBT,
	AGEING_PER_YEAR,
	COMMON_SHARE,
	EVEN_DIRT,
	MODEL_DOUBT,
	RECTANGULAR,
	TYPICAL_COEFFICIENT_DOUBT
} from './allowances';
import { STC_CELL_TEMPERATURE } from '../units/constants';
import type { Prediction } from './predict';
import type { MeterAccuracy, Visit } from './visit';
import type { StringQuantity } from './quantity';

/** One source of doubt about one number, in the number's own unit. */
export interface Contribution {
	readonly source: 'label' | 'meter' | 'operating-volts' | 'model' | 'unsteady-light' | 'light';
	readonly words: string;
	readonly standardUncertainty: number;
}

/** Standard uncertainty of a sum of independent sources. */
export function combine(contributions: readonly Contribution[]): number {
	return Math.hypot(...contributions.map((c) => c.standardUncertainty));
}

/** The part of a meter's error that differs from reading to reading; V or A. */
function meterScatter(meter: MeterAccuracy, value: number): number {
	const gain = (meter.pctOfReading / 100) * Math.abs(value) * Math.sqrt(1 - COMMON_SHARE);
	return RECTANGULAR * Math.hypot(gain, meter.counts * meter.resolution);
}

/** What the meter alone makes unsure about one figure, scatter and common part together. */
export function meterDoubt(
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
	return RECTANGULAR * (meter.pctOfReading / 100) * Math.sqrt(COMMON_SHARE);
}

function labelShare(pct: number, share: number): number {
	return RECTANGULAR * (pct / 100) * Math.sqrt(share);
}

/** What the readings of one module type in one visit have in common as far as their scatter goes. */
export interface Series {
	readonly type: ModuleType;
	readonly meters: Visit['meters'];
	/** How far the light moves from reading to reading, relative standard uncertainty. */
	readonly unsteadiness: number;
}

/**
 * What makes one reading differ from its siblings: the modules' own spread (averaged over the
 * string), the meter's scatter, the model, and for a current how the light moves between readings
 * and, where it is an operating current, the doubt about the volts at which it flowed.
 *
 * Linear propagation after JCGM 100:2008 (GUM), 5.1.
 */
export function ownDoubt(
	quantity: StringQuantity,
	prediction: Prediction,
	string: StringRecord,
	{ type, meters, unsteadiness }: Series,
	atVolts: number | null
): Contribution[] {
	const { value, perVolt } = prediction;
	const count = Math.sqrt(Math.max(string.moduleCount, 1));
	const voltsShare = labelShare(type.tolerance.vocPct, 1 - COMMON_SHARE) / count;
	const ampsShare = labelShare(type.tolerance.iscPct, 1 - COMMON_SHARE) / count;
	if (quantity === 'open-circuit-voltage') {
		return [
			{
				source: 'label',
				words: 'spread of the modules’ voltage, averaged over the string',
				standardUncertainty: Math.abs(value) * voltsShare
			},
			{
				source: 'meter',
				words: 'meter, volts',
				standardUncertainty: meterScatter(meters.volts, value)
			},
			{
				source: 'model',
				words: 'the model itself',
				standardUncertainty: Math.abs(value) * MODEL_DOUBT.volts
			}
		];
	}
	const volts = atVolts ?? 0;
	const voltsDoubt = Math.hypot(
		meterScatter(meters.volts, volts),
		volts * (voltsShare + MODEL_DOUBT.volts)
	);
	const contributions: Contribution[] = [
		{
			source: 'label',
			words: 'spread of the modules’ current, averaged over the string',
			standardUncertainty: Math.abs(value) * ampsShare
		},
		{
			source: 'meter',
			words: 'clamp, amps',
			standardUncertainty: meterScatter(meters.amps, value)
		},
		{
			source: 'model',
			words: 'the model itself',
			standardUncertainty:
				Math.abs(value) *
				(quantity === 'short-circuit-current' ? MODEL_DOUBT.shortCircuitAmps : MODEL_DOUBT.amps)
		},
		{
			source: 'unsteady-light',
			words: 'the light from one reading to the next',
			standardUncertainty: Math.abs(value) * unsteadiness
		}
	];
	if (quantity === 'operating-current') {
		contributions.push({
			source: 'operating-volts',
			words: 'the volts at which it flowed',
			standardUncertainty: Math.abs(perVolt) * voltsDoubt
		});
	}
	return contributions;
}

/**
 * How far effective light and effective heat of a group of like strings may lie from what was
 * stated, before any string is read. The common parts of label, meter and ageing act on every
 * string alike, so they are carried by the same two unknowns.
 */
export interface SharedDoubt {
	/** Standard uncertainty of ln(light / stated light). */
	readonly light: number;
	/** K */
	readonly heat: number;
}

/** How little is known of light and heat before the strings are asked, relative and K; judgement. */
export const UNASKED = { light: 0.4, heat: 15 } as const;

/** What the strings themselves said must not be told to them again as if somebody else had. */
const statedLightDoubt = ({ irradiance }: Conditions) =>
	irradiance.source === 'siblings' ? UNASKED.light : irradiance.relativeStandardUncertainty;
const statedHeatDoubt = ({ cellTemperature }: Conditions) =>
	cellTemperature.source === 'siblings' ? UNASKED.heat : cellTemperature.standardUncertainty;

/** @param voltsPerKelvin relative change of Voc per kelvin here, 1/K, negative */
export function sharedDoubt(
	conditions: Conditions,
	type: ModuleType,
	years: number,
	meters: Visit['meters'],
	voltsPerKelvin: number
): SharedDoubt {
	const warming = conditions.cellTemperature.value - STC_CELL_TEMPERATURE;
	/** Share that an unstated coefficient may be off by at this temperature. */
	const unstated = (stated: number | null, pctPerK: number) =>
		stated === null ? (pctPerK / 100) * warming : 0;
	const volts = Math.hypot(
		unstated(type.plate.betaVocPctPerK, TYPICAL_COEFFICIENT_DOUBT.betaVoc),
		labelShare(type.tolerance.vocPct, COMMON_SHARE),
		meterGain(meters.volts),
		AGEING_DOUBT * AGEING_PER_YEAR.voltage * years
	);
	return {
		light: Math.hypot(
			statedLightDoubt(conditions),
			unstated(type.plate.alphaIscPctPerK, TYPICAL_COEFFICIENT_DOUBT.alphaIsc),
			labelShare(type.tolerance.iscPct, COMMON_SHARE),
			meterGain(meters.amps),
			AGEING_DOUBT * AGEING_PER_YEAR.current * years,
			EVEN_DIRT.uncertainty
		),
		heat: Math.hypot(statedHeatDoubt(conditions), volts / voltsPerKelvin)
	};
}
