import {
	type Arrangement,
	type BusCircuit,
	BusSource,
	curveOf,
	detailOf,
	type EarthFaultPlace,
	earthVoltage,
	type EarthVoltage,
	fuseVerdict,
	type FuseVerdict,
	type Limit,
	type Load,
	locateEarthFault,
	METER_RESISTANCE,
	operate,
	type PartState,
	powerMaxima,
	type QuickAnswer,
	quickRule,
	solveBus,
	type StringCircuit,
	StringSource,
	whereTheyPart
} from '../circuit';
import { predictValue, USUAL_PARTS } from '../expectation';
import type { OperatingPoint } from '../module';
import { refuse, type Result, succeed } from '../units';
import { inject, type PlacedFault } from './inject';
import { atModule, atSubstring, everySubstring } from './place';

/** Other light on a module or a section of the string. */
export interface IrradianceChange {
	readonly module: number;
	/** Null: the whole module. */
	readonly section: number | null;
	/** Share of the light, 0 to 1. */
	readonly light: number;
}

/** A question of the kind "what would I measure if". */
export interface WhatIf {
	readonly lights: readonly IrradianceChange[];
	readonly faults: readonly PlacedFault[];
	/** Whether the other strings of the input are left out. */
	readonly alone: boolean;
	readonly load: Load;
}

/** What a meter would show at a string. */
interface Shown {
	/** Isolated, at the source side, V. */
	readonly voc: number;
	/** Isolated, A. */
	readonly isc: number;
	/** On its load, V and A. */
	readonly voltage: number;
	readonly current: number;
}

/** A curve as plain lists, volts rising; it goes below 0 A as far as the bus drives it. */
export interface PlainCurve {
	readonly voltage: readonly number[];
	readonly current: readonly number[];
}

export interface Study {
	/** The string alone as recorded and as changed, between the poles of its bus. */
	readonly expected: PlainCurve;
	readonly now: PlainCurve;
	readonly whole: Shown;
	readonly shown: Shown;
	/** Of the changed string alone, greatest first. */
	readonly maxima: readonly OperatingPoint[];
	/** Into the load, W, and what keeps it from the maximum. */
	readonly power: number;
	readonly wholePower: number;
	readonly limit: Limit;
	readonly branches: readonly { readonly name: string; readonly current: number }[];
	/** What the string's fuse would do at its current; null without a rated fuse. */
	readonly fuse: { readonly verdict: FuseVerdict; readonly rating: number } | null;
	readonly earth: (EarthVoltage & { readonly place: EarthFaultPlace }) | null;
	/** Where heat is made, most first. */
	readonly hottest: readonly PartState[];
	readonly quick: QuickAnswer;
	/** Why curve and quick rule part; null where they agree. */
	readonly parting: string | null;
	/** Faults that no circuit shows, in words. */
	readonly unchanged: readonly string[];
}

const POINTS = 240;
/** Points of a curve past open circuit, where the bus drives it. */
const BEYOND = 40;
/** Standard uncertainty of a volts reading for locating an earth fault, V (judgement). */
const READING_UNCERTAINTY = 1.5;

/** A string under other light; faults come after it. */
function lit(string: StringCircuit, lights: readonly IrradianceChange[]): StringCircuit {
	return lights.reduce((changed, { module, section: substring, light: irradiance }) => {
		const dim = (state: (typeof string.modules)[0]['sections'][0]) => ({
			...state,
			light: irradiance
		});
		return substring === null
			? atModule(changed, { module }, (run) => everySubstring(run, dim))
			: atSubstring(changed, { module, section: substring }, dim);
	}, string);
}

/**
 * Answers a "what if" about one string of a bus.
 *
 * @param bus the strings of the input as recorded, whole, at the light and heat of the moment
 * @param subject name of the string that is changed
 * @returns a problem in words where a fault has no such place
 */
