import { CalendarDate, fromAbsolute, toZoned } from '@internationalized/date';
import type { Day, Times, Zone } from '$core/monitoring';

const HOUR = 3_600_000;
/** Offsets change at whole quarters of an hour. */
const QUARTER = HOUR / 4;
const DAY = 24 * HOUR;
const WEEK = 7 * DAY;

/** The clock of a time zone, with its hours that come twice or never. */
export function zoneOf(timeZone: string): Zone {
	const known = new Map<number, readonly number[]>();
	const offsetAt = offsetIn(timeZone);
	return {
		offsetsAt(clock) {
			const quarter = Math.floor(clock / QUARTER);
			let offsets = known.get(quarter);
			if (!offsets) {
				const begin = quarter * QUARTER;
				const candidates = [offsetAt(begin - DAY), offsetAt(begin + DAY)];
				offsets = [...new Set(candidates)]
					.filter((offset) => offsetAt(begin - offset) === offset)
					.sort((a, b) => b - a);
				known.set(quarter, offsets);
			}
			return offsets;
		}
	};
}

/** What the clock of a time zone shows at an instant, as if it were UTC; both ms since 1970-01-01. */
export function clockIn(timeZone: string): (instant: number) => number {
	const offsetAt = offsetIn(timeZone);
	return (instant) => instant + offsetAt(instant);
}

/**
 * The offset of a time zone at an instant, ms; looked up once for what keeps it. A week that begins and ends with one
 * offset keeps it throughout: no zone has changed its clock and changed it back within a week since there are
 * inverters.
 */
function offsetIn(timeZone: string): (instant: number) => number {
	const kept = (length: number, find: (number: number) => number | null) => {
		const known = new Map<number, number | null>();
		return (instant: number) => {
			const number = Math.floor(instant / length);
			let offset = known.get(number);
			if (offset === undefined) known.set(number, (offset = find(number)));
			return offset;
		};
	};
	const offsetAt = (instant: number) => fromAbsolute(instant, timeZone).offset;
	const beginning = kept(WEEK, (week) => offsetAt(week * WEEK));
	const throughout = kept(WEEK, (week) => {
		const offset = beginning(week * WEEK);
		return offset === beginning((week + 1) * WEEK) ? offset : null;
	});
	const within = kept(QUARTER, (quarter) => offsetAt(quarter * QUARTER));
	return (instant) => throughout(instant) ?? within(instant)!;
}

/** The days of a site between two instants, by its own midnights, as ranges of samples. */
export function daysOf({ start, step, count }: Times, timeZone: string): Day[] {
	const days: Day[] = [];
	const { year, month, day } = fromAbsolute(start, timeZone);
	let date = new CalendarDate(year, month, day);
	const end = start + count * step;
	for (;;) {
		const begin = toZoned(date, timeZone).toDate().getTime();
		if (begin >= end) return days;
		const next = date.add({ days: 1 });
		const until = toZoned(next, timeZone).toDate().getTime();
		const from = Math.max(0, Math.ceil((begin - start) / step));
		const to = Math.min(count, Math.ceil((until - start) / step));
		if (to > from) days.push({ date: date.toString(), from, to });
		date = next;
	}
}
