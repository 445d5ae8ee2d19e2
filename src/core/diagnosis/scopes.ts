import {
	combine,
	type GroupReading,
	atSameIrradiance,
	moduleAtShift,
	ownUncertainty,
	type PeerGroup,
	type Shift,
	STANDBY_VOLTAGE_UNCERTAINTY,
	standbyVoltage
} from '../expectation';
import { POLES, type Reading, stringKey } from '../visit';
import { type FaultRates, rateOf } from '../faults';
import { openCircuitVoltage } from '../module';
import { normalDensity } from '../numerics';
import { type ArrayRecord, partsOf, partsOnward, type StringRecord } from '../record';
import type { InputVoltage } from './cases';
import { spreadWith, type Predicted } from './evidence';
import { acProbes, poleProbes, supplyProbes, weighLinks } from './link-evidence';
import { aloneOnTracker, type StringCase } from './string-case';
import type { BusEvidence, Scope, ScopePredictions } from './scope';
import { classTable, scaleOf } from './string-table';

/** What of the visit scopes are weighed by. */
export interface ScopeBasis {
	readonly record: ArrayRecord;
	readonly group: PeerGroup;
	/** All groups of the visit. */
	readonly groups: readonly PeerGroup[];
	readonly cases: readonly StringCase[];
	readonly standing: ReadonlyMap<string, Reading>;
	readonly rates: FaultRates;
	/** Volts of the inputs that were read while they ran, by input. */
	readonly inputs: ReadonlyMap<string, InputVoltage>;
	/** What the inverter fed, W; null where it was not read. */
	readonly acPower: number | null;
}

const WHOLE = [{ faults: [], prior: 1 }] as const;
/** A clamp's rest where no current flows, A. */
const NO_CURRENT = 0.06;

/** Every scope of a group that has strings in it. */
export function scopesOf(basis: ScopeBasis): Scope[] {
	return [
		...openDisconnects(basis),
		...silentTransmitter(basis),
		...withoutAc(basis),
		...exchanged(basis)
	];
}

/** Strings that read as whole ones, their running current apart. */
const stopped =
	(cases: readonly StringCase[]): Scope['predictReading'] =>
	(group, centre) => {
		const whole = healthyPredictions(cases, group, centre);
		return (s, item, atVoltage, irradiance, cellTemperature) =>
			item.reading.quantity === 'operating-current'
				? none(group, item)
				: whole(s, item, atVoltage, irradiance, cellTemperature);
	};

function none(group: PeerGroup, item: GroupReading): Predicted {
	const { string, reading } = item;
	const nothing = { value: 0, perVolt: 0 };
	const known = combine(ownUncertainty(reading.quantity, nothing, string, group.series, null));
	const sigma = Math.hypot(known, NO_CURRENT);
	return {
		value: 0,
		sigma,
		spread: spreadWith(sigma, 0, item.scatter),
		scale: scaleOf(group, string, reading.quantity)
	};
}

/** Whole strings, or others in their place. */
function healthyPredictions(
	cases: readonly StringCase[],
	group: PeerGroup,
	centre: Shift,
	standIn: (index: number) => StringRecord = (index) => cases[index]!.string
): ScopePredictions {
	const tables = new Map<string, ReturnType<typeof classTable>>();
	return (s, item, atVoltage, irradiance, cellTemperature) => {
		const string = standIn(s);
		const { quantity } = item.reading;
		const key = `${string.moduleCount}/${string.cableResistance}/${quantity}/${atVoltage ?? ''}`;
		let table = tables.get(key);
		if (!table) {
			table = classTable(group, string, WHOLE, quantity, atVoltage, centre);
			tables.set(key, table);
		}
		return {
			value:
				table.value[0]! +
				table.perIrradiance[0]! * irradiance +
				table.perKelvin[0]! * cellTemperature,
			sigma: table.sigma[0]!,
			spread: spreadWith(table.sigma[0]!, table.scatterUnit[0]!, item.scatter),
			scale: table.scale
		};
	};
}

/** Density of an input's volts where it runs: at its maximum, or pushed up toward open circuit. */
function runningDensity({ read, best, open }: InputVoltage): number {
	const elsewhere = read > 0.4 * best && read < open ? 1 / open : 0;
	return 0.93 * normalDensity(read - best, 0.03 * best) + 0.06 * elsewhere + 0.01 / (3 * open);
}

/** Density of the volts of an input at which nothing runs. */
const openDensity = ({ read, open }: InputVoltage) => normalDensity(read - open, 0.03 * open);

/** Density of the volts behind a switch of which a pole is open: none, or those of its other side. */
const deadDensity = (voltage: InputVoltage) =>
	0.6 * normalDensity(voltage.read, 0.01 * voltage.open) + 0.4 * openDensity(voltage);

const voltageOf = ({ string: { input } }: StringCase, inputs: ScopeBasis['inputs']) =>
	input === null ? undefined : inputs.get(input);

