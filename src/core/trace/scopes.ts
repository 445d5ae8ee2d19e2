import type { GroupReading, SiblingGroup } from '../expectation/group';
import { standbyVolts } from '../expectation/in-state';
import { POLES, stringKey } from '../expectation/place';
import type { Shift } from '../expectation/siblings';
import { moduleAtShift } from '../expectation/group';
import type { Reading } from '../expectation/visit';
import { rateOf, type FaultRates } from '../faults/rates';
import { openCircuitVoltage } from '../module/single-diode';
import { partsOf } from '../record/part';
import { partsOnward } from '../record/path';
import type { ArrayRecord, StringRecord } from '../record/record';
import type { InputVolts } from './cases';
import { spreadWith, type Foretold } from './evidence';
import { acProbes, poleProbes, supplyProbes, weighLinks } from './link-evidence';
import type { StringCase } from './string-case';
import type { Scope, ScopeForetells } from './scope';
import { classTable, scaleOf } from './string-table';

/** What of the visit scopes are weighed by. */
export interface ScopeBasis {
	readonly record: ArrayRecord;
	readonly group: SiblingGroup;
	readonly cases: readonly StringCase[];
	readonly standing: ReadonlyMap<string, Reading>;
	readonly rates: FaultRates;
	/** Volts of the inputs that were read while they ran, by input. */
	readonly inputs: ReadonlyMap<string, InputVolts>;
	/** What the inverter fed, W; null where it was not read. */
	readonly acWatts: number | null;
}

const WHOLE = [{ faults: [], prior: 1 }] as const;
const NO_AMPS = { sigma: 0.06 };

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
	(cases: readonly StringCase[]): Scope['foretell'] =>
	(group, centre) => {
		const whole = wholeForetells(cases, group, centre);
		return (s, item, atVolts, light, heat) =>
			item.reading.quantity === 'operating-current'
				? none(group, item)
				: whole(s, item, atVolts, light, heat);
	};

function none(group: SiblingGroup, { string, reading }: GroupReading): Foretold {
	return { value: 0, ...NO_AMPS, scale: scaleOf(group, string, reading.quantity) };
}

/** Whole strings, or others in their place. */
function wholeForetells(
	cases: readonly StringCase[],
	group: SiblingGroup,
	centre: Shift,
	standIn: (index: number) => StringRecord = (index) => cases[index]!.string
): ScopeForetells {
	const tables = new Map<string, ReturnType<typeof classTable>>();
	return (s, item, atVolts, light, heat) => {
		const string = standIn(s);
		const { quantity } = item.reading;
		const key = `${string.moduleCount}/${string.cableResistance}/${quantity}/${atVolts ?? ''}`;
		let table = tables.get(key);
		if (!table) {
			table = classTable(group, string, WHOLE, quantity, atVolts, centre);
			tables.set(key, table);
		}
		return {
			value: table.value[0]! + table.perLight[0]! * light + table.perHeat[0]! * heat,
			sigma: table.sigma[0]!,
			spread: spreadWith(table.sigma[0]!, table.scatterUnit[0]!, item.scatter),
			scale: table.scale
		};
	};
}

/** Density of an input's volts where it runs: at its maximum, or pushed up toward open circuit. */
function runningDensity({ read, best, open }: InputVolts): number {
	const elsewhere = read > 0.4 * best && read < open ? 1 / open : 0;
	return 0.93 * normal(read, best, 0.03 * best) + 0.06 * elsewhere + 0.01 / (3 * open);
}

/** Density of the volts of an input at which nothing runs. */
const openDensity = ({ read, open }: InputVolts) => normal(read, open, 0.03 * open);

/** Density of the volts behind a switch of which a pole is open: none, or those of its other side. */
const deadDensity = (volts: InputVolts) =>
	0.6 * normal(volts.read, 0, 0.01 * volts.open) + 0.4 * openDensity(volts);

const normal = (value: number, mean: number, sigma: number) =>
	Math.exp(-0.5 * ((value - mean) / sigma) ** 2) / (sigma * Math.sqrt(2 * Math.PI));

