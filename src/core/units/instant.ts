/**
 * Milliseconds since 1970-01-01 UTC of an instant that was stored, ISO 8601 with an offset.
 *
 * @returns NaN where the text is no instant; schemas let none through
 */
export function millisOf(instant: string): number {
	// eslint-disable-next-line no-restricted-globals -- parsing a text asks no clock
	return Date.parse(instant);
}