/** Density of an input's volts where all devices of its string are off: theirs, or none at all. */
function standbyDensity(
	record: ArrayRecord,
	one: StringCase,
	inputs: ScopeBasis['inputs']
): number {
	const voltage = voltageOf(one, inputs);
	const off = standbyVoltage(record, one.string);
	if (!voltage || !off) return 1;
	const value = off.count * off.each;
	return (
		0.7 * normalDensity(voltage.read - value, 0.3 * value + 0.5) +
		0.3 * normalDensity(voltage.read, 0.01 * voltage.open)
	);
}

/** Indices of the strings of each input. */
function byInput(cases: readonly StringCase[]): Map<string, number[]> {
	const inputs = new Map<string, number[]>();
	cases.forEach(({ string: { input } }, s) => {
		if (input !== null) inputs.set(input, [...(inputs.get(input) ?? []), s]);
	});
	return inputs;
}

/** What the voltages of inputs say that no single string accounts for. */
export function busEvidence(
	cases: readonly StringCase[],
	inputs: ScopeBasis['inputs']
): BusEvidence[] {
	return [...byInput(cases)].flatMap(([input, strings]) => {
		const voltage = inputs.get(input);
		if (!voltage || strings.some((s) => aloneOnTracker(cases[s]!))) return [];
		return [{ input, strings, deadOverRunning: deadDensity(voltage) / runningDensity(voltage) }];
	});
}

/** A pole of an input's disconnect that does not close. */
function openDisconnects(basis: ScopeBasis): Scope[] {
	const { record, cases, inputs, rates, standing } = basis;
	return [...byInput(cases)].map(([input, strings]): Scope => {
		const voltage = inputs.get(input);
		const isTracked = aloneOnTracker(cases[strings[0]!]!);
		const dead = voltage && !isTracked ? deadDensity(voltage) / runningDensity(voltage) : 1;
		const part = disconnectOf(record, cases[strings[0]!]!.string);
		const probes = part === null ? [] : poleProbes(part);
		const poles = weighLinks(
			probes,
			POLES.map((link) => ({ link, share: 1 / POLES.length })),
			standing
		);
		return {
			code: 'disconnect-open',
			place: { input, ...(part && { part }) },
			prior: rateOf('disconnect-open', rates),
			own: dead * poles.own,
			buses: [input],
			links: poles.links,
			probes,
			strings,
			trackedDensity: () => (voltage ? deadDensity(voltage) : 1),
			predictReading: stopped(cases)
		};
	});
}

/** The disconnect that a string's current passes; null where the record names none. */
function disconnectOf(record: ArrayRecord, string: StringRecord): string | null {
	return partsOnward(record, string.to).find(({ kind }) => kind === 'dc-disconnect')?.id ?? null;
}

/** All rapid-shutdown devices hold their strings down. */
function silentTransmitter({ record, cases, rates, standing, inputs }: ScopeBasis): Scope[] {
	const strings = cases.flatMap(({ string: { devices } }, s) =>
		devices !== null && devices !== 'unknown' && devices.kind === 'rapid-shutdown' ? [s] : []
	);
	if (strings.length === 0) return [];
	const probes = supplyProbes(record);
	const names = ['supply-breaker', 'supply-disconnect', 'low-voltage', 'lamp', 'signal'];
	const { links, own } = weighLinks(
		probes,
		names.map((link) => ({ link, share: 1 / names.length })),
		standing
	);
	const transmitter = partsOf(record.parts, 'transmitter')[0];
	const held = byInput(cases.filter((_, s) => strings.includes(s)));
	const buses = [...held.keys()];
	let onBuses = 1;
	for (const evidence of busEvidence(cases, inputs)) {
		if (!held.has(evidence.input)) continue;
		const voltage = inputs.get(evidence.input)!;
		onBuses *=
			standbyDensity(record, cases[evidence.strings[0]!]!, inputs) / runningDensity(voltage);
	}
	return [
		{
			code: 'rsd-no-signal',
			place: { site: true, ...(transmitter && { part: transmitter.id }) },
			prior: rateOf('rsd-no-signal', rates),
			own: own * onBuses,
			buses,
			links: transmitter ? links : [],
			probes,
			strings,
			trackedDensity: (s) => standbyDensity(record, cases[s]!, inputs),
			predictReading: (group) => (_, item) => {
				const { string, reading } = item;
				if (reading.quantity !== 'open-circuit-voltage') return none(group, item);
				const off = standbyVoltage(record, string);
				const value = off ? off.count * off.each : 0;
				const each = STANDBY_VOLTAGE_UNCERTAINTY[off?.stated ? 'stated' : 'usual'];
				const sigmas = [0.4, 1, 2].map((times) => Math.hypot(value * each * times, 0.3));
				return {
					value,
					sigma: sigmas[1]!,
					spread: { sigmas, weights: [0.4, 0.4, 0.2] },
					scale: scaleOf(group, string, 'open-circuit-voltage')
				};
			}
		}
	];
}

