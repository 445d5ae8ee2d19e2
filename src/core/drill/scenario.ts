import type { ConditionsEntry, Reading, Visit } from '../expectation/visit';
import { emptyVisit } from '../expectation/visit';
import { agedModel, moduleHere } from '../expectation/predict';
import { stringPlace, type Place } from '../expectation/place';
import type { Quantity } from '../expectation/quantity';
import { usualState } from '../expectation/switching';
import type { PartOf } from '../record/part';
import type { ArrayRecord, StringRecord } from '../record/record';
import { drawArray, INVERTER_ID, scenarioId, type ArrayWishes } from './array';
import { trueBuses } from './circuits';
import { exactReadings, type Exact } from './exact';
import { drawMeter, MISTAKES, mistaken, shown, type Mistake } from './meter';
import { HIDDEN_CODES, hasPlaceFor, plant, type HiddenCode } from './planting';
import { randomFrom, type Random } from './random';
import type { HiddenFault, Truth } from './truth';

/** What a scenario is told instead of drawing it. */
export interface Wishes extends ArrayWishes {
	/** The fault that it hides; 'healthy' for none. */
	readonly code?: HiddenCode | 'healthy' | undefined;
	/** No reading taken wrong, no second fault. */
	readonly plain?: boolean | undefined;
}

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

const AT = '2026-06-30T12:00:00Z';
const HEALTHY_SHARE = 0.25;
const SECOND_FAULT = 0.15;
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
const STRING_CODES = HIDDEN_CODES.filter(
	(code) =>
		![
			'disconnect-open',
			'rsd-no-signal',
			'inverter-no-ac',
			'strings-swapped',
			'conditions-wrong',
			'clipping',
			'unequal-parallel',
			'record-wrong'
		].includes(code)
);

/** Draws a scenario; the same seed and wishes give the same one. */
export function drawScenario(seed: number, wishes: Wishes = {}): Scenario {
	const random = randomFrom(seed);
	const code =
		wishes.code ?? (random.chance(HEALTHY_SHARE) ? 'healthy' : random.pick(HIDDEN_CODES));
	let recorded = drawArray(random, wishes);
	for (let i = 0; i < 200 && code !== 'healthy' && !hasPlaceFor(code, recorded); i++) {
		recorded = drawArray(random, wishes);
	}
	const faults: HiddenFault[] = [];
	if (code !== 'healthy' && hasPlaceFor(code, recorded)) {
		faults.push(plant(code, recorded, random));
		const others = recorded.strings.filter(({ label }) => !faults[0]!.strings.includes(label));
		const second = random.pick(STRING_CODES);
		if (
			!wishes.plain &&
			random.chance(SECOND_FAULT) &&
			others.length > 1 &&
			(STRING_CODES as readonly string[]).includes(code) &&
			hasPlaceFor(second, recorded)
		) {
			faults.push(plant(second, recorded, random, others));
		}
	}
	const record = shortened(recorded, faults);
	const stated = drawTruth(record, faults, random);
	const { truth, entry } = stated;
	const leaks = new Map(
		record.strings.map(({ label }) => [
			label,
			{ share: random.uniform(), ohms: random.logBetween(2e6, 1e9) }
		])
	);
	const buses = trueBuses(record, truth);
	const free = exactReadings(truth, buses, leaks);
	const limited = withLimit(record, truth, free, random);
	const exact =
		limited.truth.acLimit === null || limited.truth.acLimit > free.ac
			? free
			: exactReadings(limited.truth, buses, leaks);
	return {
		seed,
		...takeReadings(limited.record, limited.truth, exact, entry, random, wishes.plain ?? false)
	};
}

/** Strings of unequal length on one input stand so in the record. */
function shortened(record: ArrayRecord, faults: readonly HiddenFault[]): ArrayRecord {
	const unequal = faults.find(({ code }) => code === 'unequal-parallel');
	if (!unequal) return record;
	return {
		...record,
		strings: record.strings.map((string) =>
			unequal.strings.includes(string.label)
				? { ...string, moduleCount: string.moduleCount - unequal.size! }
				: string
		)
	};
}

/** What the readings would be without one of the faults, exactly, by string. */
export function exactWithout(
	{ record, truth }: Pick<Scenario, 'record' | 'truth'>,
	fault: HiddenFault
): Exact {
	const sound = {
		...truth,
		faults: truth.faults.filter((other) => other !== fault),
		acLimit: null
	};
	const leaks = new Map(record.strings.map(({ label }) => [label, { share: 0.5, ohms: 1e9 }]));
	return exactReadings(sound, trueBuses(record, sound), leaks);
}

