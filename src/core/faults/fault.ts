import type { FaultCode, Quantity, SwitchingState } from '../visit';
import type { ModuleType, StringRecord } from '../record';
import type { StringCircuit } from '../circuit';

/** Faults of one string that are weighed. */
export const STRING_FAULT_CODES = [
	'bypass-diode-shorted',
	'section-open',
	'section-resistive',
	'bypass-diode-open',
	'module-missing',
	'module-extra',
	'module-shorted',
	'module-open',
	'module-reversed',
	'module-degraded',
	'module-pid',
	'module-wrong-type',
	'hot-cell',
	'soiling',
	'shade',
	'connector-open',
	'connector-resistive',
	'connector-reversed',
	'fuse-blown',
	'fuse-wrong-rating',
	'blocking-diode-open',
	'blocking-diode-shorted',
	'rsd-device-off',
	'rsd-device-stuck-on',
	'record-wrong',
	'earth-fault'
] as const satisfies readonly FaultCode[];
export type StringFaultCode = (typeof STRING_FAULT_CODES)[number];

/** Faults of what several strings share. */
export type SharedFaultCode = Extract<
	FaultCode,
	| 'disconnect-open'
	| 'rsd-no-signal'
	| 'inverter-no-ac'
	| 'strings-swapped'
	| 'inverter-derating'
	| 'mppt-mode-wrong'
	| 'unequal-parallel'
	| 'clipping'
>;

/** Faults that a string's volts and amps do not show: each has readings of its own. */
type EquipmentFaultCode = Extract<
	FaultCode,
	| 'cable-damaged'
	| 'moisture-intermittent'
	| 'spd-failed'
	| 'gfdi-fuse-blown'
	| 'arc-fault'
	| 'disconnect-welded'
	| 'controller-mismatch'
	| 'optimiser-dead'
	| 'micro-inverter-dead'
>;

/** Everything a cause may name: a fault, or the reading, the conditions, or nothing at all. */
export type CauseCode =
	| StringFaultCode
	| SharedFaultCode
	| EquipmentFaultCode
	| 'reading-wrong'
	| 'conditions-wrong'
	| 'healthy';

/** One size of a fault, with its share among the sizes met. */
export interface Severity {
	/** In the fault's own unit: sections, modules, ohm, share of light lost. */
	readonly size: number;
	readonly share: number;
	/** "one section", "about 2 ohm". */
	readonly words: string;
	/** Sections it covers, for shade; ratio of volts, for another type. */
	readonly second?: number;
}

/**
 * What a fault leaves of a string in one switching state; null where the reading cannot be
 * predicted.
 */
type Injection = (
	circuit: StringCircuit,
	severity: Severity,
	state: SwitchingState
) => StringCircuit | null;

/** Where in its string a fault may sit. */
export type Spread = 'string' | 'pole' | 'module' | 'section' | 'joint' | 'device';

/** Faults of one family look alike from outside; readings decide whether they can be told apart. */
export type Family =
	| 'lost-section'
	| 'lost-module'
	| 'more-modules'
	| 'open-path'
	| 'no-current'
	| 'turned'
	| 'swapped'
	| 'low-current'
	| 'inside'
	| 'other-type'
	| 'record'
	| 'earth'
	| 'unseen';

export interface Fault {
	readonly code: StringFaultCode;
	readonly family: Family;
	readonly spread: Spread;
	/** Whether a string has such a part at all. */
	readonly found: (string: StringRecord) => boolean;
	readonly severities: readonly [Severity, ...Severity[]];
	readonly inject: Injection;
	/**
	 * Quantities at single places without one of which nothing at all can be said of it, since the string as
	 * a whole reads as before; null where the string itself tells.
	 */
	readonly shownBy: readonly Quantity[] | null;
}

/** Number of modules behind one device; 0 where there is none. */
export function modulesPerDevice({ devices }: Pick<StringRecord, 'devices'>): number {
	return devices !== null && devices !== 'unknown' && devices.kind !== 'micro-inverter'
		? devices.modulesPerDevice
		: 0;
}

/** Sizes of a fault in a string: a device takes away the modules that it covers. */
export function severitiesOf(fault: Fault, string: StringRecord): readonly Severity[] {
	const each = modulesPerDevice(string);
	if (fault.code !== 'rsd-device-off' || each < 2) return fault.severities;
	const count = Math.ceil(string.moduleCount / each);
	const last = string.moduleCount - (count - 1) * each;
	return last === each
		? [{ size: each, share: 1, words: '' }]
		: [
				{ size: last, share: 1 / count, words: '' },
				{ size: each, share: 1 - 1 / count, words: '' }
			];
}

/** How many parts of a string may have a fault of this spread. */
export function partsOfSpread(
	spread: Spread,
	string: StringRecord,
	type: Pick<ModuleType, 'plate'>
): number {
	const n = string.moduleCount;
	switch (spread) {
		case 'string':
			return 1;
		case 'pole':
			return 2;
		case 'module':
			return n;
		case 'section':
			return n * type.plate.sections;
		case 'joint':
			return n + 1;
		case 'device': {
			const each = modulesPerDevice(string);
			return each === 0 ? 0 : Math.ceil(n / each);
		}
	}
}