/** The inverter does not run, for want of AC or of its own accord. */
function withoutAc(basis: ScopeBasis): Scope[] {
	const { record, cases, rates, inputs, acPower, standing } = basis;
	if (cases.length === 0) return [];
	const strings = cases.map((_, s) => s);
	let own = 1;
	const trackedInputs = new Set(
		cases.flatMap((one) => (aloneOnTracker(one) ? [one.string.input] : []))
	);
	for (const [input, voltage] of inputs) {
		if (!trackedInputs.has(input)) own *= openDensity(voltage) / runningDensity(voltage);
	}
	const power = partsOf(record.parts, 'inverter')[0]?.specs.acWatts ?? null;
	if (acPower !== null && power !== null) {
		own *= normalDensity(acPower, 0.01 * power) / (1 / power);
	}
	const probes = acProbes(record);
	const names = ['grid', 'breaker', 'ac-cable', 'ac-disconnect', 'inverter'];
	const weighed = weighLinks(
		probes,
		names.map((link) => ({ link, share: 1 / names.length })),
		standing
	);
	return [
		{
			code: 'inverter-no-ac',
			place: { inverter: true },
			prior: rateOf('inverter-no-ac', rates),
			own: own * weighed.own,
			buses: [...inputs.keys()],
			links: probes.length > 0 ? weighed.links : [],
			probes,
			strings,
			trackedDensity: (s) => {
				const voltage = voltageOf(cases[s]!, inputs);
				return voltage ? openDensity(voltage) : 1;
			},
			predictReading: stopped(cases)
		}
	];
}

/** Volts of a string over a whole one's by which it is worth asking whether it is another. */
const WORTH_ASKING = 0.02;

/** Whether the voltage of a string is odd for what it is recorded as, or was not read. */
function isOdd(group: PeerGroup, string: StringRecord, standing: ScopeBasis['standing']): boolean {
	const module = openCircuitVoltage(moduleAtShift(group, group.estimates[0].shift));
	const read = standing.get(stringKey(string.id, 'open-circuit-voltage'))?.value;
	return read === undefined || Math.abs(read / (module * string.moduleCount) - 1) > WORTH_ASKING;
}

/** Two strings of different build that have changed places. */
function exchanged(basis: ScopeBasis): Scope[] {
	const { group, groups, cases, rates, standing, inputs } = basis;
	const prior =
		rateOf('strings-swapped', rates) /
		Math.max(1, groups.reduce((sum, { strings }) => sum + strings.length, 0) / 2);
	const pairs: Scope[] = [];
	const pair = (
		held: readonly number[],
		ids: readonly [string, string],
		partner: (index: number) => StringRecord,
		predictReading: Scope['predictReading']
	): Scope => ({
		code: 'strings-swapped',
		place: { strings: ids },
		prior,
		own: 1,
		buses: [],
		links: [],
		probes: [],
		strings: held,
		trackedDensity: (s) => {
			const voltage = voltageOf(cases[s]!, inputs);
			if (!voltage) return 1;
			const ratio = partner(s).moduleCount / cases[s]!.string.moduleCount;
			return runningDensity({ ...voltage, best: voltage.best * ratio, open: voltage.open * ratio });
		},
		predictReading
	});
	const odd = cases.map(({ string }) => isOdd(group, string, standing));
	for (let a = 0; a < cases.length; a++) {
		if (!odd[a]) continue;
		const one = cases[a]!.string;
		for (let b = a + 1; b < cases.length; b++) {
			const other = cases[b]!.string;
			if (one.moduleCount === other.moduleCount || !odd[b]) continue;
			const partner = (s: number) => (s === a ? other : one);
			pairs.push(
				pair([a, b], [one.id, other.id], partner, (of, centre) =>
					healthyPredictions(cases, of, centre, partner)
				)
			);
		}
		// A string of another type or plane is as its own group has it.
		for (const elsewhere of groups) {
			if (elsewhere === group) continue;
			for (const other of elsewhere.strings) {
				if (!isOdd(elsewhere, other, standing)) continue;
				const ids = [one.id, other.id].sort() as [string, string];
				pairs.push(
					pair(
						[a],
						ids,
						() => other,
						(of, centre) =>
							scopePredictions(elsewhere, other, atSameIrradiance(elsewhere, of) ? centre : null)
					)
				);
			}
		}
	}
	return pairs;
}

/**
 * What a string of another group would read.
 *
 * @param shared light and heat of the asking group where both stand in the same; null where each has its own
 */
function scopePredictions(
	group: PeerGroup,
	string: StringRecord,
	shared: Shift | null
): ScopePredictions {
	const shift = shared ?? group.estimates[0].shift;
	const tables = new Map<string, ReturnType<typeof classTable>>();
	return (_, item, atVoltage) => {
		const { quantity } = item.reading;
		const key = `${quantity}/${atVoltage ?? ''}`;
		const table = tables.get(key) ?? classTable(group, string, WHOLE, quantity, atVoltage, shift);
		tables.set(key, table);
		return {
			value: table.value[0]!,
			sigma: table.sigma[0]!,
			spread: spreadWith(table.sigma[0]!, table.scatterUnit[0]!, item.scatter),
			scale: table.scale
		};
	};
}
