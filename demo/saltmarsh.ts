import { type ArrayRecord, EMPTY_RECORD, type StringRecord } from '$core/record';
import { VERSION, type VisitDocument, writeVisitDocument } from '$core/document';
import {
	agedModel,
	alike,
	moduleAtConditions,
	predictValue,
	runningVoltage,
	stringAtConditions
} from '$core/expectation';
import { emptyVisit, stringPlace, type StringQuantity, usualState } from '$core/visit';
import { OWN_PROCEDURE } from '$core/isolation';
import { faultOf, type StringFaultCode } from '$core/faults';
import { maximumPowerPoint } from '$core/module';
import { field, idsOf, moduleType, part, row, serials, string, walk } from './site';
import { PHOTOGRAPHS } from './photographs';

/*
 * The ferry terminal of the demo: its array with its planted faults, under a truth that differs a
 * little from what the sensor says, read by a meter with scatter.
 */

const id = idsOf(0);

const CANOPY = { a: id(0x400), b: id(0x401) };
const PART = (n: number) => id(0x500 + n);

const record: ArrayRecord = {
	...EMPTY_RECORD,
	system: 'string-inverter',
	rules: {
		profile: 'IEC',
		edition: null,
		structure: 'open-carport',
		lowest: -12,
		hottestCell: 66,
		alwaysFuse: false
	},
	inServiceSince: 2019,
	moduleTypes: [
		moduleType(
			id(1),
			'Skerrymoor 335 M60',
			{
				technology: 'mono-PERC',
				cellsInSeries: 60,
				sections: 3,
				pmax: 335,
				vmp: 33.15,
				imp: 10.11,
				voc: 40.58,
				isc: 10.78,
				alphaIscPctPerK: 0.048,
				betaVocPctPerK: -0.27
			},
			{ systemVolts: 1000, seriesFuse: 20, bifacial: false, rearGainPct: null }
		)
	],
	strings: ['A1', 'A2', 'A3', 'A4', 'B1', 'B2', 'B3', 'B4'].map((label, i) => {
		const a = label.startsWith('A');
		return string({
			id: id(16 + i),
			label,
			moduleTypeId: id(1),
			moduleCount: 12,
			cableResistance: 0.4,
			fuse: { rating: 15 },
			connectors: 'Tidelock',
			to: PART(a ? 1 : 2),
			input: a ? '1' : '2',
			modules: i === 0 ? serials('SK19', 40_112, 12, 2018) : [],
			spans: row(a ? CANOPY.a : CANOPY.b, i % 4, 0, 12)
		});
	}),
	fields: [
		field(CANOPY.a, 'Canopy, inner bay', 4, 12, 5, 185),
		field(CANOPY.b, 'Canopy, outer bay', 4, 12, 5, 185)
	],
	parts: [
		part(PART(1), 'combiner', 'CB 1', {
			place: 'Pillar 3, inner side',
			to: PART(3),
			specs: { ratedVolts: 1000, ratedAmps: 60, fusePoles: 'plus' }
		}),
		part(PART(2), 'combiner', 'CB 2', {
			place: 'Pillar 3, outer side',
			to: PART(4),
			specs: { ratedVolts: 1000, ratedAmps: 60, fusePoles: 'plus' }
		}),
		part(PART(3), 'dc-disconnect', 'Q1', {
			place: 'Plant room, left of the inverter',
			to: PART(9),
			specs: { ratedVolts: 1000, ratedAmps: 63, poles: 2, lockable: 'yes' }
		}),
		part(PART(4), 'dc-disconnect', 'Q2', {
			place: 'Plant room, left of the inverter',
			to: PART(5),
			specs: { ratedVolts: 1000, ratedAmps: 63, poles: 2, lockable: 'yes' }
		}),
		part(PART(9), 'conductor', 'W1', {
			place: 'Cable tray over the lanes',
			to: PART(5),
			specs: {
				use: 'combiner output',
				length: 24,
				size: 10,
				rating: 'solar cable',
				ambient: 45,
				laid: 'free in air'
			}
		}),
		part(PART(5), 'inverter', 'INV 1', {
			place: 'Plant room behind the ticket hall',
			model: 'Fulmar 27 T2',
			serial: 'FU27-004417',
			to: PART(6),
			specs: {
				acWatts: 27_000,
				acAmps: 39.1,
				maxVolts: 1000,
				windowLow: 200,
				windowHigh: 800,
				inputAmps: 60,
				inputs: '1, 2',
				acVolts: 400,
				phases: '3',
				arcFault: 'no',
				groundFault: 'yes',
				capacitorMinutes: 5,
				firmware: '2.14'
			}
		}),
		part(PART(6), 'ac-disconnect', 'Q10', {
			place: 'Plant room, right of the inverter',
			to: PART(7),
			specs: { ratedVolts: 400, ratedAmps: 63, lockable: 'yes' }
		}),
		part(PART(7), 'breaker', 'F12', {
			place: 'Main board, ticket hall',
			to: PART(8),
			specs: { amps: 50, poles: 3, dedicated: 'yes', farEnd: 'no' }
		}),
		part(PART(8), 'bus', 'Main board', { place: 'Ticket hall, behind the counter' }),
		part(PART(10), 'surge', 'SPD 1', {
			place: 'In CB 1',
			specs: { side: 'DC', ratedVolts: 1000, window: 'good' }
		}),
		part(PART(11), 'placard', 'P1', {
			place: 'Plant room door',
			specs: {
				says: 'PV array on the canopy, two DC disconnects inside',
				durable: 'engraved',
				readable: 'yes'
			}
		})
	],
	absent: ['transmitter']
};

