import type { Unit, WatchedYear } from '../series/year';
import type { DayShares } from './day-share';
import type { UnitEvent } from './event';
import { segmentsOf, type Segment } from './segments';
import { daysApart } from './shade';

/** Below this share of its like a unit is dead. */
const DEAD = 0.03;
/** Days that a unit must be dead or silent for it to be said. */
const DEAD_DAYS = 2;
/** Lower than this from the first day on is low: labels and places differ by some percent; judgement. */
const LOW = 0.92;
/** A jump of at least so much is a step, a fall along a stretch of at least so much a slope; judgement. */
const STEP = 0.05;
const SLOPE = 0.05;
/** Shortest slope, days. */
const SLOPE_DAYS = 20;
/** Of what a slope took, a jump up must give back so much for it to have been dirt. */
const WASHED = 0.5;
/** Back to at least this share of what it was: over. */
const RECOVERED = 0.97;

/** When and by how much a unit fell behind its like. */
export function laggingOf(
	{ days }: Pick<WatchedYear, 'days'>,
	unit: Unit,
	{ shares, silent, due }: DayShares
): UnitEvent[] {
	const gone = [
		...runs(
			days.length,
			(d) => shares[d]! < DEAD,
			(d) => shares[d]! >= DEAD
		).map((run) => ({
			...run,
			kind: 'dead' as const
		})),
		...runs(
			days.length,
			(d) => silent[d] === 1,
			(d) => !Number.isNaN(shares[d]!)
		).map((run) => ({
			...run,
			kind: 'silent' as const
		}))
	];
	const events: UnitEvent[] = gone.map(({ kind, from, to, lasts }) => ({
		unit: unit.key,
		kind,
		since: days[from]!.date,
		until: lasts ? null : days[to]!.date,
		level: 0,
		lost: energyDue(due, from, to)
	}));
	const told = [...shares.keys()].filter((d) => shares[d]! >= DEAD);
	const first = days[0]?.date ?? '';
	const x = told.map((d) => daysApart(first, days[d]!.date));
	const y = told.map((d) => shares[d]!);
	const segments = segmentsOf(x, y);
	const lost = (from: number, to: number, level: number) => {
		let sum = 0;
		for (let i = from; i <= to; i++) sum += Math.max(level - y[i]!, 0) * due[told[i]!]!;
		return sum / 1000;
	};
	const dateOf = (i: number) => days[told[i]!]!.date;
	const [opening] = segments;
	if (opening && opening.begins < LOW) {
		const end = segments.findIndex(({ begins }) => begins >= RECOVERED);
		const to = end < 0 ? y.length - 1 : segments[end]!.from - 1;
		events.push({
			unit: unit.key,
			kind: 'low',
			since: dateOf(0),
			until: end < 0 ? null : dateOf(to),
			level: opening.begins,
			lost: lost(0, to, 1)
		});
	}
	segments.forEach((segment, s) => {
		const before = segments[s - 1];
		if (before && before.ends - segment.begins >= STEP * before.ends) {
			const usual = before.ends;
			const end = recoveryAfter(segments, s, usual);
			const to = end < 0 ? y.length - 1 : segments[end]!.from - 1;
			events.push({
				unit: unit.key,
				kind: 'step',
				since: dateOf(segment.from),
				until: end < 0 ? null : dateOf(to),
				level: segment.begins / usual,
				lost: lost(segment.from, to, usual)
			});
		}
		const fall = (segment.begins - segment.ends) / segment.begins;
		if (fall < SLOPE || x[segment.to]! - x[segment.from]! < SLOPE_DAYS) return;
		const after = segments[s + 1];
		const back = after ? after.begins - segment.ends : 0;
		const washed = back >= WASHED * (segment.begins - segment.ends);
		events.push({
			unit: unit.key,
			since: dateOf(segment.from),
			until: washed ? dateOf(segment.to) : null,
			level: segment.ends / segment.begins,
			lost: lost(segment.from, washed ? segment.to : y.length - 1, segment.begins),
			...(washed ? { kind: 'dirt', washed: dateOf(after!.from) } : { kind: 'slope' })
		});
	});
	return events;
}

/** The first later stretch that is back at what was usual; -1 where none is. */
function recoveryAfter(segments: readonly Segment[], s: number, usual: number): number {
	return segments.findIndex((segment, i) => i > s && segment.begins >= RECOVERED * usual);
}

/** kWh that its like gave in those days. */
function energyDue(due: Float64Array, from: number, to: number): number {
	let sum = 0;
	for (let d = from; d <= to; d++) sum += due[d]!;
	return sum / 1000;
}

/** Runs of days of which something holds and none says the contrary; days that say nothing go along. */
function runs(
	count: number,
	holds: (day: number) => boolean,
	contrary: (day: number) => boolean
): { from: number; to: number; lasts: boolean }[] {
	const found: { from: number; to: number; lasts: boolean }[] = [];
	let from = -1;
	let to = -1;
	let held = 0;
	const close = (lasts: boolean) => {
		if (held >= DEAD_DAYS) found.push({ from, to, lasts });
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
