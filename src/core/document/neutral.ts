import { z } from 'zod';
import { nameplateSchema } from './record';
import {
	emptyVisit,
	type Meter,
	type Place,
	type Quantity,
	type Reading,
	stringPlace,
	usualState,
	type Visit
} from '../visit';
import type { Nameplate } from '../module';
import {
	type ArrayRecord,
	EMPTY_RECORD,
	type Part,
	UNKNOWN_LIMITS,
	unknownSpecs,
	UNSEEN_STRING
} from '../record';
import { refuse, type Result, succeed } from '../units';
import { problemOf, type Problem } from './file';

/*
 * A visit in the neutral form that simulations exchange: record, conditions and readings of one array,
 * keyed by the marks of strings and the names of inputs. Volts, amps, watts, ohm, W/m2, degC.
 */

const accuracySchema = z.object({
	pctOfReading: z.number().min(0).max(20),
	counts: z.number().min(0).max(200),
	resolution: z.number().positive().max(100)
});
const uncertain = z.object({
	value: z.number(),
	relativeStandardUncertainty: z.number().positive().max(1).optional(),
	standardUncertainty: z.number().positive().max(60).optional()
});
const mark = z.string().min(1).max(60);

const neutralSchema = z.object({
	record: z.object({
		moduleTypes: z.record(mark, z.looseObject({})),
		yearsInService: z.number().min(0).max(80),
		inverter: z
			.object({ acPower: z.number().positive(), inputs: z.number().int().optional() })
			.optional(),
		strings: z
			.array(
				z.object({
					id: mark,
					input: mark,
					modules: z.number().int().min(1).max(200),
					type: mark,
					fuse: z.object({ rating: z.number().positive().nullable() }).nullable(),
					blockingDiode: z.boolean().default(false),
					rsd: z
						.object({
							modulesPerDevice: z.number().int().min(1).max(2),
							safeVolts: z.number().positive().max(10).optional()
						})
						.nullable()
						.default(null)
				})
			)
			.min(1)
			.max(2000)
	}),
	conditions: z.object({
		irradiance: uncertain.nullable().optional(),
		cellTemperature: uncertain.nullable().optional(),
		clearSky: uncertain.nullable().optional(),
		cellTemperatureFromAir: uncertain.nullable().optional()
	}),
	readings: z.array(
		z.object({
			id: mark,
			quantity: mark,
			place: z.looseObject({
				string: mark.optional(),
				input: mark.optional(),
				pole: z.enum(['positive', 'negative']).optional()
			}),
			/** Null: over range. */
			value: z.number().nullable(),
			meter: accuracySchema.optional()
		})
	)
});

/** A neutral visit as Zembo's own, with what leads back to its keys. */
export interface NeutralVisit {
	readonly record: ArrayRecord;
	readonly visit: Visit;
	/** Mark of a string by its id, and reading of the file by the id of ours. */
	readonly stringOf: ReadonlyMap<string, string>;
	readonly readingOf: ReadonlyMap<string, string>;
	/** Reading of the volts of an input, by its name. */
	readonly voltageOf: ReadonlyMap<string, string>;
}

const QUANTITIES: Readonly<Record<string, Quantity>> = {
	'string-voc-isolated': 'open-circuit-voltage',
	'string-isc': 'short-circuit-current',
	'string-current-operating': 'operating-current',
	'fuse-resistance': 'fuse-resistance',
	'string-positive-to-earth': 'positive-to-earth',
	'string-negative-to-earth': 'negative-to-earth',
	'inverter-ac-power': 'ac-power'
};

/** Ohms that stand for "over range". */
const OVER_RANGE = 1e8;
const AT = '2026-06-30T12:00:00Z';
/** Ids of one file's entries: a kind and a number. */
const idOf = (kind: number, n: number) =>
	`019b0000-${kind.toString(16).padStart(4, '0')}-7000-8000-${n.toString(16).padStart(12, '0')}`;
