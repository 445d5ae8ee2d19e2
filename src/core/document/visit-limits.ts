/**
 * Entries that a visit has at most: one limit for what is entered, for the file and for every export. A visit of
 * 2,000 strings has about 10,000 readings.
 */
export const VISIT_LIMITS = {
	conditions: 10_000,
	readings: 100_000,
	withdrawals: 100_000,
	safety: 20_000,
	curves: 2000,
	repairs: 2000,
	inspection: 10_000,
	photographs: 2000
} as const;

/** Why a visit takes no more of something. */
export function fullWords(most: number): string {
	return `This visit holds ${most} entries of this kind, the most that a visit file can carry. Begin another visit for what follows.`;
}
