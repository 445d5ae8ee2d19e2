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