/** Indices of the strings of each input. */
function byInput(cases: readonly StringCase[]): Map<string, number[]> {
	const inputs = new Map<string, number[]>();
	cases.forEach(({ string: { input } }, s) => {
		if (input !== null) inputs.set(input, [...(inputs.get(input) ?? []), s]);
	});
	return inputs;
}

/** A pole of an input's disconnect that does not close. */
function openDisconnects(basis: ScopeBasis): Scope[] {
	const { record, cases, inputs, rates, standing } = basis;
	return [...byInput(cases)].map(([input, strings]): Scope => {
		const volts = inputs.get(input);
		const dead = volts ? deadDensity(volts) / runningDensity(volts) : 1;
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
			links: poles.links,
			probes,
			strings,
			foretell: stopped(cases)
		};
	});
}

/** The disconnect that a string's current passes; null where the record names none. */
function disconnectOf(record: ArrayRecord, string: StringRecord): string | null {
	return partsOnward(record, string.to).find(({ kind }) => kind === 'dc-disconnect')?.id ?? null;
}

/** All rapid-shutdown devices hold their strings down. */
function silentTransmitter({ record, cases, rates, standing }: ScopeBasis): Scope[] {
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
	return [
		{
			code: 'rsd-no-signal',
			place: { site: true, ...(transmitter && { part: transmitter.id }) },
			prior: rateOf('rsd-no-signal', rates),
			own,
			links: transmitter ? links : [],
			probes,
			strings,
			foretell: (group) => (_, item) => {
				const { string, reading } = item;
				if (reading.quantity !== 'open-circuit-voltage') return none(group, item);
				const off = standbyVolts(record, string);
				const value = off ? off.count * off.each : 0;
				return {
					value,
					sigma: Math.hypot(value * (off?.stated ? 0.12 : 0.3), 0.3),
					scale: scaleOf(group, string, 'open-circuit-voltage')
				};
			}
		}
	];
}

/** The inverter does not run, for want of AC or of its own accord. */
function withoutAc(basis: ScopeBasis): Scope[] {
	const { record, cases, rates, inputs, acWatts, standing } = basis;
	if (cases.length === 0) return [];
	const strings = cases.map((_, s) => s);
	let own = 1;
	for (const volts of inputs.values()) own *= openDensity(volts) / runningDensity(volts);
	const watts = partsOf(record.parts, 'inverter')[0]?.specs.acWatts ?? null;
	if (acWatts !== null && watts !== null) {
		own *= normal(acWatts, 0, 0.01 * watts) / (1 / watts);
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
			links: probes.length > 0 ? weighed.links : [],
			probes,
			strings,
			foretell: stopped(cases)
		}
	];
}

/** Volts of a string over a whole one's by which it is worth asking whether it is another. */
const WORTH_ASKING = 0.02;

/** Two strings of different build that have changed places. */
function exchanged({ group, cases, rates, standing }: ScopeBasis): Scope[] {
	const { shift } = group.estimates[0];
	const module = openCircuitVoltage(moduleAtShift(group, shift));
	const off = cases.map(({ string }) => {
		const read = standing.get(stringKey(string.id, 'open-circuit-voltage'))?.value;
		return read === undefined
			? true
			: Math.abs(read / (module * string.moduleCount) - 1) > WORTH_ASKING;
	});
	const prior = rateOf('strings-swapped', rates);
	const pairs: Scope[] = [];
	for (let a = 0; a < cases.length; a++) {
		for (let b = a + 1; b < cases.length; b++) {
			const one = cases[a]!.string;
			const other = cases[b]!.string;
			if (one.moduleCount === other.moduleCount || !(off[a] && off[b])) continue;
			pairs.push({
				code: 'strings-swapped',
				place: { strings: [one.id, other.id] },
				prior: prior / Math.max(1, cases.length / 2),
				own: 1,
				links: [],
				probes: [],
				strings: [a, b],
				foretell: (of, centre) => wholeForetells(cases, of, centre, (s) => (s === a ? other : one))
			});
		}
	}
	return pairs;
}