export function study(bus: BusCircuit, subject: string, asked: WhatIf): Result<Study, string> {
	const strings = asked.alone ? bus.strings.filter(({ name }) => name === subject) : bus.strings;
	const recorded: BusCircuit = { ...bus, strings, load: asked.load };
	let changed: BusCircuit = {
		...recorded,
		strings: strings.map((string) => (string.name === subject ? lit(string, asked.lights) : string))
	};
	const unchanged: string[] = [];
	for (const fault of asked.faults) {
		const injected = inject(changed, fault);
		if (!injected.ok) return injected;
		changed = injected.value.bus;
		if (injected.value.unchanged) unchanged.push(injected.value.unchanged);
	}
	const before = recorded.strings.find(({ name }) => name === subject);
	const after = changed.strings.find(({ name }) => name === subject);
	if (!before || !after) return refuse(`There is no string ${subject} on this bus.`);

	const whole = solveBus(recorded);
	const state = solveBus(changed);
	const branch = (current: readonly number[]) =>
		current[changed.strings.findIndex(({ name }) => name === subject)]!;
	const ownSource = StringSource.of(after, changed, 'bus');
	const rating = after.fuses?.positive?.rating ?? null;
	const earthed = (changed.earth?.length ?? 0) > 0 ? earthVoltage(changed, METER_RESISTANCE) : null;
	const lone = new BusSource({ ...changed, earth: [], strings: [after] });
	const own = powerMaxima(lone);
	const quick = quickRule({ kind: 'parallel', of: changed.strings.map(arrangementOf) });
	const ideal = operate(new BusSource(changed), TRACKER);
	const { branches } = solveBus({ ...changed, earth: [], load: TRACKER });
	return succeed({
		expected: drivenCurve(before, recorded, state.volts),
		now: drivenCurve(after, changed, state.volts),
		whole: shownBy(before, whole.volts, branch(whole.branches)),
		shown: shownBy(after, state.volts, branch(state.branches)),
		maxima: own,
		power: state.power,
		wholePower: whole.power,
		limit: state.limit,
		branches: changed.strings.map(({ name }, i) => ({ name, current: state.branches[i]! })),
		fuse:
			rating === null
				? null
				: { verdict: fuseVerdict(ownSource.currentAt(state.volts), rating), rating },
		earth: earthed && {
			...earthed,
			place: locateEarthFault(earthed, countOf(after), READING_UNCERTAINTY)
		},
		hottest: hottestOf(detailOf(state).parts, subject),
		quick,
		parting: whereTheyPart(quick, ideal, branches),
		unchanged
	});
}

/** What a meter shows at a string whose load has settled. */
function shownBy(string: StringCircuit, voltage: number, current: number): Shown {
	return {
		voc: predictValue(string, 'open-circuit-voltage', null),
		isc: predictValue(string, 'short-circuit-current', null),
		voltage,
		current
	};
}

const TRACKER: Load = {
	kind: 'tracker',
	window: { least: 0, most: null },
	ampsAtMost: null,
	wattsAtMost: null
};

function countOf(string: StringCircuit): number {
	return string.modules.reduce((sum, run) => sum + (run.state === 'absent' ? 0 : run.count), 0);
}

/** The string's curve, carried on below 0 A as far as the bus drives it. */
function drivenCurve(string: StringCircuit, bus: BusCircuit, busVoltage: number): PlainCurve {
	const alone = new BusSource({ ...bus, earth: [], strings: [string] });
	const { openVoltage } = alone;
	if (openVoltage <= 0) {
		const most = Math.max(busVoltage, 1);
		const voltage = Array.from({ length: BEYOND + 1 }, (_, i) => (most * i) / BEYOND);
		return { voltage, current: voltage.map((v) => alone.currentAt(v)) };
	}
	const { volts: voltage, amps: current } = curveOf(alone, POINTS);
	const curve = { voltage: [...voltage], current: [...current] };
	const end = Math.max(busVoltage, openVoltage * 1.01);
	for (let i = 1; i <= BEYOND; i++) {
		const v = openVoltage + ((end - openVoltage) * i) / BEYOND;
		curve.voltage.push(v);
		curve.current.push(alone.currentAt(v));
	}
	return curve;
}

/** Each module at its own maximum, in series: what the quick rule is told. */
function arrangementOf(string: StringCircuit): Arrangement {
	const of: Arrangement[] = [];
	for (const run of string.modules) {
		if (run.state !== 'whole') continue;
		const single: StringCircuit = {
			name: string.name,
			sectionsPerModule: string.sectionsPerModule,
			cableResistance: 0,
			modules: [{ ...run, count: 1 }]
		};
		const [best] = powerMaxima(new BusSource({ ...USUAL_PARTS, strings: [single] }));
		if (!best) continue;
		for (let i = 0; i < run.count; i++) of.push({ kind: 'module', ...best });
	}
	return { kind: 'series', of };
}

/** Below this a part is not worth a line, W. */
const WARM = 2;

/** Power that a part dissipates, W: what it draws, or what its diode and its driven cells draw. */
export function dissipationOf({ watts: power, diode, cells }: PartState): number {
	const driven = cells.reduce((sum, cell) => sum + cell.watts, 0);
	return Math.max(-power, (diode?.watts ?? 0) + driven, 0);
}

function hottestOf(parts: readonly PartState[], subject: string): PartState[] {
	return parts
		.filter(
			(part) => part.string === subject && part.kind !== 'cable' && dissipationOf(part) > WARM
		)
		.sort((a, b) => dissipationOf(b) - dissipationOf(a))
		.slice(0, 24);
}
