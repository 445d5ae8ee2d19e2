import {
	type BusCircuit,
	BusSource,
	type Device,
	METER_RESISTANCE,
	operate,
	type StringCircuit,
	StringSource
} from '../circuit';
import {
	agedModel,
	alike,
	moduleAtConditions,
	standbyVoltage,
	stringAtConditions,
	USUAL_PARTS
} from '../expectation';
import {
	type ArrayRecord,
	endOfString,
	isAcBranch,
	partsOnward,
	type StringRecord
} from '../record';
import { STC_CELL_TEMPERATURE, STC_IRRADIANCE } from '../units';
import type { StepProgress } from './progress';
import { type IsolationMessage, say } from './messages';

/** Light and heat that live volts are worked out in. */
export interface LiveIrradiance {
	/** W/m2 */
	readonly irradiance: number;
	/** degC */
	readonly cellTemperature: number;
}

const FULL_SUN: LiveIrradiance = {
	irradiance: STC_IRRADIANCE,
	cellTemperature: STC_CELL_TEMPERATURE
};

/** Where the devices of the array stand after the steps that were taken. */
export interface Switches {
	readonly initiator: 'on' | 'off';
	readonly fuses: 'in' | 'out';
	/** Ids of DC disconnects that are open. */
	readonly open: ReadonlySet<string>;
	/** Ids of AC devices that are off. */
	readonly acOff: ReadonlySet<string>;
	/** Ids of ends whose side was proved dead. */
	readonly provedDead: ReadonlySet<string>;
	readonly batteriesOff: ReadonlySet<string>;
}

/** The switches after every step that is settled, in order. */
export function switchesAfter(progress: readonly StepProgress[]): Switches {
	let initiator: Switches['initiator'] = 'on';
	let fuses: Switches['fuses'] = 'in';
	const sets = {
		open: new Set<string>(),
		acOff: new Set<string>(),
		provedDead: new Set<string>(),
		batteriesOff: new Set<string>()
	};
	for (const { step, state } of progress) {
		const { effect } = step;
		if (!effect || state !== 'done') continue;
		switch (effect.kind) {
			case 'initiator-off':
				initiator = 'off';
				break;
			case 'initiator-on':
				initiator = 'on';
				break;
			case 'fuses-out':
				fuses = 'out';
				break;
			case 'fuses-in':
				fuses = 'in';
				break;
			case 'disconnect-open':
				sets.open.add(effect.part);
				break;
			case 'disconnect-closed':
				sets.open.delete(effect.part);
				// What was proved holds only as long as nothing is closed again.
				sets.provedDead.clear();
				break;
			case 'ac-off':
				sets.acOff.add(effect.part);
				break;
			case 'ac-on':
				sets.acOff.delete(effect.part);
				break;
			case 'proved-dead':
				sets.provedDead.add(effect.part);
				break;
			case 'battery-off':
				sets.batteriesOff.add(effect.part);
				break;
			case 'battery-on':
				sets.batteriesOff.delete(effect.part);
				break;
			case 'inverter-stopped':
				break;
		}
	}
	return { initiator, fuses, ...sets };
}

/** `live`: volts stand there. `charged`: capacitors may hold it. `open`: nothing feeds it, nobody has proved it. */
type Liveness = 'live' | 'charged' | 'open' | 'proved';

/** One stretch of the DC side, and what stands on it. */
export interface LiveSegment {
	readonly state: Liveness;
	/** As a meter would show it, V; null where it cannot be told. */
	readonly voltage: number | null;
	/** Why. */
	readonly why: IsolationMessage;
}

/** What stays live along the way of one string. */
export interface LiveString {
	readonly stringId: string;
	/** Module leads up to the string side of the fuse. */
	readonly modules: LiveSegment;
	/** The common bus behind the fuses, up to the line side of the disconnect; null where there is no fuse. */
	readonly bus: LiveSegment | null;
	/** From the load side of the disconnect into the inverter or controller. */
	readonly end: LiveSegment;
}

/**
 * What stays live now, out of the circuit: the sun cannot be switched off, so a string's own side is
 * live whatever was switched; what lies behind open fuses and switches is dead only once it was proved.
 */