const INVERTER = idOf(9, 1);

/** Whether data look like a neutral visit rather than a visit file. */
export function looksNeutral(data: unknown): boolean {
	return (
		typeof data === 'object' &&
		data !== null &&
		!('format' in data) &&
		'record' in data &&
		'readings' in data
	);
}

/** Reads one visit in the neutral form; a problem in words where it does not hold together. */
export function readNeutral(data: unknown): Result<NeutralVisit, Problem> {
	const parsed = neutralSchema.safeParse(data);
	if (!parsed.success) return refuse(problemOf(parsed.error));
	const { record: given, conditions, readings } = parsed.data;
	const names = Object.keys(given.moduleTypes);
	const plates: Nameplate[] = [];
	for (const name of names) {
		const nameplate = nameplateSchema.safeParse(given.moduleTypes[name]);
		if (!nameplate.success) {
			const problem = problemOf(nameplate.error);
			return refuse({ ...problem, where: `record.moduleTypes.${name}.${problem.where}` });
		}
		plates.push(nameplate.data);
	}
	const stray = given.strings.find(({ type }) => !names.includes(type));
	if (stray) {
		return refuse({
			what: `String ${stray.id} has modules of type ${stray.type}, which the record does not hold.`,
			where: 'record.strings',
			mend: `Give one of ${names.join(', ')}.`
		});
	}
	const record = recordOf(given, names, plates);
	const idByMark = new Map(record.strings.map(({ id, label }) => [label, id]));
	const unknown = readings.find(({ place: { string } }) => string && !idByMark.has(string));
	if (unknown) {
		return refuse({
			what: `Reading ${unknown.id} is of string ${unknown.place.string!}, which the record does not hold.`,
			where: 'readings',
			mend: 'Is it the reading of another array?'
		});
	}
	const busOf = new Map(
		readings.flatMap(({ quantity, place: { input }, value }) =>
			quantity === 'input-volts-operating' && input && value !== null ? [[input, value]] : []
		)
	);
	const readingOf = new Map<string, string>();
	const own = readings.flatMap((reading, i): Reading[] => {
		const quantity = QUANTITIES[reading.quantity];
		const string = given.strings.find(({ id }) => id === reading.place.string);
		const place = quantity && placeOf(quantity, reading.place, idByMark);
		if (!quantity || !place) return [];
		const atVoltage =
			quantity === 'operating-current' && string ? (busOf.get(string.input) ?? null) : null;
		if (quantity === 'operating-current' && atVoltage === null) return [];
		if (reading.value === null && !quantity.endsWith('resistance')) return [];
		const id = idOf(4, i + 1);
		readingOf.set(id, reading.id);
		return [
			{
				id,
				place,
				quantity,
				state: usualState(quantity, {
					fused: Boolean(string?.fuse),
					devices: Boolean(string?.rsd)
				}),
				value: reading.value ?? OVER_RANGE,
				atVolts: atVoltage,
				typed: String(reading.value ?? ''),
				confirmed: false,
				source: 'typed',
				takenAt: AT,
				by: 'Tester',
				supersedes: null
			}
		];
	});
	const meter = (wanted: readonly string[]): Partial<Meter> =>
		readings.find(({ quantity }) => wanted.includes(quantity))?.meter ?? {};
	const visit = emptyVisit({
		id: idOf(1, 1),
		startedAt: AT,
		by: 'Tester',
		// The form is that of a service visit: somebody was called.
		purpose: 'fault',
		reason: ''
	});
	return succeed({
		record,
		stringOf: new Map([...idByMark].map(([label, id]) => [id, label])),
		readingOf,
		voltageOf: new Map(
			readings.flatMap(({ id, quantity, place: { input } }) =>
				quantity === 'input-volts-operating' && input ? [[input, id]] : []
			)
		),
		visit: {
			...visit,
			meters: {
				volts: { ...visit.meters.volts, ...meter(['string-voc-isolated']) },
				amps: { ...visit.meters.amps, ...meter(['string-current-operating', 'string-isc']) }
			},
			conditions: conditionsOf(conditions),
			readings: own
		}
	});
}

