import { median, noiseOf } from '../../numerics';
import type { Unit, MonitoredYear } from '../series/year';
import { NOTHING, type DayShares } from './day-share';
import type { Loss, UnitEvent } from './event';
import { lossBelow } from './loss';
import { isOutInPart, outagesOf } from './outages';
import { segmentsOf, type Segment } from './segments';
import { daysApart } from './shade';

/** Lower than this from the first day on is low: labels and places differ by some percent; judgement. */
const LOW = 0.92;
/** A jump of at least so much is a step, a fall along a stretch of at least so much a slope; judgement. */
const STEP = 0.05;
const SLOPE = 0.05;
/** Shortest slope, days. */
const SLOPE_DAYS = 20;
/** Of what a slope took, a jump up must give back so much for it to have been soiling. */
const WASHED = 0.5;
/** Back to at least this share of what it was: over. */
const RECOVERED = 0.97;

/** When and by how much a unit fell behind its peers. */
export function laggingOf(
	{ days }: Pick<MonitoredYear, 'days'>,
	unit: Unit,
	of: DayShares
): UnitEvent[] {
	const { shares, due } = of;
	const told = [...shares.keys()].filter((d) => shares[d]! >= NOTHING && !isOutInPart(of, d));
	const first = days[0]?.date ?? '';
	const x = told.map((d) => daysApart(first, days[d]!.date));
	const y = told.map((d) => shares[d]!);
	const noise = noiseOf(y);
	const usual = y.length === 0 ? 1 : median(y);
	const events = outagesOf(days, unit, { ...of, usual, noise });
	const segments = segmentsOf(x, y);
	const lost = (from: number, to: number, level: number, seen: number): Loss => {
		const some = Array.from({ length: to - from + 1 }, (_, i) => from + i);
		return lossBelow(
			some.map((i) => y[i]!),
			some.map((i) => due[told[i]!]!),
			{ level, days: seen },
			noise
		);
	};
	const dateOf = (i: number) => days[told[i]!]!.date;
	const lengthOf = (segment: Segment) => segment.to - segment.from + 1;
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
			...lost(0, to, 1, 1)
		});
	}
	segments.forEach((segment, s) => {
		const before = segments[s - 1];
		if (before && before.ends - segment.begins >= STEP * before.ends) {
			const level = before.ends;
			const end = recoveryAfter(segments, s, level);
			const to = end < 0 ? y.length - 1 : segments[end]!.from - 1;
			events.push({
				unit: unit.key,
				kind: 'step',
				since: dateOf(segment.from),
				until: end < 0 ? null : dateOf(to),
				level: segment.begins / level,
				...lost(segment.from, to, level, lengthOf(before))
			});
		}
		const fall = (segment.begins - segment.ends) / segment.begins;
		if (fall < SLOPE || x[segment.to]! - x[segment.from]! < SLOPE_DAYS) return;
		const after = segments[s + 1];
		const back = after ? after.begins - segment.ends : 0;
		const washed =
			after && back >= WASHED * (segment.begins - segment.ends) ? dateOf(after.from) : null;
		events.push({
			unit: unit.key,
			since: dateOf(segment.from),
			until: washed === null ? null : dateOf(segment.to),
			level: segment.ends / segment.begins,
			...lost(
				segment.from,
				washed === null ? y.length - 1 : segment.to,
				segment.begins,
				lengthOf(segment)
			),
			...(washed === null ? { kind: 'slope' } : { kind: 'dirt', washed })
		});
	});
	return events;
}

/** The first later stretch that is back at what was usual; -1 where none is. */
function recoveryAfter(segments: readonly Segment[], s: number, usual: number): number {
	return segments.findIndex((segment, i) => i > s && segment.begins >= RECOVERED * usual);
}
