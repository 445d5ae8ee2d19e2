import type { Day, Unit } from '../series/year';
import { NOTHING, type DayShares } from './day-share';
import type { UnitEvent } from './event';
import { lossBelow } from './loss';

/** Days that a unit must be dead or silent for it to be said. */
const FEWEST_DAYS = 2;
/** So many outages, none of them the end, are one thing that comes and goes. */
const FEWEST_OUTAGES = 4;
/** An outage up to the last day, of so many days, is more than the next of many. */
const LASTING = 14;
/** A day of less than this share of the usual, between outages, was one in part. */
const IN_PART = 0.85;
/** A day on which so much of the energy was due while the unit gave nothing was one in part, wherever it lies. */
const OUT = 0.05;

interface Run {
	readonly from: number;
	readonly to: number;
	/** Days on which it was seen. */
	readonly held: number;
	readonly lasts: boolean;
}

/** What is known of a unit's days. */
export interface UnitDays extends DayShares {
	/** Its share on days without outages. */
	readonly usual: number;
	readonly noise: number;
}

/** Days on which a unit gave nothing, or said nothing: single outages, or one thing that comes and goes. */
export function outagesOf(days: readonly Day[], unit: Unit, of: UnitDays): UnitEvent[] {
	const { shares, silent } = of;
	const whole = runs(
		days.length,
		(d) => shares[d]! < NOTHING,
		(d) => shares[d]! >= NOTHING
	);
	return [
		...eventsOf('dead', days, unit, of, withPartsOfDays(whole, of)),
		...eventsOf(
			'silent',
			days,
			unit,
			of,
			runs(
				days.length,
				(d) => silent[d] === 1,
				(d) => !Number.isNaN(shares[d]!)
			)
		)
	];
}

/** Whether a unit gave for a part of a day, and nothing for another. */
export function isOutInPart({ shares, out }: DayShares, day: number): boolean {
	return out[day]! >= OUT && shares[day]! >= NOTHING;
}

/** A stop in the middle of a day belongs to the days of nothing beside it; else it is an outage of its own. */
function withPartsOfDays(whole: readonly Run[], of: UnitDays): Run[] {
	const longer = whole.map((run) => {
		const from = isOutInPart(of, run.from - 1) ? run.from - 1 : run.from;
		const to = isOutInPart(of, run.to + 1) ? run.to + 1 : run.to;
		return { ...run, from, to, held: run.held + (run.from - from) + (to - run.to) };
	});
	const others = [...of.shares.keys()]
		.filter((d) => isOutInPart(of, d) && !longer.some(({ from, to }) => d >= from && d <= to))
		.map((d) => ({ from: d, to: d, held: 1, lasts: false }));
	return [...longer, ...others].sort((a, b) => a.from - b.from);
}

function eventsOf(
	kind: 'dead' | 'silent',
	days: readonly Day[],
	unit: Unit,
	of: UnitDays,
	found: readonly Run[]
): UnitEvent[] {
	const { shares, due, usual, noise } = of;
	const shareOn = (d: number) => (kind === 'silent' || Number.isNaN(shares[d]!) ? 0 : shares[d]!);
	const lossOn = (some: readonly number[]) =>
		lossBelow(
			some.map(shareOn),
			some.map((d) => due[d]!),
			{ level: usual, days: shares.length },
			noise
		);
	const dueDays = (from: number, to: number) =>
		[...due.keys()].slice(from, to + 1).filter((d) => due[d]! > 0);
	const last = found.at(-1);
	const end = last && last.lasts && last.held >= LASTING ? last : null;
	const several = found.filter((run) => run !== end);
	const comesAndGoes = several.length >= FEWEST_OUTAGES;
	const single = comesAndGoes
		? end
			? [end]
			: []
		: found.filter(({ held }) => held >= FEWEST_DAYS);
	const events: UnitEvent[] = single.map(({ from, to, lasts }) => ({
		unit: unit.key,
		kind,
		since: days[from]!.date,
		until: lasts ? null : days[to]!.date,
		level: 0,
		...lossOn(dueDays(from, to))
	}));
	if (!comesAndGoes) return events;
	const from = several[0]!.from;
	const to = several.at(-1)!.to;
	const between = dueDays(from, to);
	const held = several.reduce((sum, run) => sum + run.held, 0);
	const longest = Math.max(...several.slice(1).map((run, i) => run.from - several[i]!.to));
	const lasts = end === null && shares.length - 1 - to <= 2 * longest;
	const isOut = (d: number) =>
		several.some((run) => d >= run.from && d <= run.to) ||
		(kind === 'dead' && shares[d]! < IN_PART * usual);
	const out = between.filter(isOut);
	const all = between.reduce((sum, d) => sum + due[d]!, 0);
	const loss = lossOn(out);
	const common = {
		unit: unit.key,
		since: days[from]!.date,
		until: lasts ? null : days[to]!.date,
		...loss
	};
	events.push(
		kind === 'dead'
			? {
					...common,
					kind: 'intermittent',
					level: all > 0 ? Math.max(usual - (1000 * loss.lost) / all, 0) : 0,
					outages: several.length,
					days: held
				}
			: { ...common, kind, level: 0 }
	);
	return events;
}

/** Runs of days of which something holds and none says the contrary; days that say nothing go along. */
function runs(
	count: number,
	holds: (day: number) => boolean,
	contrary: (day: number) => boolean
): Run[] {
	const found: Run[] = [];
	let from = -1;
	let to = -1;
	let held = 0;
	const close = (lasts: boolean) => {
		found.push({ from, to, held, lasts });
		from = -1;
		held = 0;
	};
	for (let d = 0; d < count; d++) {
		if (holds(d)) {
			if (from < 0) from = d;
			to = d;
			held++;
		} else if (from >= 0 && contrary(d)) close(false);
	}
	if (from >= 0) close(true);
	return found;
}
