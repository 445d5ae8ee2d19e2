import {
	type BatchModule,
	type BatchNameplate,
	type ModuleBatch,
	nameplateOf,
	NO_LABEL,
	type Take,
	USUAL_LIMITS
} from '$core/bench';
import { type Random, randomFrom } from '$core/numerics';
import { fitLabel, openCircuitVoltage, shortCircuitCurrent, translate } from '$core/module';
import { idsOf } from './site';

/*
 * Cairn Rigg's batch: eighteen used modules of two makes and one of none, tested in a bright hour beside
 * a new one, the sun moving.
 */

const id = idsOf(2);
const START = Date.UTC(2026, 9, 8, 11, 0);
/** Light and cells of the hour, W/m2 and degC, by minutes from its start. */
const irradianceAt = (minute: number) => 840 - 2.4 * minute;
const temperatureAt = (minute: number) => 41 - 0.08 * minute;

export const HARROWGILL: BatchNameplate = {
	...NO_LABEL,
	technology: 'poly',
	cellsInSeries: 60,
	pmax: 225,
	vmp: 29.6,
	imp: 7.6,
	voc: 36.9,
	isc: 8.15,
	seriesFuse: 15
};
const FELLSIDE: BatchNameplate = {
	...NO_LABEL,
	technology: 'poly',
	cellsInSeries: 72,
	pmax: 300,
	vmp: 36.6,
	imp: 8.2,
	voc: 45.2,
	isc: 8.75,
	seriesFuse: 15
};
const CONTROL: BatchNameplate = {
	...NO_LABEL,
	technology: 'mono-PERC',
	cellsInSeries: 60,
	pmax: 370,
	vmp: 34.3,
	imp: 10.79,
	voc: 41.1,
	isc: 11.4,
	seriesFuse: 20
};

/** What is planted in each: shares of volts and amps that are left, and what an eye sees. */
const PLANTED: readonly (readonly [
	type: 'H' | 'F' | 'none',
	volts: number,
	amps: number,
	looks?: BatchModule['looks']
])[] = [
	['H', 0.99, 0.93],
	['H', 0.985, 0.9],
	['H', 0.99, 0.91],
	['H', 0.98, 0.72, ['browned']],
	['H', 0.655, 0.9],
	['H', 0.99, 0.89],
	['H', 0.985, 0.92, ['snail-trails']],
	['H', 0.98, 0.43, ['browned', 'delaminated']],
	['H', 0.99, 0.9],
	['F', 0.99, 0.94],
	['F', 0.985, 0.91],
	['F', 0.99, 0.93],
	['F', 0.985, 0.79, ['cracked-glass']],
	['F', 0, 0, ['burnt-spot']],
	['F', -0.99, 0.92],
	['F', 0.985, 0.9],
	['none', 0.99, 0.9],
	['H', 0.98, 0.8]
];
const TYPES = {
	H: { model: 'Harrowgill 225 P60', label: HARROWGILL, year: 2011 },
	F: { model: 'Fellside 300 P72', label: FELLSIDE, year: 2013 },
	none: { model: '', label: NO_LABEL, year: null }
} as const;

function take(
	n: number,
	minute: number,
	label: BatchNameplate,
	voltage: number,
	current: number,
	random: Random
): Take {
	const here = translate(
		fitLabel(nameplateOf(label)!.nameplate),
		irradianceAt(minute),
		temperatureAt(minute)
	);
	const read = (exact: number, scatter: number, digits: number) =>
		Number((exact * (1 + scatter * random.normal())).toFixed(digits));
	return {
		id: id(0x9000 + n),
		at: new Date(START + minute * 60_000).toISOString(),
		volts: read(voltage * openCircuitVoltage(here), 0.002, 1),
		amps: read(current * shortCircuitCurrent(here), 0.006, 2),
		watts: null
	};
}

/** The batch as a document. */
export function cairnRiggBatch(): ModuleBatch {
	const random = randomFrom(81);
	let takes = 0;
	const modules = PLANTED.map(([type, voltage, current, looks = []], i): BatchModule => {
		const { model, label, year } = TYPES[type];
		const minute = 2 + 2.4 * i;
		return {
			id: id(0x8000 + i),
			mark: String(i + 1),
			model,
			label,
			size: type === 'none' ? { length: 1640, width: 992 } : null,
			year,
			connector: type === 'F' ? 'Tidelock' : '',
			looks,
			note: '',
			takes: [0, 0.4].map((later) =>
				take(
					takes++,
					minute + later,
					type === 'none' ? HARROWGILL : label,
					voltage,
					current,
					random
				)
			)
		};
	});
	return {
		name: 'Cairn Rigg, behind the hut',
		control: {
			model: 'Lintwhite 370 H60, new',
			label: CONTROL,
			share: 1,
			samePlane: true,
			takes: [0, 12, 24, 36, 47].map((minute) => take(takes++, minute, CONTROL, 1, 1, random))
		},
		sky: { irradiance: null, cellTemperature: null, lightDoubt: 0.05 },
		profile: { by: 'band', limits: USUAL_LIMITS },
		modules
	};
}

export const BATCH_ID = id(0x7fff);
