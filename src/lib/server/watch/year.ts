import { factsOf, targetKey } from '$core/production/target';
import { onTimes, stepOf, type Samples, type Times } from '$core/production/series/grid';
import { powerOf, type OutputSamples } from '$core/production/series/power';
import type { Unit, WatchedYear } from '$core/production/series/year';
import type { ArrayRecord } from '$core/record/record';
import type { WatchSettings } from '$core/document/monitoring';
import { daysOf } from '$lib/time/zone';
import type { DbOrTransaction } from '../database/open';
import { readSamples, seriesOf } from '../repositories/watch-samples';
import { listUnits, type WatchUnit } from '../repositories/watch-units';

const DAY = 86_400_000;
/** Longest time that is looked at at once. */
const LONGEST = 366 * DAY;

const OUTPUT = ['power', 'energy', 'energy-total', 'dc-voltage', 'dc-current'] as const;
const WEATHER = {
	irradiance: 'irradiance',
	cellTemperature: 'cell-temperature',
	airTemperature: 'air-temperature'
} as const;

/** Units of one part under all the names it had, in the order of the record. */
export interface WatchedPart {
	/** Key of the part, or of the name where it is matched to none. */
	readonly key: string;
	readonly names: readonly WatchUnit[];
}

/** Units that are one part of the record belong together, whatever the exports call them. */
export function partsOfUnits(units: readonly WatchUnit[]): WatchedPart[] {
	const parts = new Map<string, WatchUnit[]>();
	for (const unit of units) {
		const key = unit.target ? targetKey(unit.target) : `name:${unit.name}`;
		parts.set(key, [...(parts.get(key) ?? []), unit]);
	}
	return [...parts].map(([key, names]) => ({ key, names }));
}

/** First and last instant that a site's exports have, ms since 1970-01-01 UTC; null where there are none. */
export function spanOf(units: readonly WatchUnit[]): { from: number; to: number } | null {
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
export async function watchedYear(
	db: DbOrTransaction,
	site: { readonly id: string; readonly timeZone: string },
	record: ArrayRecord,
	settings: WatchSettings,
	until: number | null
): Promise<WatchedYear | null> {
	const units = await listUnits(db, site.id);
	const span = spanOf(units);
	if (!span) return null;
	const to = Math.min(until ?? span.to, span.to);
	const from = Math.max(span.from, to - LONGEST);
	const ids = await seriesOf(db, site.id);
	const read = async (part: WatchedPart, quantity: string): Promise<Samples | undefined> => {
		const lists: Samples[] = [];
		for (const { id } of part.names) {
			const series = ids.find((one) => one.unit === id && one.quantity === quantity);
			if (series) lists.push(await readSamples(db, series.id, from, to));
		}
		return joined(lists);
	};
	const parts = partsOfUnits(units);
	const outputs: { part: WatchedPart; samples: OutputSamples }[] = [];
	for (const part of parts) {
		const samples: Partial<Record<(typeof OUTPUT)[number], Samples | undefined>> = {};
		for (const quantity of OUTPUT) samples[quantity] = await read(part, quantity);
		if (OUTPUT.some((quantity) => samples[quantity])) outputs.push({ part, samples });
	}
	const step = stepOf(outputs.flatMap(({ samples }) => Object.values(samples).filter((s) => s)));
	if (step === null) return null;
	const times: Times = { start: from, step, count: Math.ceil((to - from) / step) };
	const weather = { irradiance: null, cellTemperature: null, airTemperature: null } as Record<
		keyof typeof WEATHER,
		Float64Array | null
	>;
	for (const [key, quantity] of Object.entries(WEATHER)) {
		for (const part of parts) {
			const samples = await read(part, quantity);
			if (samples) weather[key as keyof typeof WEATHER] ??= onTimes(samples, times);
		}
	}
	const { latitude, longitude } = settings;
	return {
		times,
		days: daysOf(times, site.timeZone),
		units: outputs
			.map(({ part, samples }) => unitOf(record, part, samples, times))
			.filter(({ power }) => power.some((watts) => !Number.isNaN(watts))),
		...weather,
		observer: latitude === null || longitude === null ? null : { latitude, longitude }
	};
}

function unitOf(
	record: ArrayRecord,
	{ key, names }: WatchedPart,
	samples: OutputSamples,
	times: Times
): Unit {
	const [{ name, target }] = names as [WatchUnit];
	const facts = target && factsOf(record, target);
	const on = (list: Samples | undefined) => (list ? onTimes(list, times) : null);
	return {
		key,
		label: facts?.label ?? (name || 'the whole export'),
		labelWatts: facts?.labelWatts ?? 0,
		ratedWatts: facts?.ratedWatts ?? null,
		like: facts?.like ?? null,
		plane: facts?.plane ?? null,
		power: powerOf(samples, times, facts?.labelWatts ?? 0),
		volts: on(samples['dc-voltage']),
		amps: on(samples['dc-current'])
	};
}

/** Lists of one part, in the order of time. */
function joined(lists: readonly Samples[]): Samples | undefined {
	const some = lists.filter(({ at }) => at.length > 0).sort((a, b) => a.at[0]! - b.at[0]!);
	if (some.length < 2) return some[0];
	const order = some
		.flatMap(({ at }, list) => Array.from(at, (instant, i) => ({ instant, list, i })))
		.sort((a, b) => a.instant - b.instant);
	return {
		at: Float64Array.from(order, ({ instant }) => instant),
		value: Float64Array.from(order, ({ list, i }) => some[list]!.value[i]!)
	};
}