/** Five values that stand for a normal deviate, so that modules are alike enough to be counted. */
const DEVIATES = [-1.4, -0.6, 0, 0.6, 1.4] as const;

function drawTruth(record: ArrayRecord, faults: readonly HiddenFault[], random: Random) {
	const type = record.moduleTypes[0]!;
	const years = 2026 - record.inServiceSince! + random.between(-0.4, 0.4);
	const irradiance = random.between(260, 1050);
	const cellTemperature = 12 + 0.03 * irradiance + random.between(-8, 16);
	const dirt = Math.min(0.06, 0.015 + 0.012 * Math.abs(random.normal()));
	const model = agedModel(type, Math.max(0, years * (1 + 0.3 * random.normal())));
	const common = [1 + 0.009 * random.normal(), 1 + 0.006 * random.normal()] as const;
	const wrong = faults.find(({ code }) => code === 'conditions-wrong');
	const sensor = wrong !== undefined || random.chance(0.8);
	const lightOff = wrong && random.chance(0.7) ? random.pick([-1, 1]) * (0.12 + wrong.size!) : 0;
	const heatOff = wrong && lightOff === 0 ? random.pick([-1, 1]) * random.between(12, 20) : 0;
	const doubt = sensor ? { light: 0.03, heat: 2 } : { light: 0.13, heat: 5 };
	const spread = new Map(
		record.strings.map(({ label, moduleCount }) => {
			const other = faults.find(
				({ code, strings }) => code === 'record-wrong' && strings.includes(label)
			);
			// Another type is told by its cells in series, 60 for 72 or the other way.
			const volts = other ? random.pick([60 / 72, 72 / 60]) : 1;
			return [
				label,
				Array.from(
					{ length: moduleCount },
					() =>
						[
							common[0] * (other?.size ?? 1) * (1 + 0.012 * random.pick(DEVIATES)),
							common[1] * volts * (1 + 0.008 * random.pick(DEVIATES))
						] as const
				)
			] as const;
		})
	);
	const truth: Truth = {
		faults,
		irradiance: irradiance * (1 - dirt),
		cellTemperature,
		conditionsWrong: wrong !== undefined,
		spread,
		module: moduleHere(model, irradiance * (1 - dirt), cellTemperature),
		acLimit: null
	};
	const entry: ConditionsEntry = {
		id: scenarioId(5, 1),
		enteredAt: AT,
		by: 'Drill',
		basis: '',
		follows: false,
		irradiance: {
			value: Math.round(irradiance * (1 + lightOff) * (1 + doubt.light * random.normal())),
			relativeStandardUncertainty: doubt.light,
			source: sensor ? 'sensor-in-plane' : 'clear-sky'
		},
		cellTemperature: {
			value: Number((cellTemperature + heatOff + doubt.heat * random.normal()).toFixed(1)),
			standardUncertainty: doubt.heat,
			source: sensor ? 'probe-on-back' : 'from-air'
		}
	};
	return { truth, entry };
}

/** The inverter's rating: above what is offered, but where it is meant to clip. */
function withLimit(
	record: ArrayRecord,
	truth: Truth,
	{ ac }: Exact,
	random: Random
): { readonly record: ArrayRecord; readonly truth: Truth } {
	const clips = truth.faults.find(({ code }) => code === 'clipping');
	const rating = clips
		? ac * (1 - Math.max(0.08, clips.size!))
		: Math.max(ac * random.between(1.1, 1.6), 1000);
	const acWatts = Math.max(100, Math.round(rating / 100) * 100);
	return {
		truth: { ...truth, acLimit: acWatts },
		record: {
			...record,
			parts: record.parts.map((part) =>
				part.kind === 'inverter'
					? ({ ...part, specs: { ...part.specs, acWatts } } satisfies PartOf<'inverter'>)
					: part
			)
		}
	};
}

function takeReadings(
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
		atVolts: number | null = null
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
			atVolts,
			typed: String(figure),
			confirmed: false,
			source: 'typed',
			takenAt: AT,
			by: 'Drill',
			supersedes: null
		});
	};
	const at = (label: string) => exact.strings.get(label)!;
	const lit = (amps: number) => amps * (1 + drift * random.normal());
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
	const volts = new Map(
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
			short ? null : volts.get(string.input!)!
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
		startedAt: AT,
		by: 'Drill',
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
