import type { VisitDocument } from '$core/document';
import type { BusCircuit } from '$core/circuit';
import {
	drawMeter,
	exactReadings,
	type HiddenFault,
	shown,
	trueBuses,
	type Truth
} from '$core/training';
import { randomFrom } from '$core/numerics';
import { agedModel, moduleAtConditions } from '$core/expectation';
import { type Quantity, stringPlace, USUAL_METERS, usualState } from '$core/visit';
import { modulesPerDevice } from '$core/faults';
import { OWN_PROCEDURE } from '$core/isolation';
import type { ArrayRecord } from '$core/record';

/** A day at a site: what reaches the cells, what was said of it, and what is broken. */
export interface PlantedDay {
	readonly seed: number;
	readonly start: string;
	readonly by: string;
	/** W/m2 and degC, as they truly are. */
	readonly irradiance: number;
	readonly cellTemperature: number;
	/** The same as sensor and probe say it. */
	readonly stated: { readonly irradiance: number; readonly cellTemperature: number };
	readonly faults: readonly HiddenFault[];
	/** The array with its faults in it, where the drill's own way of making one does not do. */
	readonly buses?: () => ReadonlyMap<string, BusCircuit>;
	/** Poles to earth are read too. */
	readonly earth?: boolean;
}

/** What of a visit the meters gave on such a day. */
export type MeterDay = Pick<VisitDocument['visit'], 'conditions' | 'readings' | 'safety'>;

/** The array as it truly is on that day. */
export function truthOf(
	record: ArrayRecord,
	{ start, irradiance, cellTemperature, faults }: PlantedDay
): Truth {
	const years = Number(start.slice(0, 4)) + Number(start.slice(5, 7)) / 12 - record.inServiceSince!;
	return {
		faults,
		irradiance,
		cellTemperature,
		conditionsWrong: false,
		spread: new Map(
			record.strings.map(({ label, moduleCount }) => [
				label,
				Array.from({ length: moduleCount }, () => [1, 1] as const)
			])
		),
		module: moduleAtConditions(
			agedModel(record.moduleTypes[0]!, years - 0.5),
			irradiance,
			cellTemperature
		),
		acLimit: null
	};
}

/** Reads every string of the planted array by the circuit of the core, with the scatter of a meter. */
export function meterDay(
	record: ArrayRecord,
	id: (n: number) => string,
	day: PlantedDay
): MeterDay {
	const random = randomFrom(day.seed);
	const truth = truthOf(record, day);
	const buses = day.buses?.() ?? trueBuses(record, truth);
	const leaks = new Map(
		record.strings.map(({ label }) => [label, { share: random.uniform(), resistance: 6e8 }])
	);
	const exact = exactReadings(truth, buses, leaks);
	const voltage = drawMeter(USUAL_METERS.volts, random);
	const clamp = drawMeter(USUAL_METERS.amps, random);
	const readings: VisitDocument['visit']['readings'][number][] = [];
	const take = (
		stringId: string,
		quantity: Quantity,
		value: number,
		atVoltage: number | null = null
	) => {
		const n = readings.length;
		const string = record.strings.find((one) => one.id === stringId)!;
		readings.push({
			id: id(64 + n),
			place: stringPlace(stringId),
			quantity,
			state: {
				...usualState(quantity, {
					fused: string.fuse !== null,
					devices: modulesPerDevice(string) > 0
				})
			},
			value,
			atVolts: atVoltage,
			typed: String(value),
			confirmed: false,
			source: 'typed',
			takenAt: new Date(Date.parse(day.start) + (4 + n) * 45_000).toISOString(),
			by: day.by,
			supersedes: null
		});
	};
	const at = (label: string) => exact.strings.get(label)!;
	for (const { id: string, label } of record.strings) {
		take(string, 'open-circuit-voltage', shown(at(label).voc, voltage, random));
	}
	const bus = new Map(
		[...exact.inputs].map(([input, value]) => [input, shown(value, voltage, random)])
	);
	for (const { id: string, label, input } of record.strings) {
		const current = at(label).running * (1 + 0.004 * random.normal());
		take(string, 'operating-current', shown(current, clamp, random), bus.get(input!)!);
	}
	if (day.earth) {
		for (const { id: string, label } of record.strings) {
			take(string, 'positive-to-earth', shown(at(label).positiveToEarth, voltage, random));
			take(string, 'negative-to-earth', shown(at(label).negativeToEarth, voltage, random));
		}
	}
	return { ...arrivalOf(id, day), readings };
}

/** What is stated on arrival: that one's own procedure makes safe, and the light and heat. */
export function arrivalOf(
	id: (n: number) => string,
	day: Pick<PlantedDay, 'start' | 'by' | 'stated'>
): Pick<MeterDay, 'safety' | 'conditions'> {
	return {
		safety: [
			{
				id: id(6),
				step: OWN_PROCEDURE,
				value: null,
				at: day.start,
				by: day.by,
				supersedes: null,
				withdrawn: false
			}
		],
		conditions: [
			{
				id: id(5),
				enteredAt: new Date(Date.parse(day.start) + 120_000).toISOString(),
				by: day.by,
				basis: '',
				follows: false,
				fieldId: null,
				irradiance: {
					value: day.stated.irradiance,
					relativeStandardUncertainty: 0.03,
					source: 'sensor-in-plane'
				},
				cellTemperature: {
					value: day.stated.cellTemperature,
					standardUncertainty: 2,
					source: 'probe-on-back'
				}
			}
		]
	};
}