interface Planted {
	readonly code: StringFaultCode;
	/** In the fault's own unit: sections, modules, ohm. */
	readonly size: number;
}

export const PLANTED: Readonly<Record<string, Planted>> = {
	A2: { code: 'bypass-diode-shorted', size: 1 },
	A4: { code: 'module-missing', size: 1 },
	B1: { code: 'fuse-blown', size: 1 },
	B3: { code: 'connector-resistive', size: 5 }
};

/** Deterministic scatter: a linear congruential generator (Numerical Recipes) and Box-Muller. */
export function scatterOf(seed: number): () => number {
	let state = seed;
	const uniform = () => {
		state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
		return (state + 0.5) / 2 ** 32;
	};
	return () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
}

interface Day {
	readonly seed: number;
	readonly years: number;
	/** What reaches the cells, W/m2 and degC; the sensor says otherwise. */
	readonly light: number;
	readonly heat: number;
}

interface Figure {
	readonly string: StringRecord;
	readonly quantity: StringQuantity;
	readonly value: number;
	readonly atVolts: number | null;
}

/** The day of the card: the sensor says 838 W/m2, a probe 41 degC. */
export const CARD_DAY: Omit<Day, 'seed'> = { years: 7.3, light: 821, heat: 41.7 };

/** What a meter without any error shows at a string with its planted fault, and the volts of its input while it runs. */
export function exactFigure(
	string: StringRecord,
	quantity: StringQuantity,
	{ years, light: irradiance, heat: cellTemperature }: Omit<Day, 'seed'>
): Pick<Figure, 'value' | 'atVolts'> {
	const model = agedModel(record.moduleTypes[0]!, years);
	const module = moduleAtConditions(model, irradiance, cellTemperature);
	const whole = stringAtConditions(string, model, alike(module));
	const busVoltage = Math.round(runningVoltage(whole, maximumPowerPoint(module).amps) * 10) / 10;
	const higher = string.input === '2' ? 1.4 : 0;
	const atVoltage =
		quantity === 'operating-current' ? Number((busVoltage + higher).toFixed(1)) : null;
	const planted = PLANTED[string.label];
	const fault = planted && faultOf(planted.code);
	const severity = fault && planted && { ...fault.severities[0], size: planted.size };
	const circuit = fault && severity ? fault.inject(whole, severity, usualState(quantity))! : whole;
	return { value: predictValue(circuit, quantity, atVoltage), atVolts: atVoltage };
}

/** Strings of the terminal, for the simulated instruments. */
export const STRINGS: readonly StringRecord[] = record.strings;

function readAll({ seed, ...day }: Day): Figure[] {
	const scatter = scatterOf(seed);
	const figures = (quantity: StringQuantity) =>
		record.strings.map((string) => {
			const { value: exact, atVolts: atVoltage } = exactFigure(string, quantity, day);
			const voltage = quantity === 'open-circuit-voltage';
			const read = exact * (1 + (voltage ? 0.0018 : 0.006) * scatter());
			return { string, quantity, atVolts: atVoltage, value: Number(read.toFixed(voltage ? 1 : 2)) };
		});
	return [...figures('open-circuit-voltage'), ...figures('operating-current')];
}

const START = '2026-11-17T11:05:00Z';
const BY = 'Wren Halloway';

