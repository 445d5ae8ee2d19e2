import {
	type BusCircuit,
	type EarthConnection,
	moduleCountOf,
	type StringCircuit
} from '../circuit';
import type { SingleDiode } from '../module';
import { refuse, type Result, succeed } from '../units';
import { type FaultCode, FAULTS, type PlaceKind, type Scale } from '../visit';
import type { FaultPlace } from './place';
import {
	injectIntoString,
	STRING_EFFECTS,
	withPole,
	type StringEffectCode
} from './string-effects';

/** A fault to put into a circuit. */
export interface PlacedFault {
	readonly code: FaultCode;
	readonly place: FaultPlace;
	/** In the unit of the code's scale; its usual size where absent. */
	readonly size?: number | undefined;
	/** One module of another type at the same light, for `module-wrong-type`. */
	readonly other?: SingleDiode | undefined;
}

/** A circuit with the fault in it, or the same circuit and why the fault does not show in it. */
export interface Injected {
	readonly bus: BusCircuit;
	/** Null where the circuit has changed. */
	readonly unchanged: string | null;
}

/** What a fault makes of a bus; words where it cannot stand there. */
type BusEffect = (bus: BusCircuit, place: FaultPlace, size: number) => BusCircuit | string;

const toEarth =
	(at: (place: FaultPlace) => EarthConnection['at']): BusEffect =>
	(bus, place, size) => ({
		...bus,
		earth: [...(bus.earth ?? []), { at: at(place), resistance: size }]
	});

const connector = ({ string = '', joint: at = 0 }: FaultPlace) => ({ string, joint: at });
const pole = ({ pole: which = 'positive' }: FaultPlace) =>
	which === 'positive' ? ('bus+' as const) : ('bus-' as const);

const stopped: BusEffect = (bus) => ({ ...bus, load: { kind: 'open' } });

const limited: BusEffect = (bus, _, size) =>
	bus.load?.kind === 'tracker'
		? { ...bus, load: { ...bus.load, wattsAtMost: size } }
		: 'Only a maximum-power tracker has a power limit.';

/** A pole joined to earth by less than this is a functional earth, ohm. */
const FUNCTIONAL_EARTH = 100;

const BUS_EFFECTS: Readonly<Partial<Record<FaultCode, BusEffect>>> = {
	'earth-fault': toEarth(connector),
	'cable-damaged': toEarth(connector),
	'moisture-intermittent': toEarth(connector),
	'spd-failed': toEarth(pole),
	'rsd-no-signal': (bus) => ({ ...bus, transmitter: 'dead' }),
	'gfdi-fuse-blown': (bus) => ({
		...bus,
		load: { kind: 'open' },
		earth: (bus.earth ?? []).filter(
			({ at, resistance }) => typeof at !== 'string' || resistance > FUNCTIONAL_EARTH
		)
	}),
	'strings-swapped': (bus, { string, other }) => {
		const a = bus.strings.find(({ name }) => name === string)!;
		const b = bus.strings.find(({ name }) => name === other);
		if (!b) return `There is no string ${other ?? 'named'} to exchange it with on this bus.`;
		const swap = (one: StringCircuit) =>
			one === a ? { ...b, name: a.name } : one === b ? { ...a, name: b.name } : one;
		return { ...bus, strings: bus.strings.map(swap) };
	},
	'inverter-no-ac': stopped,
	'arc-fault': stopped,
	'inverter-derating': limited,
	clipping: limited,
	'mppt-mode-wrong': (bus, _, size) =>
		bus.load?.kind === 'tracker'
			? { ...bus, load: { ...bus.load, stuckAt: size } }
			: 'Only a maximum-power tracker can be stuck.',
	'controller-mismatch': (bus) =>
		bus.load?.kind === 'battery'
			? { ...bus, load: { ...bus.load, controller: 'pwm' } }
			: 'Only a battery has a charge controller.',
	'disconnect-open': (bus, { pole: which = 'positive' }) => ({
		...bus,
		disconnect: withPole(bus.disconnect, which, 'stuck-open')
	}),
	'disconnect-welded': (bus, { pole: which = 'positive' }) => ({
		...bus,
		disconnect: withPole(bus.disconnect, which, 'welded')
	})
};

