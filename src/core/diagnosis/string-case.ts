import type { GroupReading, TrackedVoltage } from '../expectation';
import type { ModuleType, StringRecord } from '../record';
import type { ConditionsAtString } from './here';
import type { LocatedEvidence } from './located';
import type { StringClass } from './string-class';

/** A reading of a whole string with the volts that its running current is judged at. */
export interface JudgedReading {
	readonly item: GroupReading;
	readonly atVoltage: number | null;
	/** Standard uncertainty of those volts beyond the meter's, V: more than 0 where they are not believed. */
	readonly voltageUncertainty: number;
	/** By what a mistake is less likely for having been taken more than once with the same figure, 0 to 1. */
	readonly repeated: number;
}

/** One string with all that is weighed of it. */
export interface StringCase {
	readonly string: StringRecord;
	readonly type: ModuleType;
	/** What readings at single places are predicted from. */
	readonly here: ConditionsAtString;
	/** Its voltage over a healthy one's where that is odd: a class of its own stands at it. */
	readonly voltageRatio: number | null;
	readonly classes: readonly [StringClass, ...StringClass[]];
	readonly readings: readonly JudgedReading[];
	/** Its operating voltage where it is on a tracker of few strings; null where it is not, or was not read. */
	readonly tracked: TrackedVoltage | null;
	/** Readings at single places of it; null where there are none. */
	readonly located: LocatedEvidence | null;
}

/** Whether a string is alone on a tracker whose voltage was read, so that this voltage is all its own. */
export function aloneOnTracker({ tracked }: Pick<StringCase, 'tracked'>): boolean {
	return tracked !== null && tracked.partners.length === 0;
}
