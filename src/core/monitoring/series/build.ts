import type { Observer } from '../../conditions';
import type { ArrayRecord } from '../../record';
import { factsOf, targetKey, type Target } from '../target';
import { DAILY, onTimes, stepOf, type Samples, type Times } from './grid';
import { powerOf, type OutputSamples } from './power';
import type { Day, Unit, MonitoredYear } from './year';

/** Quantities that say what a unit made. */
export const OUTPUT = ['power', 'energy', 'energy-total', 'dc-voltage', 'dc-current'] as const;
/** Quantities of the weather, and where they stand in a watched year. */
export const WEATHER = {
	irradiance: 'irradiance',
	cellTemperature: 'cell-temperature',
	airTemperature: 'air-temperature'
} as const;

/** One part of the record, or a unit that nobody has matched, with all that exports hold of it. */
export interface PartSamples {
	readonly key: string;
	/** As the export calls it. */
	readonly name: string;
	readonly target: Target | null;
	readonly samples: OutputSamples & {
		readonly [Q in (typeof WEATHER)[keyof typeof WEATHER]]?: Samples | undefined;
	};
}

/** Key of a unit: of its part where it is matched, of its name else. */
export function unitKey(name: string, target: Target | null): string {
	return target ? targetKey(target) : `name:${name}`;
}

/**
 * Puts what exports hold between two instants (ms since 1970-01-01 UTC) on shared times.
 *
 * @param daysOf the site's days on those times
 * @returns null where nothing says what any unit made
 */
export function buildYear(
	record: ArrayRecord,
	parts: readonly PartSamples[],
	{ from, to }: { readonly from: number; readonly to: number },
	daysOf: (times: Times) => readonly Day[],
	observer: Observer | null
): MonitoredYear | null {
	const stated = parts.filter(({ samples }) => OUTPUT.some((quantity) => samples[quantity]));
	const lists = stated.flatMap(({ samples }) =>
		OUTPUT.flatMap((quantity) => samples[quantity] ?? [])
	);
	const step = stepOf(lists);
	if (step === null) return null;
	// A figure of a whole day is stamped with its date; its noon keeps it in that day whatever the clocks do.
	const outputs = step === DAILY ? stated.map(atNoon) : stated;
	const firstDay = Math.min(...lists.map(({ at }) => at[0] ?? Infinity)) + DAILY / 2;
	const start = step === DAILY ? firstDay : from;
	const times: Times = { start, step, count: Math.ceil((to - start) / step) };
	const weather = (quantity: (typeof WEATHER)[keyof typeof WEATHER]) => {
		const found = parts.find(({ samples }) => samples[quantity])?.samples[quantity];
		return found ? onTimes(found, times) : null;
	};
	return {
		times,
		days: daysOf(times),
		units: outputs
			.map((part) => unitOf(record, part, times))
			.filter(({ power }) => power.some((watts) => !Number.isNaN(watts))),
		irradiance: weather(WEATHER.irradiance),
		cellTemperature: weather(WEATHER.cellTemperature),
		airTemperature: weather(WEATHER.airTemperature),
		observer
	};
}

function atNoon(part: PartSamples): PartSamples {
	const samples = Object.fromEntries(
		Object.entries(part.samples).map(([quantity, list]: [string, Samples | undefined]) => [
			quantity,
			list && { ...list, at: list.at.map((instant) => instant + DAILY / 2) }
		])
	);
	return { ...part, samples };
}

function unitOf(
	record: ArrayRecord,
	{ key, name, target, samples }: PartSamples,
	times: Times
): Unit {
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

/** Lists of one part under its several names, in the order of time. */
export function joined(lists: readonly Samples[]): Samples | undefined {
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
