import { millisOf } from '../units';
import { placeKey } from './place';
import type { ConditionsEntry, Reading, Visit } from './visit';

/** Key of the place and quantity of a reading. */
export function keyOf({ place, quantity }: Pick<Reading, 'place' | 'quantity'>): string {
	return placeKey(place, quantity);
}

/** The readings that count: neither superseded nor withdrawn. A withdrawn one no longer supersedes. */
function valid({ readings, withdrawals }: Pick<Visit, 'readings' | 'withdrawals'>): Reading[] {
	const withdrawn = new Set(withdrawals.map((w) => w.readingId));
	return readings.filter((reading) => !withdrawn.has(reading.id));
}

/**
 * The readings that stand: per place the newest one that was neither superseded nor withdrawn.
 * A withdrawn reading no longer supersedes, so what it had replaced stands again.
 */
export function findCurrentReadings(
	visit: Pick<Visit, 'readings' | 'withdrawals'>
): Map<string, Reading> {
	const readings = valid(visit);
	const superseded = new Set(readings.map((reading) => reading.supersedes));
	const standing = new Map<string, Reading>();
	for (const reading of readings) {
		if (superseded.has(reading.id)) continue;
		// The map is in the order of entry.
		standing.delete(keyOf(reading));
		standing.set(keyOf(reading), reading);
	}
	return standing;
}

/** Takes of one place, oldest first: the standing reading and those it replaced, none withdrawn. */
export function measurementsOf(
	visit: Pick<Visit, 'readings' | 'withdrawals'>,
	key: string
): Reading[] {
	return valid(visit).filter((reading) => keyOf(reading) === key);
}

/** Entries of one series: each but the first says that the light has moved on since the one before. */
export function currentSeries({
	conditions
}: Pick<Visit, 'conditions'>): readonly ConditionsEntry[] {
	const start = conditions.findLastIndex(({ follows }) => !follows);
	return conditions.slice(Math.max(0, start));
}

/**
 * Light and heat at a moment of the standing series, in between by time; before its first entry and
 * after its last these hold.
 *
 * @returns W/m2 and degC; null where nothing is entered
 */
export function conditionsAt(
	visit: Pick<Visit, 'conditions'>,
	instant: string
): { readonly irradiance: number; readonly cellTemperature: number } | null {
	const series = currentSeries(visit);
	const moment = millisOf(instant);
	const after = series.findIndex(({ enteredAt }) => millisOf(enteredAt) >= moment);
	const next = after < 0 ? series.at(-1) : series[after];
	const before = after <= 0 ? next : series[after - 1];
	if (!next || !before) return null;
	const from = millisOf(before.enteredAt);
	const span = millisOf(next.enteredAt) - from;
	const share = span > 0 ? (moment - from) / span : 1;
	const between = (a: number, b: number) => a + Math.min(1, Math.max(0, share)) * (b - a);
	return {
		irradiance: between(before.irradiance.value, next.irradiance.value),
		cellTemperature: between(before.cellTemperature.value, next.cellTemperature.value)
	};
}

/** The conditions that hold: the last entered. */
export function currentConditions(visit: Pick<Visit, 'conditions'>): ConditionsEntry | null {
	return visit.conditions.at(-1) ?? null;
}
