/**
 * Milliseconds since 1970-01-01 UTC of an instant that was stored, ISO 8601 with an offset.
 *
 * @returns NaN where the text is no instant; schemas let none through
 */
export function millisOf(instant: string): number {
	// eslint-disable-next-line no-restricted-globals -- parsing a text asks no clock
	return Date.parse(instant);
}

/** An instant that somebody wrote, as it is stored; null where it is none. One without an offset is taken as UTC. */
export function instantOf(typed: string): string | null {
	const bare = /(z|[+-]\d\d:?\d\d)$/i.test(typed.trim()) ? typed.trim() : `${typed.trim()}Z`;
	const millis = millisOf(bare.replace(/^(\d{4}-\d\d-\d\d) (?=\d)/, '$1T'));
	// eslint-disable-next-line no-restricted-globals -- writing an instant asks no clock
	return Number.isFinite(millis) ? new Date(millis).toISOString() : null;
}

/** Milliseconds since 1970-01-01 UTC of a calendar's reading as if it were UTC; the month from 1. */
export function millisOfClock(
	year: number,
	month: number,
	day: number,
	hour = 0,
	minute = 0,
	second = 0
): number {
	// eslint-disable-next-line no-restricted-globals -- reckoning with a calendar asks no clock
	return Date.UTC(year, month - 1, day, hour, minute, second);
}

const MS_PER_DAY = 86_400_000;

/** Days since 1970-01-01 of a date as in 2026-03-12. */
export function dayNumber(date: string): number {
	const [year, month, day] = date.split('-').map(Number) as [number, number, number];
	return millisOfClock(year, month, day) / MS_PER_DAY;
}

/** The date of an instant, UTC, as in 2026-03-12. */
export function dateOfMillis(millis: number): string {
	// eslint-disable-next-line no-restricted-globals -- writing an instant asks no clock
	return new Date(millis).toISOString().slice(0, 10);
}
