import type { ArrayRecord } from '../record/record';
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
