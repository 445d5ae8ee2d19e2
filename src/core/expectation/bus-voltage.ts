import type { ArrayRecord, StringRecord } from '../record';
import type { Reading } from '../visit';

/** Strings of one input share its voltage: by input, the newest that was read at one of them, V. */
export function busVoltageByInput(
	record: ArrayRecord,
	standing: ReadonlyMap<string, Reading>
): ReadonlyMap<string, number> {
	const inputOf = new Map(record.strings.map(({ id, input }) => [id, input]));
	const voltages = new Map<string, number>();
	// Standing readings are in the order of entry, which counts rather than the clocks of two devices.
	for (const { place, quantity, atVolts: atVoltage } of standing.values()) {
		if (quantity !== 'operating-current' || place.kind !== 'string') continue;
		const input = inputOf.get(place.string) ?? null;
		if (input !== null && atVoltage !== null) voltages.set(input, atVoltage);
	}
	return voltages;
}

/** Share of its open-circuit volts below which a string hardly runs; judgement. */
const LEAST_SHARE = 0.4;
/** And above which it cannot, meters and a changing sun allowed for; judgement. */
const MOST_SHARE = 1.05;

/**
 * What is odd about volts at which a string is said to run; null where nothing is. The usual slip is
 * amps typed into the field of volts.
 *
 * @param voltage as typed, V
 * @param open open-circuit volts of the string here and now, V; null where they are not known
 */
export function busVoltageQuestion(
	{ label, devices }: Pick<StringRecord, 'label' | 'devices'>,
	voltage: number,
	open: number | null
): string | null {
	// Optimisers hold the bus where they will, and let go of it when the string is opened.
	const free = devices !== null && devices !== 'unknown' && devices.kind === 'optimiser';
	if (open === null || open <= 0 || free) return null;
	const share = voltage / open;
	if (share >= LEAST_SHARE && share <= MOST_SHARE) return null;
	const why =
		share > MOST_SHARE
			? 'and no string operates above that'
			: 'and most operate at about four fifths of that. The current goes in the next field';
	return `Operating voltage ${voltage} V: ${label} has Voc ${open.toFixed(0)} V, ${why}. Enter again to keep it.`;
}
