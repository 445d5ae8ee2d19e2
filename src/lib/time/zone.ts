import { CalendarDate, fromAbsolute, toZoned } from '@internationalized/date';
import type { Zone } from '$core/production/import/clock';
import type { Day } from '$core/production/series/year';
import type { Times } from '$core/production/series/grid';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** The clock of a time zone, with its hours that come twice or never. */
export function zoneOf(timeZone: string): Zone {
	const known = new Map<number, readonly number[]>();
	const offsetAt = (instant: number) => fromAbsolute(instant, timeZone).offset;
	return {
		offsetsAt(clock) {
			// Offsets change at whole quarters of an hour.
			const quarter = Math.floor(clock / (HOUR / 4));
			let offsets = known.get(quarter);
			if (!offsets) {
				const begin = quarter * (HOUR / 4);
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
	const known = new Map<number, number>();
	return (instant) => {
		const quarter = Math.floor(instant / (HOUR / 4));
		let offset = known.get(quarter);
		if (offset === undefined) known.set(quarter, (offset = fromAbsolute(instant, timeZone).offset));
		return instant + offset;
	};
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
