import type { CauseCode, PlacedFault } from '../faults';
import type { SingleDiode } from '../module';

/** A fault that a scenario hides. Indices count from 0 at the negative end. */
export interface HiddenFault {
	readonly code: CauseCode;
	/** Marks of the strings it concerns. */
	readonly strings: readonly string[];
	readonly input?: string | undefined;
	/** Module, joint, device, pole or section by the fault's spread; null where it has no place. */
	readonly at: number | null;
	/** Link of a chain that is broken. */
	readonly link?: string | undefined;
	readonly size: number | null;
	/** How it goes into the circuit; none for what no circuit shows. */
	readonly placed: readonly PlacedFault[];
}

/** What is so, and nobody at the array knows. */
export interface Truth {
	readonly faults: readonly HiddenFault[];
	/** Light into the modules, W/m2, the soiling of all of them taken off. */
	readonly irradiance: number;
	/** degC */
	readonly cellTemperature: number;
	/** What was stated is wrong by more than its uncertainty. */
	readonly conditionsWrong: boolean;
	/** Spread of each module's current and volts, as factors, by mark and module. */
	readonly spread: ReadonlyMap<string, readonly (readonly [current: number, volts: number])[]>;
	/** One module of the array at that light and heat. */
	readonly module: SingleDiode;
	/** Power that the inverter stops at, W AC; null where it never does. */
	readonly acLimit: number | null;
}
