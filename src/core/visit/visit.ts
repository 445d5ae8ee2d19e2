import type { Conditions } from '../conditions';
import type { FaultCode } from './fault-code';
import type { Place, StringPlace } from './place';
import { isStringQuantity, type Quantity, type StringQuantity } from './quantity';
import type { SwitchingState } from './switching-state';

/** One figure from a meter. Never changed once stored: a correction is a new reading that supersedes it. */
export interface Reading {
	readonly id: string;
	readonly place: Place;
	readonly quantity: Quantity;
	/** How the circuit was switched; null where nobody said: then there is nothing to compare with. */
	readonly state: SwitchingState | null;
	/**
	 * In the quantity's unit; a negative voltage is reversed polarity. The limit of the meter's range where it
	 * was over range.
	 */
	readonly value: number;
	/** The meter displayed “over range”: the quantity is above {@link value}. */
	readonly overRange?: true | undefined;
	/** Volts of the string while the current flowed; null but for operating current. */
	readonly atVolts: number | null;
	/** What was typed, to the letter. */
	readonly typed: string;
	/** A surprising figure that the person was asked about and confirmed. */
	readonly confirmed: boolean;
	/** By hand, or read from a connected instrument. */
	readonly source: 'typed' | 'instrument';
	/** Instant, ISO 8601 in UTC. */
	readonly takenAt: string;
	readonly by: string;
	/** The reading of the same place that this one replaces. */
	readonly supersedes: string | null;
}

/** A reading of a whole string, of a quantity that the circuit predicts. */
export interface StringReading extends Reading {
	readonly place: StringPlace;
	readonly quantity: StringQuantity;
}

export function isStringReading(reading: Reading): reading is StringReading {
	return reading.place.kind === 'string' && isStringQuantity(reading.quantity);
}

/** The taking back of a reading; what it had superseded stands again. */
export interface Withdrawal {
	readonly id: string;
	readonly readingId: string;
	readonly at: string;
	readonly by: string;
}

/** Conditions with when and by whom they were entered; the last entry holds. */
export interface ConditionsEntry extends Conditions {
	readonly id: string;
	readonly enteredAt: string;
	readonly by: string;
	/** What it was worked out from, in words; empty where the figures were typed. */
	readonly basis: string;
	/**
	 * The light has moved on since the entry before: readings between the two had light in between. Else
	 * it stands for all readings, as a correction does.
	 */
	readonly follows: boolean;
	/** The field on whose plane they were measured; null where nobody said, or there is only one plane. */
	readonly fieldId: string | null;
}

/** Limits of error of a meter: +/- (pctOfReading % + counts x resolution). */
export interface MeterAccuracy {
	readonly pctOfReading: number;
	readonly counts: number;
	/** One count, in V or A. */
	readonly resolution: number;
}

/** A meter of the visit, with what it and its leads may be put on. */
export interface Meter extends MeterAccuracy {
	/** The lowest DC rating among meter, leads and probes, V; null where nobody read it. */
	readonly ratedVolts: number | null;
	/** Measurement category, IEC 61010-2-030; null where nobody read it. */
	readonly category: 2 | 3 | 4 | null;
}

/** Why one comes. */
export const PURPOSES = [
	'routine',
	'fault',
	'before-repair',
	'after-repair',
	'take-over',
	'insurance'
] as const;
export type Purpose = (typeof PURPOSES)[number];

/** What was done or read at one step of making safe. Never changed: a later entry supersedes it. */
export interface SafetyEntry {
	readonly id: string;
	/** Key of the step. */
	readonly step: string;
	/** What the proving reading showed, in the step's unit; null where the step asks for none. */
	readonly value: number | null;
	readonly at: string;
	readonly by: string;
	readonly supersedes: string | null;
	/** The entry it supersedes no longer holds, and nothing in its place. */
	readonly withdrawn: boolean;
}

/** A measured current-voltage curve of one string. */
export interface MeasuredCurve {
	readonly id: string;
	readonly stringId: string;
	/** Volts and amps of each point, in the order of volts, [points]. */
	readonly points: readonly (readonly [volts: number, amps: number])[];
	/** Light and cell temperature at its moment, W/m2 and degC; null where the visit's hold. */
	readonly at: { readonly irradiance: number; readonly cellTemperature: number } | null;
	/** File it came from, or "typed". */
	readonly origin: string;
	readonly takenAt: string;
	readonly by: string;
	readonly supersedes: string | null;
}

/** What is done about a cause at last. */
export const REPAIR_STEPS = ['repaired', 'accepted', 'excluded'] as const;
export type RepairStep = (typeof REPAIR_STEPS)[number];

/** Something that was done about a cause at a place. Never changed: a later entry of the same cause follows it. */
export interface RepairEntry {
	readonly id: string;
	/** Code of the cause. */
	readonly code: FaultCode;
	readonly place: Place;
	/** Put right; left as it is for a reason; or shown not to be there. */
	readonly step: RepairStep;
	/** Kind of repair; null where nothing was repaired. */
	readonly kind: string | null;
	/** What was done, or why it is left. */
	readonly words: string;
	/** Serial of the part that went in; empty where there is none. */
	readonly serial: string;
	/** Id of a photograph of the visit; null where there is none. */
	readonly photograph: string | null;
	/** Day on which somebody looks again, ISO 8601; null but where it is left. */
	readonly lookAgain: string | null;
	/**
	 * How many readings of the visit were entered before it. Readings carry the clock of the device, this the
	 * server's: order within the visit decides. Null where an earlier version did not record it; times then decide.
	 */
	readonly readingsBefore: number | null;
	readonly at: string;
	readonly by: string;
}

/** One visit to one site, with everything that was entered in it, in the order of entry. */
export interface Visit {
	readonly id: string;
	readonly startedAt: string;
	readonly by: string;
	readonly purpose: Purpose;
	readonly reason: string;
	/** What the inverter's display or app says, to the letter. */
	readonly inverterSays: string;
	readonly note: string;
	readonly meters: { readonly volts: Meter; readonly amps: Meter };
	readonly conditions: readonly ConditionsEntry[];
	readonly readings: readonly Reading[];
	readonly withdrawals: readonly Withdrawal[];
	readonly safety: readonly SafetyEntry[];
	readonly curves: readonly MeasuredCurve[];
	readonly repairs: readonly RepairEntry[];
}

/** What every visit begins with. */
export type VisitStart = Pick<Visit, 'id' | 'startedAt' | 'by' | 'purpose' | 'reason'>;

/** A visit in which nothing was entered yet, with usual meters. */
export function emptyVisit(start: VisitStart): Visit {
	return {
		...start,
		inverterSays: '',
		note: '',
		meters: USUAL_METERS,
		conditions: [],
		readings: [],
		withdrawals: [],
		safety: [],
		curves: [],
		repairs: []
	};
}

/** A usual multimeter and DC clamp; the person types the figures of their own. */
export const USUAL_METERS: Visit['meters'] = {
	volts: { pctOfReading: 0.5, counts: 2, resolution: 0.1, ratedVolts: null, category: null },
	amps: { pctOfReading: 2, counts: 5, resolution: 0.01, ratedVolts: null, category: null }
};
