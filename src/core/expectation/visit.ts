import type { Conditions } from '../conditions/conditions';

/** What a reading measures. */
export const QUANTITIES = [
	'open-circuit-voltage',
	'operating-current',
	'short-circuit-current'
] as const;
export type Quantity = (typeof QUANTITIES)[number];

/**
 * How the circuit was switched while a reading was taken. An expected value holds for one state
 * only; a reading is stored with its own.
 */
export const SWITCHING_STATES = [
	'isolated-open-circuit',
	'isolated-short-circuit',
	'operating'
] as const;
export type SwitchingState = (typeof SWITCHING_STATES)[number];

/** The state in which each quantity can be read at all. */
export const STATE_OF_QUANTITY: Readonly<Record<Quantity, SwitchingState>> = {
	'open-circuit-voltage': 'isolated-open-circuit',
	'operating-current': 'operating',
	'short-circuit-current': 'isolated-short-circuit'
};

/** One figure from a meter. Never changed once stored: a correction is a new reading that supersedes it. */
export interface Reading {
	readonly id: string;
	readonly stringId: string;
	readonly quantity: Quantity;
	readonly switchingState: SwitchingState;
	/** V or A; negative volts are reversed polarity. */
	readonly value: number;
	/** Volts of the string while the current flowed; null but for operating current. */
	readonly atVolts: number | null;
	/** What was typed, to the letter. */
	readonly typed: string;
	/** A surprising figure that the person was asked about and confirmed. */
	readonly confirmed: boolean;
	/** Instant, ISO 8601 in UTC. */
	readonly takenAt: string;
	readonly by: string;
	/** The reading of the same place that this one replaces. */
	readonly supersedes: string | null;
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
}

/** Limits of error of a meter: +/- (pctOfReading % + counts x resolution). */
export interface MeterAccuracy {
	readonly pctOfReading: number;
	readonly counts: number;
	/** One count, in V or A. */
	readonly resolution: number;
}

/** One visit to one site, with everything that was entered in it, in the order of entry. */
export interface Visit {
	readonly id: string;
	readonly startedAt: string;
	readonly by: string;
	readonly reason: string;
	readonly note: string;
	readonly meters: { readonly volts: MeterAccuracy; readonly amps: MeterAccuracy };
	readonly conditions: readonly ConditionsEntry[];
	readonly readings: readonly Reading[];
	readonly withdrawals: readonly Withdrawal[];
}

/** A usual multimeter and DC clamp; the person types the figures of their own. */
export const USUAL_METERS: Visit['meters'] = {
	volts: { pctOfReading: 0.5, counts: 2, resolution: 0.1 },
	amps: { pctOfReading: 2, counts: 5, resolution: 0.01 }
};
