import type { ConditionsEntry, Quantity, Reading, Visit } from './visit';

/** A place of a visit: one quantity of one string. */
export function placeKey(stringId: string, quantity: Quantity): string {
	return `${stringId}/${quantity}`;
}

/**
 * The readings that stand: per place the newest one that was neither superseded nor withdrawn.
 * A withdrawn reading no longer supersedes, so what it had replaced stands again.
 */
export function standingReadings(
	visit: Pick<Visit, 'readings' | 'withdrawals'>
): Map<string, Reading> {
	const withdrawn = new Set(visit.withdrawals.map((w) => w.readingId));
	const valid = visit.readings.filter((reading) => !withdrawn.has(reading.id));
	const superseded = new Set(valid.map((reading) => reading.supersedes));
	const standing = new Map<string, Reading>();
	for (const reading of valid) {
		if (superseded.has(reading.id)) continue;
		standing.set(placeKey(reading.stringId, reading.quantity), reading);
	}
	return standing;
}

/** The conditions that hold: the last entered. */
export function standingConditions(visit: Pick<Visit, 'conditions'>): ConditionsEntry | null {
	return visit.conditions.at(-1) ?? null;
}
