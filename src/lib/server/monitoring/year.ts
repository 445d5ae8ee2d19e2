import { setImmediate } from 'node:timers/promises';
import {
	buildYear,
	joined,
	type MonitoredYear,
	OUTPUT,
	type PartSamples,
	type Samples,
	unitKey,
	WEATHER
} from '$core/monitoring';
import type { ArrayRecord } from '$core/record';
import type { MonitoringSettings } from '$core/document';
import { daysOf } from '$lib/time/zone';
import type { DbOrTransaction } from '../database/open';
import { readSamples, seriesOf } from '../repositories/monitoring-samples';
import { listUnits, type MonitoredUnit } from '../repositories/monitoring-units';

const DAY = 86_400_000;
/** Longest time that is looked at at once. */
const LONGEST = 366 * DAY;

/** Units of one part under all the names it had, in the order in which they came. */
interface MonitoredPart {
	readonly key: string;
	readonly names: readonly MonitoredUnit[];
}

/** Units that are one part of the record belong together, whatever the exports call them. */
function partsOfUnits(units: readonly MonitoredUnit[]): MonitoredPart[] {
	const parts = new Map<string, MonitoredUnit[]>();
	for (const unit of units) {
		const key = unitKey(unit.name, unit.target);
		parts.set(key, [...(parts.get(key) ?? []), unit]);
	}
	return [...parts].map(([key, names]) => ({ key, names }));
}

/** First and last instant that a site's exports have, ms since 1970-01-01 UTC; null where there are none. */
export function spanOf(units: readonly MonitoredUnit[]): { from: number; to: number } | null {
	if (units.length === 0) return null;
	return {
		from: Math.min(...units.map(({ first }) => first)) * DAY,
		to: (Math.max(...units.map(({ last }) => last)) + 1) * DAY
	};
}

/**
 * Up to a year of a site's exports, on shared times.
 *
 * @param until its end, ms since 1970-01-01 UTC; null for the newest
 * @returns null where no export holds output
 */
export async function monitoredYear(
	db: DbOrTransaction,
	site: { readonly id: string; readonly timeZone: string },
	record: ArrayRecord,
	{ latitude, longitude }: MonitoringSettings,
	until: number | null
): Promise<MonitoredYear | null> {
	const units = await listUnits(db, site.id);
	const span = spanOf(units);
	if (!span) return null;
	const to = Math.min(until ?? span.to, span.to);
	const from = Math.max(span.from, to - LONGEST);
	const ids = await seriesOf(db, site.id);
	const read = async ({ names }: MonitoredPart, quantity: string): Promise<Samples | undefined> => {
		const lists: Samples[] = [];
		for (const { id } of names) {
			const series = ids.find((one) => one.unit === id && one.quantity === quantity);
			if (series) lists.push(await readSamples(db, series.id, from, to));
		}
		return joined(lists);
	};
	const parts: PartSamples[] = [];
	for (const part of partsOfUnits(units)) {
		// Others are served in between.
		await setImmediate();
		const samples: Record<string, Samples | undefined> = {};
		for (const quantity of [...OUTPUT, ...Object.values(WEATHER)]) {
			samples[quantity] = await read(part, quantity);
		}
		const [{ name, target }] = part.names as [MonitoredUnit];
		parts.push({ key: part.key, name, target, samples });
	}
	const observer = latitude === null || longitude === null ? null : { latitude, longitude };
	return buildYear(record, parts, { from, to }, (times) => daysOf(times, site.timeZone), observer);
}