type Given = z.infer<typeof neutralSchema>;

function recordOf(
	given: Given['record'],
	names: readonly string[],
	plates: readonly Nameplate[]
): ArrayRecord {
	const inverter: Part[] = given.inverter
		? [
				{
					id: INVERTER,
					kind: 'inverter',
					mark: 'Inverter',
					place: null,
					model: null,
					serial: null,
					to: null,
					specs: { ...unknownSpecs('inverter'), acWatts: given.inverter.acPower }
				}
			]
		: [];
	const devices = given.strings.flatMap(({ rsd }) => rsd ?? []);
	const deviceType: Part[] =
		devices.length > 0
			? [
					{
						id: idOf(9, 2),
						kind: 'rapid-shutdown-device',
						mark: 'Device',
						place: null,
						model: null,
						serial: null,
						to: null,
						specs: {
							...unknownSpecs('rapid-shutdown-device'),
							offVolts: devices[0]!.safeVolts ?? null
						}
					}
				]
			: [];
	return {
		...EMPTY_RECORD,
		// Visit and record agree on the years in service, which are told to half a year.
		inServiceSince: 2026 - Math.round(given.yearsInService),
		parts: [...inverter, ...deviceType],
		moduleTypes: plates.map((nameplate, i) => ({
			id: idOf(2, i + 1),
			name: names[i]!,
			plate: nameplate,
			tolerance: { vocPct: 2, iscPct: 3 },
			limits: UNKNOWN_LIMITS
		})),
		strings: given.strings.map((string, i) => ({
			...UNSEEN_STRING,
			id: idOf(3, i + 1),
			label: string.id,
			moduleTypeId: idOf(2, names.indexOf(string.type) + 1),
			moduleCount: string.modules,
			cableResistance: 0.2,
			fuse: string.fuse,
			blockingDiode: string.blockingDiode ? 'silicon' : 'none',
			devices: string.rsd && {
				kind: 'rapid-shutdown',
				modulesPerDevice: string.rsd.modulesPerDevice === 2 ? 2 : 1,
				part: idOf(9, 2)
			},
			input: string.input
		}))
	};
}

function placeOf(
	quantity: Quantity,
	{
		string,
		pole
	}: { readonly string?: string | undefined; readonly pole?: 'positive' | 'negative' | undefined },
	ids: ReadonlyMap<string, string>
): Place | null {
	if (quantity === 'ac-power') return { kind: 'part', part: INVERTER, point: 'display' };
	const id = string === undefined ? undefined : ids.get(string);
	if (id === undefined) return null;
	return quantity === 'fuse-resistance'
		? { kind: 'fuse', string: id, pole: pole ?? 'positive' }
		: stringPlace(id);
}

/** Sensor and probe where there are any; else the clear sky and the air. */
function conditionsOf(given: Given['conditions']): Visit['conditions'] {
	const irradiance = given.irradiance ?? given.clearSky;
	const cellTemperature = given.cellTemperature ?? given.cellTemperatureFromAir;
	if (!irradiance || !cellTemperature) return [];
	return [
		{
			id: idOf(5, 1),
			enteredAt: AT,
			by: 'Tester',
			basis: '',
			follows: false,
			fieldId: null,
			irradiance: {
				value: irradiance.value,
				relativeStandardUncertainty: irradiance.relativeStandardUncertainty ?? 0.05,
				source: given.irradiance ? 'sensor-in-plane' : 'clear-sky'
			},
			cellTemperature: {
				value: cellTemperature.value,
				standardUncertainty: cellTemperature.standardUncertainty ?? 3,
				source: given.cellTemperature ? 'probe-on-back' : 'from-air'
			}
		}
	];
}
