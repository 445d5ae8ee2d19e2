import type { SingleDiode } from '../module';
import { cableResistance, type Cable } from './cable';
import type { DiodeModel } from './diode';
import type { Load } from './load';
import type { Breakdown } from './substring';

/*
 * An array as data: plain JSON, the same for tracing, training, the planner and the command line.
 * V, A, W, ohm; a share of the light is a factor on the photocurrent.
 */

/** Strings in parallel on one bus: a combiner, or one input of an inverter or controller. */
export interface BusCircuit {
	readonly strings: readonly StringCircuit[];
	/** Between the bus and what it feeds. */
	readonly disconnect?: Disconnect | undefined;
	/** What it feeds; open circuit where absent. */
	readonly load?: Load | undefined;
	/** Whether the shutdown transmitter and with it every device of this bus is fed; it is where absent. */
	readonly transmitter?: 'fed' | 'dead' | undefined;
	/** Everything that joins the circuit to earth: faults, a functional earth, a meter. */
	readonly earth?: readonly EarthConnection[] | undefined;
	readonly bypass: DiodeModel;
	/** How cells break down in reverse; null: never, only the shunt carries reverse current. */
	readonly breakdown: Breakdown | null;
}

export interface StringCircuit {
	readonly name: string;
	/** From the negative end to the positive; a run of equal modules is one entry. */
	readonly modules: readonly ModuleRun[];
	readonly sectionsPerModule: number;
	/** Both conductors together, ohm. */
	readonly cableResistance: number;
	/** A cable known by its measures, besides. */
	readonly cable?: Cable | undefined;
	/** Joints that are not good ones. Joint 0 lies below the first module, joint n above the last. */
	readonly joints?: readonly Connector[] | undefined;
	readonly devices?: readonly Device[] | undefined;
	readonly blockingDiode?: BlockingDiode | null | undefined;
	readonly fuses?: { readonly positive: Fuse | null; readonly negative: Fuse | null } | undefined;
	readonly disconnect?: Disconnect | undefined;
	/** The two leads have changed places at the combiner. */
	readonly leadsReversed?: boolean | undefined;
}

export interface ModuleRun {
	readonly count: number;
	/** One whole module at its light and temperature. */
	readonly params: SingleDiode;
	/** One for each section, from the module's negative lead. */
	readonly sections: readonly SubstringState[];
	readonly state: ModuleState;
	/** Cells in series; 20 for each section where not known. Used for breakdown and for patches. */
	readonly cellsInSeries?: number | undefined;
	/** Each section is two equal rows of cells in parallel. */
	readonly halfCut?: boolean | undefined;
}

export type ModuleState = 'whole' | 'reversed' | 'bridged' | 'open' | 'absent';

export interface SubstringState {
	/** Share of the module's light. */
	readonly light: number;
	readonly bypass: 'whole' | 'open' | 'shorted';
	/** Open: a ribbon or cell is broken, and only the diode is left. */
	readonly cells: 'whole' | 'open';
	/** Of a cracked ribbon or joint inside the bypass diode's loop, ohm. */
	readonly resistance?: number | undefined;
	/** A leak across its cells that light does not change, ohm. */
	readonly leak?: number | undefined;
	/** Cells in other light than the rest of the section. */
	readonly patches?: readonly Patch[] | undefined;
}

/** Some cells of a section, in one of the two rows of a half-cut module. */
interface Patch {
	readonly cells: number;
	/** Share of the section's light. */
	readonly light: number;
	readonly row?: 0 | 1 | undefined;
}

interface Connector {
	readonly at: number;
	/** ohm, or open. */
	readonly resistance: number | 'open';
}

/** Electronics behind one module or two. */
export interface Device {
	readonly kind: 'rapid-shutdown' | 'optimiser';
	/** Index of the first module it covers, 0 at the negative end. */
	readonly first: number;
	readonly covers: number;
	readonly condition: 'works' | 'failed-off' | 'stuck-on';
	/** Volts it puts out while off, V. */
	readonly offVolts: number;
}

interface BlockingDiode extends DiodeModel {
	readonly state: 'whole' | 'open' | 'shorted';
}

export interface Fuse {
	/** A; null where unknown. */
	readonly rating: number | null;
	readonly state: 'whole' | 'blown';
}

/** A switch of two poles. A pole may not follow the handle. */
export interface Disconnect {
	readonly handle: 'on' | 'off';
	readonly positive: PoleCondition;
	readonly negative: PoleCondition;
}
type PoleCondition = 'works' | 'stuck-open' | 'welded';

export interface EarthConnection {
	/** A pole of the bus, or a joint of a string. */
	readonly at: 'bus+' | 'bus-' | { readonly string: string; readonly joint: number };
	/** ohm */
	readonly resistance: number;
}

/** A section as it should be. */
export const WHOLE_SUBSTRING: SubstringState = { light: 1, bypass: 'whole', cells: 'whole' };

/** A switch that is on and works. */
export const CLOSED: Disconnect = { handle: 'on', positive: 'works', negative: 'works' };

export function poleConducts(disconnect: Disconnect, pole: 'positive' | 'negative'): boolean {
	const condition = disconnect[pole];
	return condition === 'works' ? disconnect.handle === 'on' : condition === 'welded';
}

export function moduleCountOf(string: Pick<StringCircuit, 'modules'>): number {
	return string.modules.reduce((sum, run) => sum + run.count, 0);
}

/** Sections as they should be, one object for all, which lets the circuit count them without comparing. */
function wholeSubstrings(count: number): readonly SubstringState[] {
	return Array<SubstringState>(count).fill(WHOLE_SUBSTRING);
}

/** Ohms of one of the two conductors between the modules and the combiner. */
export function conductorResistance({ cableResistance: resistance, cable }: StringCircuit): number {
	return (resistance + (cable ? cableResistance(cable) : 0)) / 2;
}

/** A run of whole modules. */
export function wholeModules(
	params: SingleDiode,
	count: number,
	substringsPerModule: number
): ModuleRun {
	return {
		count,
		params,
		sections: wholeSubstrings(substringsPerModule),
		state: 'whole'
	};
}

/** A whole string of equal modules. */
export function wholeString(
	params: SingleDiode,
	count: number,
	substringsPerModule: number,
	cableResistance: number,
	name = ''
): StringCircuit {
	return {
		name,
		modules: [wholeModules(params, count, substringsPerModule)],
		sectionsPerModule: substringsPerModule,
		cableResistance
	};
}

/** The string with the module at an index changed; the run it stood in is split around it. */
export function withModule(
	string: StringCircuit,
	index: number,
	change: (module: ModuleRun) => ModuleRun
): StringCircuit {
	const modules: ModuleRun[] = [];
	let first = 0;
	for (const run of string.modules) {
		const within = index - first;
		first += run.count;
		if (within < 0 || within >= run.count) {
			modules.push(run);
			continue;
		}
		if (within > 0) modules.push({ ...run, count: within });
		modules.push(change({ ...run, count: 1 }));
		if (within < run.count - 1) modules.push({ ...run, count: run.count - 1 - within });
	}
	return { ...string, modules };
}
