import { readFileSync } from 'node:fs';
import {
	type ArrayRecord,
	EMPTY_RECORD,
	type StringRecord,
	UNKNOWN_LIMITS,
	UNSEEN_STRING
} from '$core/record';
import {
	emptyVisit,
	type Meter,
	type MeterAccuracy,
	type Reading,
	stringPlace,
	type StringQuantity,
	usualState,
	type Visit
} from '$core/visit';
import type { Nameplate } from '$core/module';
import { testId } from './scenario';

/*
 * Visits simulated by a generator that shares no code with Zembo; the file explains its own fields.
 * What this version has no place for (earth volts, fuse resistance, AC power) is left out.
 */

interface Stated {
	readonly value: number;
	readonly relativeStandardUncertainty: number;
	readonly standardUncertainty: number;
}

export interface IndependentVisit {
	readonly id: string;
	readonly record: {
		readonly moduleTypes: Readonly<Record<string, Nameplate>>;
		readonly yearsInService: number;
		readonly strings: readonly {
			readonly id: string;
			readonly input: string;
			readonly modules: number;
			readonly type: string;
			readonly fuse: { readonly rating: number } | null;
			readonly rsd: object | null;
		}[];
	};
	readonly conditions: {
		readonly irradiance: Stated | null;
		readonly cellTemperature: Stated | null;
	};
	readonly readings: readonly {
		readonly id: string;
		readonly quantity: string;
		readonly place: { readonly string?: string; readonly input?: string };
		readonly value: number;
		readonly meter: MeterAccuracy;
	}[];
	readonly truth: {
		readonly code: string;
		readonly faults: readonly {
			readonly code: string;
			readonly place: { readonly string?: string };
			readonly severity: number | null;
		}[];
		readonly wrongReadings: readonly { readonly reading: string; readonly how: string }[];
		readonly irradiance: number;
		readonly cellTemperature: number;
		readonly commonSoiling: number;
		readonly ageingPerYear: number;
		readonly exactReadings: Readonly<Record<string, number>>;
	};
}

const FILE = new URL('../reference/data/visits.json', import.meta.url);

export const INDEPENDENT_VISITS = (
	JSON.parse(readFileSync(FILE, 'utf8')) as { cases: readonly IndependentVisit[] }
).cases;

const QUANTITY: Readonly<Record<string, StringQuantity>> = {
	'string-voc-isolated': 'open-circuit-voltage',
	'string-isc': 'short-circuit-current',
	'string-current-operating': 'operating-current'
};

/** One reading in Zembo's form beside what it would be without any error. */
interface KnownReading {
	readonly reading: Reading;
	readonly string: StringRecord;
	/** Free of meter error, drift and mistakes, V or A. */
	readonly exact: number;
	/** The volts of the input, likewise. */
	readonly exactVoltage: number | null;
	/** The generator spoilt it on purpose. */
	readonly wrong: boolean;
}

/** A case as a record and a visit; strings that hold no fault are named whole. */
export interface KnownVisit {
	readonly record: ArrayRecord;
	readonly visit: Visit;
	readonly readings: readonly KnownReading[];
	/** Marks of the strings that are as recorded and carry no fault. */
	readonly whole: ReadonlySet<string>;
}

/** Faults whose place is more than one string, so that no string can be called whole. */
const BEYOND_A_STRING = ['rsd-no-signal', 'strings-swapped', 'record-wrong', 'disconnect-open'];

export function knownVisit({
	record: given,
	conditions,
	readings,
	truth
}: IndependentVisit): KnownVisit {
	const types = Object.keys(given.moduleTypes);
	const record: ArrayRecord = {
		...EMPTY_RECORD,
		inServiceSince: 2026 - Math.round(given.yearsInService),
		moduleTypes: types.map((name, i) => ({
			id: testId(i + 1),
			name,
			plate: given.moduleTypes[name]!,
			tolerance: { vocPct: 2, iscPct: 3 },
			limits: UNKNOWN_LIMITS
		})),
		strings: given.strings.map((string, i) => ({
			...UNSEEN_STRING,
			id: testId(100 + i),
			label: string.id,
			moduleTypeId: testId(types.indexOf(string.type) + 1),
			moduleCount: string.modules,
			cableResistance: 0.2,
			fuse: string.fuse && { rating: string.fuse.rating },
			input: string.input
		}))
	};
	const busOf = (input: string | null) =>
		readings.find((r) => r.quantity === 'input-volts-operating' && r.place.input === input);
	const meterOf = (voltage: boolean): Meter => ({
		...readings.find(
			(r) => r.quantity in QUANTITY && (r.quantity === 'string-voc-isolated') === voltage
		)!.meter,
		ratedVolts: null,
		category: null
	});
	const known = readings
		.filter((r) => r.quantity in QUANTITY)
		.map((r, i): KnownReading => {
			const string = record.strings.find((candidate) => candidate.label === r.place.string)!;
			const quantity = QUANTITY[r.quantity]!;
			const bus = quantity === 'operating-current' ? busOf(string.input) : undefined;
			return {
				string,
				exact: truth.exactReadings[r.id]!,
				exactVoltage: bus ? truth.exactReadings[bus.id]! : null,
				wrong: truth.wrongReadings.some(({ reading }) => reading === r.id || reading === bus?.id),
				reading: {
					id: testId(1000 + i),
					place: stringPlace(string.id),
					quantity,
					state: usualState(quantity),
					value: r.value,
					atVolts: bus?.value ?? null,
					typed: String(r.value),
					confirmed: false,
					source: 'typed',
					takenAt: new Date(Date.UTC(2026, 5, 30, 12, 0, i)).toISOString(),
					by: 'Tester',
					supersedes: null
				}
			};
		});
	const { irradiance, cellTemperature } = conditions;
	const enteredAt = '2026-06-30T12:00:00Z';
	return {
		record,
		readings: known,
		whole: new Set(
			truth.faults.some(({ code }) => BEYOND_A_STRING.includes(code))
				? []
				: record.strings
						.map((string) => string.label)
						.filter((label) => truth.faults.every(({ place }) => place.string !== label))
		),
		visit: {
			...emptyVisit({
				id: testId(2),
				startedAt: enteredAt,
				by: 'Tester',
				purpose: 'routine',
				reason: ''
			}),
			meters: { volts: meterOf(true), amps: meterOf(false) },
			readings: known.map(({ reading }) => reading),
			conditions:
				irradiance && cellTemperature
					? [
							{
								id: testId(3),
								enteredAt,
								by: 'Tester',
								basis: '',
								follows: false,
								fieldId: null,
								irradiance: { ...irradiance, source: 'sensor-in-plane' },
								cellTemperature: { ...cellTemperature, source: 'probe-on-back' }
							}
						]
					: []
		}
	};
}
