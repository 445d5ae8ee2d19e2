import {
	isStringQuantity,
	placeKey,
	type Reading,
	type SwitchingState,
	type Visit
} from '../visit';
import { standbyVoltage } from '../expectation';
import { faultOf, STRING_FAULT_CODES, type StringFaultCode } from '../faults';
import { maximumPowerPoint, openCircuitVoltage, shortCircuitCurrent } from '../module';
import { partsOf, type StringRecord } from '../record';
import {
	acProbes,
	type ConditionsAtString,
	keyOfProbe,
	offScale,
	poleProbes,
	predictAt,
	supplyProbes,
	type Suspect
} from '../diagnosis';
import { trueBuses } from './circuits';
import { exactReadings, type Exact } from './exact';
import { drawMeter, shown } from './meter';
import type { Random } from '../numerics';
import type { Scenario } from './scenario';

/** The reading that is asked for. */
export type Asked = Pick<Reading, 'place' | 'quantity'> & { readonly state: SwitchingState };

/**
 * What a virtual meter shows where a reading is asked for: whole strings from the circuit with the
 * hidden faults in it, single places from what such a part shows, with a meter's scatter.
 *
 * @returns in the quantity's unit; null where this scenario has no such place
 */
export function answerTest(
	scenario: Omit<Scenario, 'seed'>,
	asked: Asked,
	random: Random
): number | null {
	const { record, visit } = scenario;
	const { place, quantity } = asked;
	if (quantity === 'ac-power') return display(scenario, random);
	if (place.kind === 'part') return answerAtPart(scenario, asked, random);
	if (place.kind === 'array')
		return quantity === 'cleaning-gain' ? cleaned(scenario, random) : null;
	if (!('string' in place)) return null;
	const string = record.strings.find(({ id }) => id === place.string)!;
	if (place.kind === 'string' && isStringQuantity(quantity)) {
		const { strings } = exactOf(scenario);
		const { voc, isc, running } = strings.get(string.label)!;
		const voltage = quantity === 'open-circuit-voltage';
		const exact = voltage ? voc : quantity === 'operating-current' ? running : isc;
		return shown(
			exact,
			drawMeter(voltage ? visit.meters.volts : visit.meters.amps, random),
			random
		);
	}
	const predicted = predictAt(asked, suspectIn(scenario, string), hereIn(scenario, string));
	if (!predicted || predicted.value === null) return null;
	return drawn(predicted.value, 0.5 * predicted.sigma, quantity, random);
}

/** Everything an ideal meter would show; the leaks to earth of sound strings do not matter here. */
function exactOf({ record, truth }: Pick<Scenario, 'record' | 'truth'>): Exact {
	const leaks = new Map(
		record.strings.map(({ label }) => [label, { share: 0.5, resistance: 1e9 }])
	);
	return exactReadings(truth, trueBuses(record, truth), leaks);
}

/** The inverter's own display, W: steps of 10. */
function display(scenario: Pick<Scenario, 'record' | 'truth'>, random: Random): number {
	const { ac } = exactOf(scenario);
	return Math.round((ac * (1 + 0.012 * random.normal())) / 10) * 10;
}

/** What cleaning one string gains where all are alike, %. */
function cleaned({ truth }: Pick<Scenario, 'truth'>, random: Random): number {
	const soiling = truth.faults.find(
		({ code, strings }) => code === 'soiling' && strings.length > 1
	);
	const lost = soiling?.size ?? 0;
	return (100 * lost) / (1 - lost) + random.normal();
}

function drawn(
	value: number,
	sigma: number,
	quantity: Reading['quantity'],
	random: Random
): number {
	const figure = value + sigma * Math.max(-2, Math.min(2, random.normal()));
	if (quantity === 'lamp' || quantity === 'shade-seen' || quantity === 'module-count') {
		return Math.round(value);
	}
	return offScale(quantity, figure);
}

/** The fault that a string hides, where it is one that places within it show. */
function suspectIn({ truth }: Pick<Scenario, 'truth'>, string: StringRecord): Suspect | null {
	const fault = truth.faults.find(
		({ code, strings }) =>
			strings.includes(string.label) && (STRING_FAULT_CODES as readonly string[]).includes(code)
	);
	if (!fault) return null;
	return {
		fault: faultOf(fault.code as StringFaultCode),
		severity: { size: fault.size ?? 1, second: 1.2, share: 1, words: '' },
		at: fault.at ?? 0
	};
}

function hereIn(
	{ record, truth }: Pick<Scenario, 'record' | 'truth'>,
	string: StringRecord
): ConditionsAtString {
	return {
		string,
		type: record.moduleTypes.find(({ id }) => id === string.moduleTypeId)!,
		moduleVoltage: openCircuitVoltage(truth.module),
		moduleCurrent: shortCircuitCurrent(truth.module),
		running: maximumPowerPoint(truth.module).amps,
		deviceVoltage: standbyVoltage(record, string)?.each ?? 0,
		fuseRating: string.fuse === null || string.fuse === 'unknown' ? null : string.fuse.rating
	};
}

function answerAtPart(
	{ record, truth }: Pick<Scenario, 'record' | 'truth'>,
	{ place, quantity }: Asked,
	random: Random
): number | null {
	const probes = [
		...supplyProbes(record),
		...acProbes(record),
		...partsOf(record.parts, 'dc-disconnect').flatMap(({ id }) => poleProbes(id))
	];
	const key = placeKey(place, quantity);
	const probe = probes.find((one) => keyOfProbe(one) === key);
	if (!probe) return null;
	const concerned = truth.faults.find(({ code, input }) => {
		if (code === 'rsd-no-signal') return probe.point !== 'positive' && probe.point !== 'negative';
		if (code !== 'disconnect-open') return false;
		const string = record.strings.find((one) => one.input === input);
		return string?.to === probe.part;
	});
	const { value, sigma } = probe.predicted(concerned?.link ?? null);
	return value === null ? null : drawn(value, 0.5 * sigma, quantity, random);
}

/** Volts of the bus that a string hangs on while it runs, V; null where it has no input. */
export function busVoltageAt(
	scenario: Pick<Scenario, 'record' | 'truth'>,
	stringId: string
): number | null {
	const input = scenario.record.strings.find(({ id }) => id === stringId)?.input ?? null;
	const voltage = input === null ? undefined : exactOf(scenario).inputs.get(input);
	return voltage === undefined ? null : Number(voltage.toFixed(1));
}

/**
 * The visit with an answer in it; a figure taken again replaces the one before.
 *
 * @param bus volts at which a running current is read, V
 */
export function withAnswer(
	visit: Visit,
	asked: Asked,
	value: number,
	n: number,
	bus = busVoltage(visit)
): Visit {
	const key = placeKey(asked.place, asked.quantity);
	const before = visit.readings.findLast(
		({ place, quantity }) => placeKey(place, quantity) === key
	);
	const reading: Reading = {
		id: `019d0000-0000-7000-8000-${n.toString(16).padStart(12, '0')}`,
		place: asked.place,
		quantity: asked.quantity,
		state: asked.state,
		value,
		atVolts: before?.atVolts ?? (asked.quantity === 'operating-current' ? bus : null),
		typed: String(value),
		confirmed: false,
		source: 'typed',
		takenAt: visit.startedAt,
		by: 'Training',
		supersedes: before?.id ?? null
	};
	return { ...visit, readings: [...visit.readings, reading] };
}

function busVoltage({ readings }: Visit): number | null {
	return readings.find(({ atVolts: atVoltage }) => atVoltage !== null)?.atVolts ?? null;
}