export function whatStaysLive(
	record: ArrayRecord,
	switches: Switches,
	irradiance: LiveIrradiance = FULL_SUN
): LiveString[] {
	const dcSide = record.strings.filter((string) => !isAcBranch(string));
	const circuits = circuitsOf(record, dcSide, irradiance);
	const buses = new Map<string, Bus>();
	/** Strings of one input share its bus; one whose input is unknown stands alone. */
	const busOf = (string: StringRecord): Bus | null => {
		const key = string.input ?? string.id;
		const known = buses.get(key);
		if (known) return known;
		const joined = dcSide.filter(({ id, input }) => (input ?? id) === key);
		const strings = joined.flatMap(({ id }) => circuits.get(id) ?? []);
		if (strings.length === 0) return null;
		const transmitter = switches.initiator === 'off' ? 'dead' : 'fed';
		const bus = { ...USUAL_PARTS, strings, transmitter } as const;
		const made = { bus, voltage: meterVoltage(bus) };
		buses.set(key, made);
		return made;
	};
	return dcSide.map((string) => {
		const own = circuits.get(string.id);
		const bus = own ? busOf(string) : null;
		return {
			stringId: string.id,
			modules: ownSide(
				string,
				own && bus ? StringSource.of(own, bus.bus, 'source').openVoltage : null,
				switches
			),
			bus: string.fuse === null ? null : busSide(bus, switches),
			end: endSide(record, string, bus, switches)
		};
	});
}

/** What the strings of one input feed, and the volts that a meter shows there, V. */
interface Bus {
	readonly bus: BusCircuit;
	readonly voltage: number;
}

/** Circuits of the strings by their ids; none where the modules are not recorded. */
function circuitsOf(
	record: ArrayRecord,
	strings: readonly StringRecord[],
	{ irradiance, cellTemperature }: LiveIrradiance
): ReadonlyMap<string, StringCircuit> {
	const types = new Map(
		record.moduleTypes.map((type) => {
			const model = agedModel(type, 0);
			return [
				type.id,
				{ model, module: moduleAtConditions(model, irradiance, cellTemperature) }
			] as const;
		})
	);
	return new Map(
		strings.flatMap((string) => {
			const type = types.get(string.moduleTypeId);
			if (!type) return [];
			const circuit = stringAtConditions(string, type.model, alike(type.module));
			const devices = devicesOf(record, string);
			return [[string.id, { ...circuit, ...(devices.length > 0 && { devices }) }] as const];
		})
	);
}

function devicesOf(record: ArrayRecord, string: StringRecord): Device[] {
	const { devices, moduleCount } = string;
	const off = standbyVoltage(record, string);
	if (!off || devices === null || devices === 'unknown') return [];
	const each = devices.modulesPerDevice;
	return Array.from({ length: off.count }, (_, i) => ({
		kind: devices.kind === 'optimiser' ? 'optimiser' : 'rapid-shutdown',
		first: i * each,
		covers: Math.min(each, moduleCount - i * each),
		condition: 'works',
		offVolts: off.each
	}));
}

const UNKNOWN: LiveSegment = {
	state: 'live',
	voltage: null,
	why: say('isolation.live.not-recorded')
};

function ownSide(
	string: StringRecord,
	voltage: number | null,
	{ initiator }: Switches
): LiveSegment {
	if (voltage === null) return UNKNOWN;
	const devices = string.devices !== null && string.devices !== 'unknown';
	return {
		state: 'live',
		voltage,
		why: say(
			initiator === 'off' && devices ? 'isolation.live.devices-off' : 'isolation.live.daylight'
		)
	};
}

function meterVoltage(bus: BusCircuit): number {
	return operate(new BusSource(bus), { kind: 'resistor', ohms: METER_RESISTANCE }).volts;
}

/** Volts below which nothing feeds a stretch, V. */
const FED = 1;

function busSide(joined: Bus | null, { fuses }: Switches): LiveSegment {
	if (!joined) return UNKNOWN;
	const { bus } = joined;
	if (fuses === 'out') {
		// A fuse in the hand joins nothing: what is left on the bus are strings that have none.
		const strings = bus.strings.filter(({ fuses: own }) => !own?.positive);
		const voltage = strings.length === 0 ? 0 : meterVoltage({ ...bus, strings });
		return voltage < FED
			? { state: 'open', voltage, why: say('isolation.live.fuses-out') }
			: { state: 'live', voltage, why: say('isolation.live.past-fuses') };
	}
	return { state: 'live', voltage: joined.voltage, why: say('isolation.live.by-strings') };
}

function endSide(
	record: ArrayRecord,
	string: StringRecord,
	bus: Bus | null,
	{ open, provedDead, batteriesOff }: Switches
): LiveSegment {
	const end = endOfString(record, string);
	const way = partsOnward(record, string.to).filter(({ kind }) => kind === 'dc-disconnect');
	if (!way.some(({ id }) => open.has(id))) {
		return bus
			? { state: 'live', voltage: bus.voltage, why: say('isolation.live.connected') }
			: UNKNOWN;
	}
	if (end && provedDead.has(end.id))
		return { state: 'proved', voltage: 0, why: say('isolation.live.proved') };
	const battery = record.parts.some(({ id, kind }) => kind === 'battery' && !batteriesOff.has(id));
	return battery && end?.kind === 'charge-controller'
		? { state: 'live', voltage: null, why: say('isolation.live.by-battery') }
		: {
				state: 'charged',
				voltage: null,
				why: say('isolation.live.charged')
			};
}
