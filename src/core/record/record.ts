import type { Nameplate } from '../module';
import type { Field, Span } from './field';
import type { Part, PartKind } from './part';

/** What stands behind the modules, and so what kind of system it is. */
export const SYSTEMS = [
	'string-inverter',
	'rapid-shutdown',
	'optimisers',
	'micro-inverters',
	'off-grid'
] as const;
export type System = (typeof SYSTEMS)[number];

/** Editions of the NEC that a site may follow. */
export const EDITIONS = [2014, 2017, 2020, 2023, 2026] as const;

/** Codes and conditions that the site's limits follow; null where nobody has said yet. */
export interface SiteRules {
	readonly profile: 'US' | 'IEC';
	/** Year of the NEC's edition; meaningless in the IEC profile. */
	readonly edition: (typeof EDITIONS)[number] | null;
	readonly structure: Structure | null;
	/** Lowest air temperature to be expected, degC. */
	readonly lowest: number | null;
	/** Highest cell temperature to be expected, degC. */
	readonly hottestCell: number | null;
	/** The house's own: a fuse in every parallel string. */
	readonly alwaysFuse: boolean;
}

/** `building` is one whose use nobody recorded. */
export const STRUCTURES = [
	'building',
	'dwelling',
	'other-building',
	'pv-only-building',
	'ground',
	'ground-into-building',
	'open-carport'
] as const;
export type Structure = (typeof STRUCTURES)[number];

export const UNKNOWN_RULES: SiteRules = {
	profile: 'IEC',
	edition: null,
	structure: null,
	lowest: null,
	hottestCell: null,
	alwaysFuse: false
};

/** The array as recorded. A visit points at one revision of it; a revision is never rewritten. */
export interface ArrayRecord {
	readonly system: System | null;
	readonly rules: SiteRules;
	readonly moduleTypes: readonly ModuleType[];
	/** In the order of the combiner. */
	readonly strings: readonly StringRecord[];
	/** Everything else, in the order of entry. */
	readonly parts: readonly Part[];
	/** Kinds of parts that were looked for and are not there; a kind that is in neither list is unknown. */
	readonly absent: readonly PartKind[];
	/** Roofs, racks and canopies with the modules' places on them. */
	readonly fields: readonly Field[];
	/** Year of commissioning, for ageing; null where unknown. */
	readonly inServiceSince: number | null;
	/** Where the array stands, for the position of the sun; null where nobody recorded it. */
	readonly location: Location | null;
	/** Chance that one part has a fault at one visit, by code of the fault, where it is not the usual one. */
	readonly rates: Readonly<Record<string, number>>;
}

interface Location {
	/** deg, north positive */
	readonly latitude: number;
	/** deg, east positive */
	readonly longitude: number;
	/** m above sea level; null where unknown. */
	readonly altitude: number | null;
}

export interface ModuleType {
	readonly id: string;
	readonly name: string;
	readonly plate: Nameplate;
	/** Tolerance of the label's Voc and Isc, +/- %, as limits. */
	readonly tolerance: { readonly vocPct: number; readonly iscPct: number };
	/** What the label says besides; null where it is not known. */
	readonly limits: ModuleLimits;
}

export interface ModuleLimits {
	/** Maximum system voltage, V. */
	readonly systemVolts: number | null;
	/** Maximum series fuse, A. */
	readonly seriesFuse: number | null;
	/** Rear side produces current too. */
	readonly bifacial: boolean | null;
	/**
	 * How much the rear adds to the short-circuit current in the limits of fuses and conductors, % of the
	 * nameplate's; null where nobody recorded it. Meaningless where the module is not bifacial.
	 */
	readonly rearGainPct: number | null;
}

/** None, one whose rating in A may be unknown, or not looked at yet. */
export type StringFuse = { readonly rating: number | null } | null | 'unknown';

export type BlockingDiodeRecord = 'none' | 'silicon' | 'schottky' | 'unknown';

