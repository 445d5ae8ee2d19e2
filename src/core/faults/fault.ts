import type { ModuleType, StringRecord } from '../record/record';
import type { StringCircuit } from '../circuit/description';
import type { SwitchingState } from '../expectation/switching';
import type { FaultCode } from './codes';

/** Faults of one string that this version weighs. */
export const STRING_FAULT_CODES = [
	'bypass-diode-shorted',
	'section-open',
	'module-missing',
	'module-open',
	'connector-open',
	'connector-resistive',
	'fuse-blown',
	'module-reversed',
	'connector-reversed',
	'soiling'
] as const satisfies readonly FaultCode[];
export type StringFaultCode = (typeof STRING_FAULT_CODES)[number];

/** Everything a cause may name: a fault, or the reading, the conditions, or nothing at all. */
export type CauseCode = StringFaultCode | 'reading-wrong' | 'conditions-wrong' | 'healthy';

/** One size of a fault, with its share among the sizes met. */
export interface Severity {
	/** In the fault's own unit: sections, modules, ohm, share of light lost. */
	readonly size: number;
	readonly share: number;
	/** "one section", "about 2 ohm". */
	readonly words: string;
}

/**
 * What a fault leaves of a string in one switching state; null where the reading cannot be
 * foretold.
 */
type Injection = (
	circuit: StringCircuit,
	severity: Severity,
	state: SwitchingState
) => StringCircuit | null;

export interface Fault {
	readonly code: StringFaultCode;
	/** Faults of one family look alike from outside; readings decide whether they can be told apart. */
	readonly family:
		| 'lost-section'
		| 'lost-module'
		| 'open-path'
		| 'no-current'
		| 'turned'
		| 'swapped'
		| 'low-current';
	/** How many such parts a string has. */
	readonly parts: (string: StringRecord, type: ModuleType) => number;
	/** Chance that one such part has the fault at a visit. */
	readonly rate: number;
	readonly severities: readonly [Severity, ...Severity[]];
	readonly inject: Injection;
}
