import type { ArrayRecord, StringRecord } from '../record/record';
import { stringKey } from './place';
import type { Reading } from './visit';

/** Strings of one input share its volts: by input, the newest that was read at one of them, V. */
export function busVoltsByInput(
	record: ArrayRecord,
	standing: ReadonlyMap<string, Reading>
): ReadonlyMap<string, number> {
	const newest = new Map<string, Reading>();
	for (const { id, input } of record.strings) {
		const reading = standing.get(stringKey(id, 'operating-current'));
		if (input === null || !reading) continue;
		const known = newest.get(input);
		if (!known || known.takenAt < reading.takenAt) newest.set(input, reading);
	}
	return new Map([...newest].map(([input, { atVolts }]) => [input, atVolts!]));
}

/** Share of its open-circuit volts below which a string hardly runs; judgement. */
const LEAST_SHARE = 0.4;
/** And above which it cannot, meters and a changing sun allowed for; judgement. */
const MOST_SHARE = 1.05;

/**
 * What is odd about volts at which a string is said to run; null where nothing is. The usual slip is
 * amps typed into the field of volts.
 *
 * @param volts as typed, V
 * @param open open-circuit volts of the string here and now, V; null where they are not known
 */
export function busVoltsDoubt(
	{ label, devices }: Pick<StringRecord, 'label' | 'devices'>,
	volts: number,
	open: number | null
): string | null {
	// Optimisers hold the bus where they will, and let go of it when the string is opened.
	const free = devices !== null && devices !== 'unknown' && devices.kind === 'optimiser';
	if (open === null || open <= 0 || free) return null;
	const share = volts / open;
	if (share >= LEAST_SHARE && share <= MOST_SHARE) return null;
	const why =
		share > MOST_SHARE
			? 'and no string runs above that'
			: 'and most run at about four fifths of that. The amps go in the next field';
	return `${volts} V while running: ${label} has ${open.toFixed(0)} V at open circuit, ${why}. Enter again to keep it.`;
}
