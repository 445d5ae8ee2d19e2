import { type EffectiveVisit, findCurrentReadings, type Quantity, stringKey } from '../visit';
import type { ArrayRecord } from '../record';

/** What no reading of the visit can show, in words. */
export function untestedWords(record: ArrayRecord, visit: EffectiveVisit): string[] {
	const standing = findCurrentReadings(visit);
	const lacking = (
		quantities: readonly ('open-circuit-voltage' | 'operating-current' | 'short-circuit-current')[]
	) =>
		record.strings
			.filter(
				(string) => !quantities.some((quantity) => standing.has(stringKey(string.id, quantity)))
			)
			.map((string) => string.label);
	const words: string[] = [];
	const noVoltage = lacking(['open-circuit-voltage']);
	if (noVoltage.length > 0) {
		words.push(
			`Open-circuit voltage not read on ${noVoltage.join(', ')}: lost modules, lost substrings and polarity would not show.`
		);
	}
	const noCurrent = lacking(['operating-current', 'short-circuit-current']);
	if (noCurrent.length > 0) {
		words.push(
			`Current not read on ${noCurrent.join(', ')}: a blown fuse, soiling or a resistive connector would not show.`
		);
	}
	const earthed = (quantity: Quantity) =>
		[...standing.values()].some((reading) => reading.quantity === quantity);
	if (!earthed('positive-to-earth') && !earthed('insulation-resistance')) {
		words.push('Earth faults: neither pole-to-earth voltage nor insulation resistance was read.');
	}
	return words;
}
