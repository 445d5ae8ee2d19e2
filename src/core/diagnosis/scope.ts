import type { GroupReading, PeerGroup, Shift } from '../expectation';
import type { PartPoint, Quantity } from '../visit';
import type { SharedFaultCode } from '../faults';
import type { Predicted } from './evidence';

/**
 * What a scope predicts of one reading of one of its strings, at an offset of light and heat from the
 * shift it was made for.
 */
export type ScopePredictions = (
	stringIndex: number,
	item: GroupReading,
	atVoltage: number | null,
	irradiance: number,
	cellTemperature: number
) => Predicted;

/** Where a scope's fault sits. */
interface ScopePlace {
	readonly input?: string;
	readonly strings?: readonly string[];
	readonly part?: string;
	readonly site?: true;
	readonly inverter?: true;
}

/** A link of a scope's chain that may be the one at fault, with its chance given the scope. */
export interface ScopeLink {
	/** "supply-breaker", "positive". */
	readonly link: string;
	readonly share: number;
}

/** A point of a part that several strings share, with what it shows by the link that is broken. */
export interface ScopeProbe {
	readonly part: string;
	readonly point: PartPoint;
	readonly quantity: Quantity;
	/** Null: none is broken. */
	readonly predicted: (broken: string | null) => Predicted;
}

/** A fault of what several strings share: they are then whole, and read what it leaves of them. */
export interface Scope {
	readonly code: SharedFaultCode;
	readonly place: ScopePlace;
	readonly prior: number;
	/** Density of the readings that are of no string, over their density where nothing is shared wrong. */
	readonly own: number;
	readonly links: readonly ScopeLink[];
	readonly probes: readonly ScopeProbe[];
	/** Indices of the strings it holds, in the order of the cases. */
	readonly strings: readonly number[];
	/** Inputs whose voltage it accounts for in `own`. */
	readonly buses: readonly string[];
	/** Density of the operating voltage of a string that is alone on its input, 1/V. */
	readonly trackedDensity: (stringIndex: number) => number;
	readonly predictReading: (group: PeerGroup, centre: Shift) => ScopePredictions;
}

/** The voltage of an input of several strings, which is that of none of them alone. */
export interface BusEvidence {
	readonly input: string;
	/** Indices of its strings, in the order of the cases. */
	readonly strings: readonly number[];
	/** Density of its voltage where no string carries current, over that where some do. */
	readonly deadOverRunning: number;
}
