/** Beyond this ratio to the expected value a figure looks like a slip of the decimal mark. */
const DECADE = [4.5, 22] as const;

/**
 * Whether a figure is about ten times, or about a tenth, of the expected one, or above it beyond
 * anything: then the person is asked before it is stored. About nothing at all is a reading, not a
 * slip, and is not asked about.
 *
 * @returns the question, or null where there is none
 */
export function questionBeforeStoring(
	value: number,
	expected: number | null,
	unit: string
): string | null {
	if (expected === null || Math.abs(expected) < 1e-6) return null;
	const ratio = Math.abs(value / expected);
	const [low, high] = DECADE;
	const shown = `${value} ${unit}, expected about ${Math.abs(expected).toPrecision(3)} ${unit}`;
	if (ratio > high) return `${shown}: more than twenty times as much. Store it all the same?`;
	if (ratio >= low)
		return `${shown}: about ten times as much. Is the decimal mark where it stands on the meter?`;
	if (ratio <= 1 / low && ratio >= 1 / high) {
		return `${shown}: about a tenth. Is the decimal mark where it stands on the meter?`;
	}
	return null;
}
