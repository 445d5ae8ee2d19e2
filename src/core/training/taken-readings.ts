import {
	type ConditionsEntry,
	emptyVisit,
	type Place,
	type Quantity,
	type Reading,
	stringPlace,
	usualState,
	type Visit
} from '../visit';
import type { ArrayRecord, StringRecord } from '../record';
import { INVERTER_ID, scenarioId } from './array';
import type { Exact } from './exact';
import { drawMeter, MISTAKES, mistaken, shown, type Mistake } from './meter';
import type { Random } from '../numerics';
import type { Truth } from './truth';

/** When every scenario is. */
export const SCENARIO_START = '2026-06-30T12:00:00Z';
/** Share of readings that are taken wrong. */
const WRONG_READING = 0.008;
/** Faults that no short-circuit current shows. */
const SEEN_RUNNING: readonly string[] = [
	'disconnect-open',
	'inverter-no-ac',
	'clipping',
	'fuse-blown',
	'blocking-diode-open',
	'connector-resistive',
	'connector-reversed'
];

/** A visit to an array with hidden faults. */
export interface Scenario {
	readonly seed: number;
	readonly record: ArrayRecord;
	readonly visit: Visit;
	readonly truth: Truth;
	/** Readings taken wrong, by id. */
	readonly mistakes: ReadonlyMap<string, Mistake>;
	/** What every reading would show without a meter's error or a mistake, by id. */
	readonly exact: ReadonlyMap<string, number>;
}

/** What somebody brings home: the readings of one visit, some of them taken wrong. */
export function takeReadings(
	record: ArrayRecord,
	truth: Truth,
	exact: Exact,
	entry: ConditionsEntry,
	random: Random,
	plain: boolean
): Omit<Scenario, 'seed'> {
	const coarse = [...exact.strings.values()].some(({ voc }) => Math.abs(voc) > 600);
	const voltmeter = drawMeter(
		{ pctOfReading: 0.5, counts: 2, resolution: coarse ? 1 : 0.1 },
		random
	);
	const clamp = drawMeter({ pctOfReading: 1.5, counts: 3, resolution: 0.01 }, random);
	const drift = 0.006;
	const readings: Reading[] = [];
	const exactById = new Map<string, number>();
	const mistakes = new Map<string, Mistake>();
	const take = (
		place: Place,
		quantity: Quantity,
		value: number,
		read: number,
		string: StringRecord | null,
		atVoltage: number | null = null
	) => {
		const id = scenarioId(4, readings.length + 1);
		exactById.set(id, value);
		let figure = read;
		if (!plain && quantity !== 'ac-power' && random.chance(WRONG_READING)) {
			const how = random.pick(MISTAKES);
			mistakes.set(id, how);
			figure = mistaken(read, how, random);
		}
		readings.push({
			id,
			place,
			quantity,
			state: usualState(quantity, {
				fused: string !== null && string.fuse !== null,
				devices: string !== null && string.devices !== null
			}),
			value: figure,
			atVolts: atVoltage,
			typed: String(figure),
			confirmed: false,
			source: 'typed',
			takenAt: SCENARIO_START,
			by: 'Training',
			supersedes: null
		});
	};
	const at = (label: string) => exact.strings.get(label)!;
	const lit = (current: number) => current * (1 + drift * random.normal());
	for (const string of record.strings) {
		const { voc } = at(string.label);
		take(
			stringPlace(string.id),
			'open-circuit-voltage',
			voc,
			shown(voc, voltmeter, random),
			string
		);
	}
	// What only running currents show is looked for by running currents.
	const short =
		random.chance(0.25) && !truth.faults.some(({ code }) => SEEN_RUNNING.includes(code));
	const voltage = new Map(
		[...exact.inputs].map(([input, value]) => [input, shown(value, voltmeter, random)])
	);
	for (const string of record.strings) {
		const { isc, running } = at(string.label);
		const value = short ? isc : running;
		take(
			stringPlace(string.id),
			short ? 'short-circuit-current' : 'operating-current',
			value,
			shown(lit(value), clamp, random),
			string,
			short ? null : voltage.get(string.input!)!
		);
	}
	const clips = truth.faults.some(({ code }) => code === 'clipping');
	if (!short && (clips || random.chance(0.7))) {
		const { ac } = exact;
		take(
			{ kind: 'part', part: INVERTER_ID, point: 'display' },
			'ac-power',
			ac,
			Math.round((ac * (1 + 0.012 * random.normal())) / 10) * 10,
			null
		);
	}
	const hasEarth = truth.faults.some(({ code }) => code === 'earth-fault');
	if (hasEarth || random.chance(0.35)) {
		for (const string of record.strings) {
			const { positiveToEarth, negativeToEarth } = at(string.label);
			for (const [quantity, value] of [
				['positive-to-earth', positiveToEarth],
				['negative-to-earth', negativeToEarth]
			] as const) {
				take(stringPlace(string.id), quantity, value, shown(value, voltmeter, random), string);
			}
		}
	}
	if (record.strings[0]!.fuse !== null && random.chance(0.4)) {
		for (const string of record.strings) {
			for (const [index, pole] of (['positive', 'negative'] as const).entries()) {
				const blown = truth.faults.some(
					({ code, at: where, strings }) =>
						strings.includes(string.label) &&
						((code === 'fuse-blown' && where === index) ||
							(code === 'connector-reversed' && index === 0))
				);
				const value = blown ? 1e8 : 0.1;
				take(
					{ kind: 'fuse', string: string.id, pole },
					'fuse-resistance',
					value,
					blown ? value : Number(Math.max(0, 0.1 + 0.08 * random.normal()).toFixed(1)),
					string
				);
			}
		}
	}
	const visit = emptyVisit({
		id: scenarioId(1, 1),
		startedAt: SCENARIO_START,
		by: 'Training',
		purpose: 'fault',
		reason: ''
	});
	return {
		record,
		truth,
		exact: exactById,
		mistakes,
		visit: {
			...visit,
			meters: {
				volts: { ...visit.meters.volts, ...voltmeter.accuracy },
				amps: { ...visit.meters.amps, ...clamp.accuracy }
			},
			conditions: [entry],
			readings
		}
	};
}