/** What was found on the walk, beside the readings. */
function inspection() {
	const stringId = (label: string) => record.strings.find((one) => one.label === label)!.id;
	return walk(
		record,
		id,
		START,
		BY,
		{
			connectors: {
				outcome: 'finding',
				severity: 'act-now',
				words: 'Two makes mated between module 7 and 8, green inside. Not opened.',
				place: { kind: 'module', stringId: stringId('B3'), module: 7 },
				photographs: [PHOTOGRAPHS.connector]
			},
			glass: {
				outcome: 'finding',
				severity: 'mend-soon',
				words: 'Glass cracked from the lower left corner, dry behind.',
				place: { kind: 'module', stringId: stringId('A3'), module: 4 },
				photographs: [PHOTOGRAPHS.glass]
			},
			'modules-alike': {
				outcome: 'finding',
				severity: 'note',
				words: 'Row A4 has a gap: eleven modules where the drawing has twelve.',
				place: { kind: 'string', stringId: stringId('A4') }
			},
			infrared: {
				outcome: 'finding',
				severity: 'mend-soon',
				words: 'Clear sky, no wind. A third of the module is warm.',
				place: { kind: 'module', stringId: stringId('A2'), module: 6 },
				infrared: { pattern: 'section', difference: 9, amps: 5.7, fullAmps: 10.11 },
				photographs: [PHOTOGRAPHS.infrared]
			},
			electrode: { outcome: 'not-seen', words: 'Below the paving' },
			meter: { outcome: 'not-seen', words: 'Meter room locked' }
		},
		{ 'rack-live': 0.4, clearances: 350, 'bonding-ohms': 0.4, 'loss-of-mains': 0.3, insulation: 18 }
	);
}

/** The visit that the demo comes with, as a file. */
export function saltmarshVisit(): string {
	const figures = readAll({ seed: 11, years: 7.3, light: 604, heat: 24.6 });
	return writeVisitDocument({
		format: 'zembo-visit',
		version: VERSION,
		site: {
			id: id(2),
			name: 'Saltmarsh Ferry Terminal',
			place: 'Canopy over the waiting lanes, two combiner boxes at pillar 3',
			timeZone: 'Etc/UTC'
		},
		revision: { id: id(3), number: 1, createdAt: '2026-11-16T09:00:00Z' },
		record: structuredClone(record) as VisitDocument['record'],
		visit: {
			...(structuredClone(
				emptyVisit({
					id: id(4),
					startedAt: START,
					by: BY,
					purpose: 'fault',
					reason: 'Yield down since October'
				})
			) as VisitDocument['visit']),
			safety: [
				{
					id: id(6),
					step: OWN_PROCEDURE,
					value: null,
					at: START,
					by: BY,
					supersedes: null,
					withdrawn: false
				}
			],
			conditions: [
				{
					id: id(5),
					enteredAt: '2026-11-17T11:08:00Z',
					by: BY,
					basis: '',
					follows: false,
					fieldId: null,
					irradiance: { value: 612, relativeStandardUncertainty: 0.03, source: 'sensor-in-plane' },
					cellTemperature: { value: 24, standardUncertainty: 2, source: 'probe-on-back' }
				}
			],
			readings: figures.map(({ string, quantity, value, atVolts: atVoltage }, i) => ({
				id: id(64 + i),
				place: stringPlace(string.id),
				quantity,
				state: usualState(quantity),
				value,
				atVolts: atVoltage,
				typed: String(value),
				confirmed: false,
				source: 'typed' as const,
				takenAt: new Date(Date.parse(START) + (4 + i) * 45_000).toISOString(),
				by: BY,
				supersedes: null
			}))
		},
		inspection: inspection(),
		photographs: []
	});
}

/** One row of the card: what the meter shows at a string on another day, of 838 W/m2 and 41 degC. */
interface CardRow {
	readonly mark: string;
	/** V */
	readonly openCircuit: number;
	/** V */
	readonly busVolts: number;
	/** A */
	readonly running: number;
}

/** What somebody who tries the demo types. */
export function meterCard(): CardRow[] {
	const figures = readAll({ seed: 29, ...CARD_DAY });
	return record.strings.map((string) => {
		const [voc, running] = figures.filter((figure) => figure.string === string);
		return {
			mark: string.label,
			openCircuit: voc!.value,
			busVolts: running!.atVolts!,
			running: running!.value
		};
	});
}

/** The card as it stands in the demo's README. */
export function cardTable(): string {
	const rows = meterCard().map(
		({ mark, openCircuit, busVolts: busVoltage, running }) =>
			`| ${mark} | ${openCircuit} | ${busVoltage} | ${running} |`
	);
	return [
		'| string | open circuit, V | running, V | running, A |',
		'|---|---|---|---|',
		...rows
	].join('\n');
}