/** What is clipped behind the modules of a string. */
export interface StringDevices {
	readonly kind: 'rapid-shutdown' | 'optimiser' | 'micro-inverter';
	readonly modulesPerDevice: 1 | 2;
	/** The part whose figures they have; null where not known. */
	readonly part: string | null;
}

interface StringCable {
	/** One way, m. */
	readonly length: number;
	/** Cross section of one conductor, mm2. */
	readonly size: number;
	/** Flexible tinned copper as PV cable has it, or plain copper; plain where it is left out. */
	readonly conductor?: 'copper' | 'pvCable' | undefined;
}

export interface StringRecord {
	readonly id: string;
	/** As marked at the roof, the combiner and the inverter, for example A1. */
	readonly label: string;
	/** Type of its modules, but for those that name their own. */
	readonly moduleTypeId: string;
	readonly moduleCount: number;
	/** Modules of which more is known than their type, in the order of their number. */
	readonly modules: readonly ModuleDetail[];
	/** Both conductors together, ohm. */
	readonly cableResistance: number;
	/** The same by its measures; null where only the ohms are known. */
	readonly cable: StringCable | null;
	readonly fuse: StringFuse;
	readonly blockingDiode: BlockingDiodeRecord;
	/** Null where there is nothing behind the modules. */
	readonly devices: StringDevices | null | 'unknown';
	/** Make of the connectors; null where unknown. */
	readonly connectors: string | null;
	/** The part its leads go to next; null where not known yet. */
	readonly to: string | null;
	/** Name of the inverter input it ends at; null where not known yet. */
	readonly input: string | null;
	/** Where its modules lie, from the negative end. */
	readonly spans: readonly Span[];
}

export const MODULE_STATES = ['in-service', 'damaged', 'bypassed', 'removed'] as const;
export type ModuleState = (typeof MODULE_STATES)[number];

/** One module of a string; null is unknown. */
export interface ModuleDetail {
	/** 1 at the negative end. */
	readonly number: number;
	readonly serial: string | null;
	/** Code of the device behind it. */
	readonly deviceCode: string | null;
	readonly year: number | null;
	readonly state: ModuleState | null;
	/** Where it is of another type than the rest of its string. */
	readonly moduleTypeId: string | null;
}

/** A record with nothing in it. */
export const EMPTY_RECORD: ArrayRecord = {
	system: null,
	rules: UNKNOWN_RULES,
	moduleTypes: [],
	strings: [],
	parts: [],
	absent: [],
	fields: [],
	inServiceSince: null,
	location: null,
	rates: {}
};

/** What is not known yet of a string that was only counted. */
export const UNSEEN_STRING: Pick<
	StringRecord,
	'modules' | 'cable' | 'blockingDiode' | 'devices' | 'connectors' | 'to' | 'spans'
> = {
	modules: [],
	cable: null,
	blockingDiode: 'unknown',
	devices: 'unknown',
	connectors: null,
	to: null,
	spans: []
};

export const UNKNOWN_LIMITS: ModuleLimits = {
	systemVolts: null,
	seriesFuse: null,
	bifacial: null,
	rearGainPct: null
};

/** The fuse as the circuit and the tracing take it: one that nobody looked at may be there. */
export function fuseInCircuit({ fuse }: Pick<StringRecord, 'fuse'>): {
	readonly rating: number | null;
} | null {
	return fuse === 'unknown' ? { rating: null } : fuse;
}

/** Whether every module has an inverter of its own, so that the string is a branch of AC. */
export function isAcBranch({ devices }: Pick<StringRecord, 'devices'>): boolean {
	return devices !== null && devices !== 'unknown' && devices.kind === 'micro-inverter';
}

/** Type of each module of a string, from the negative end. */
export function typesInString(string: StringRecord): readonly string[] {
	const types = Array<string>(string.moduleCount).fill(string.moduleTypeId);
	for (const { number, moduleTypeId } of string.modules) {
		if (moduleTypeId !== null && number <= types.length) types[number - 1] = moduleTypeId;
	}
	return types;
}
