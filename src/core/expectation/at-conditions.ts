import type { EffectiveVisit } from '../visit';
import type { BusCircuit } from '../circuit';
import type { ArrayRecord } from '../record';
import { peerGroupsOf } from './expected-values';
import { groupOfString, modulesAtShift } from './group';
import { stringAtConditions, USUAL_PARTS } from './predict';

/** The strings of one input as circuits, whole, in the light and heat of a visit. */
export interface InputAtConditions {
	readonly bus: BusCircuit;
	/** Name of the string that was asked about. */
	readonly subject: string;
}

/**
 * A string with its comparable strings on the same input, as the record has them, in the light and heat that
 * conditions and comparable strings together give. A string whose input is not known stands alone.
 *
 * @returns null where conditions or the module type are missing, or there is no such string
 */
export function inputAtConditions(
	record: ArrayRecord,
	visit: EffectiveVisit,
	stringId: string
): InputAtConditions | null {
	const peerGroups = peerGroupsOf(record, visit);
	const asked = record.strings.find(({ id }) => id === stringId);
	if (!asked) return null;
	const strings = record.strings
		.filter((string) => string === asked || (asked.input !== null && string.input === asked.input))
		.flatMap((string) => {
			const group = groupOfString(peerGroups, string);
			if (!group) return [];
			const modules = modulesAtShift(group, group.estimates[0].shift);
			return [stringAtConditions(string, group.model, modules)];
		});
	return strings.some(({ name }) => name === asked.label)
		? { bus: { ...USUAL_PARTS, strings }, subject: asked.label }
		: null;
}
