import type { StringBuild } from './suspect';

/** What located readings are predicted from, at the light and heat of the visit. */
export interface ConditionsAtString extends StringBuild {
	/** Open-circuit volts and short-circuit current of one sound module. */
	readonly moduleVoltage: number;
	readonly moduleCurrent: number;
	/** Volts that one device puts out while off; 0 where there are none. */
	readonly deviceVoltage: number;
	/** Rating printed on the string's fuse, A; null where unknown. */
	readonly fuseRating: number | null;
	/** Current that the string carries while it runs, A. */
	readonly running: number;
}