/** Faults that no string circuit shows, with the reason. */
const WITHOUT_EFFECT: Readonly<Partial<Record<FaultCode, string>>> = {
	'micro-inverter-dead':
		'A micro-inverter has no string: its module stands alone at open circuit, and what is missing is on the AC side.',
	'record-wrong': 'The circuit is as it is; what is wrong is what was written of it.',
	'reading-wrong': 'The circuit is as it is; what is wrong is the figure.',
	'conditions-wrong':
		'The circuit is unchanged; what is wrong is the irradiance or cell temperature that it was compared at.'
};

function sizeOf(code: FaultCode, size: number | undefined): Result<number, string> {
	const scale: Scale | null = FAULTS[code].scale;
	if (!scale) return succeed(0);
	const value = size ?? scale.usual;
	return value >= scale.least && value <= scale.most
		? succeed(value)
		: refuse(
				`${FAULTS[code].words}: ${value} is out of range; give ${scale.least} to ${scale.most} ${scale.unit}.`
			);
}

function placeProblem(bus: BusCircuit, code: FaultCode, place: FaultPlace): string | null {
	const kind: PlaceKind = FAULTS[code].place;
	if (kind === 'bus' || kind === 'visit') return null;
	if (place.string === undefined && code in BUS_EFFECTS && kind === 'string') return null;
	const string = bus.strings.find(({ name }) => name === place.string);
	if (!string) return `There is no string ${place.string ?? 'named'} on this bus.`;
	const n = moduleCountOf(string);
	const { module = 0, section: substring = 0, joint: at = 0 } = place;
	if (kind === 'joint' && !(Number.isInteger(at) && at >= 0 && at <= n)) {
		return `String ${string.name} has connectors 0 to ${n}, not ${at}.`;
	}
	if (kind !== 'module' && kind !== 'section') return null;
	if (!(Number.isInteger(module) && module >= 0 && module < n)) {
		return `String ${string.name} has ${n} modules; there is no module ${module + 1}.`;
	}
	if (!(Number.isInteger(substring) && substring >= 0 && substring < string.sectionsPerModule)) {
		return `A module has ${string.sectionsPerModule} substrings; there is no substring ${substring + 1}.`;
	}
	return null;
}

/**
 * Puts a fault of the catalogue into a bus, by code, place and size. The bus given is not changed.
 *
 * @returns the bus with the fault, or unchanged with the reason where the fault shows in no circuit;
 * a problem in words where the place does not exist or has no such part
 */
export function inject(
	bus: BusCircuit,
	{ code, place, size, other }: PlacedFault
): Result<Injected, string> {
	const unchanged = WITHOUT_EFFECT[code];
	if (unchanged !== undefined) return succeed({ bus, unchanged });
	const problem = placeProblem(bus, code, place);
	if (problem) return refuse(problem);
	const amount = sizeOf(code, size);
	if (!amount.ok) return amount;
	const onBus = BUS_EFFECTS[code];
	const isStringEffect = code in STRING_EFFECTS;
	if (onBus && !(isStringEffect && place.string !== undefined)) {
		const changed = onBus(bus, place, amount.value);
		return typeof changed === 'string'
			? refuse(changed)
			: succeed({ bus: changed, unchanged: null });
	}
	const strings: StringCircuit[] = [];
	for (const string of bus.strings) {
		if (string.name !== place.string) {
			strings.push(string);
			continue;
		}
		const changed = injectIntoString(
			string,
			code as StringEffectCode,
			place,
			amount.value,
			other ?? null
		);
		if (typeof changed === 'string') return refuse(changed);
		strings.push(changed);
	}
	return succeed({ bus: { ...bus, strings }, unchanged: null });
}
