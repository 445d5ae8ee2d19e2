import type { Day, Unit } from '../series/year';
import type { UnitEvent } from './event';
import { lossBelow } from './loss';

/** Below this share of its peers a unit is dead. */
export const DEAD = 0.03;
/** Days that a unit must be dead or silent for it to be said. */
const FEWEST_DAYS = 2;
/** So many outages, none of them the end, are one thing that comes and goes. */
const FEWEST_OUTAGES = 4;
/** An outage up to the last day, of so many days, is more than the next of many. */
const LASTING = 14;
/** A day of less than this share of the usual, between outages, was one in part. */
const IN_PART = 0.85;

interface Run {
	readonly from: number;
	readonly to: number;
	/** Days on which it was seen. */
	readonly held: number;
	readonly lasts: boolean;
}

/** What is known of a unit's days. */
export interface UnitDays {
	/** Output over that of its peers, by day; NaN where the day says nothing. */
	readonly shares: Float64Array;
	/** Whether its peers give while it says nothing at all. */
	readonly silent: Uint8Array;
	/** Energy its peers would have given in its place, Wh by day. */
	readonly due: Float64Array;
	/** Its share on days without outages. */
	readonly usual: number;
	readonly noise: number;
}

/** Days on which a unit gave nothing, or said nothing: single outages, or one thing that comes and goes. */
export function outagesOf(days: readonly Day[], unit: Unit, of: UnitDays): UnitEvent[] {
	const { shares, silent } = of;
	return [
		...eventsOf(
			'dead',
			days,
			unit,
			of,
			runs(
				days.length,
				(d) => shares[d]! < DEAD,
				(d) => shares[d]! >= DEAD
			)
		),
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

function eventsOf(
	kind: 'dead' | 'silent',
	days: readonly Day[],
	unit: Unit,
	{ shares, due, usual, noise }: UnitDays,
	found: readonly Run[]
): UnitEvent[] {
	const nothing = (from: number, to: number) => {
		const known = [...due.keys()].slice(from, to + 1).filter((d) => due[d]! > 0);
		return lossBelow(
			known.map(() => 0),
			known.map((d) => due[d]!),
			{ level: usual, days: shares.length },
			noise
		);
	};
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
		...nothing(from, to)
	}));
	if (!comesAndGoes) return events;
	const from = several[0]!.from;
	const to = several.at(-1)!.to;
	const between = [...shares.keys()].slice(from, to + 1).filter((d) => due[d]! > 0);
	const held = several.reduce((sum, run) => sum + run.held, 0);
	const longest = Math.max(...several.slice(1).map((run, i) => run.from - several[i]!.to));
	const lasts = end === null && shares.length - 1 - to <= 2 * longest;
	const shareOn = (d: number) => (kind === 'silent' || Number.isNaN(shares[d]!) ? 0 : shares[d]!);
	const isOut = (d: number) =>
		several.some((run) => d >= run.from && d <= run.to) ||
		(kind === 'dead' && shares[d]! < IN_PART * usual);
	const out = between.filter(isOut);
	const all = between.reduce((sum, d) => sum + due[d]!, 0);
	const loss = lossBelow(
		out.map(shareOn),
		out.map((d) => due[d]!),
		{ level: usual, days: shares.length },
		noise
	);
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
