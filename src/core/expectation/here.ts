import type { BusCircuit } from '../circuit/description';
import type { ArrayRecord } from '../record/record';
import { expectReadings } from './expect';
import { groupOfString, modulesAtShift } from './group';
import { stringHere, USUAL_PARTS } from './predict';
import type { Visit } from './visit';

/** The strings of one input as circuits, whole, in the light and heat of a visit. */
export interface InputHere {
	readonly bus: BusCircuit;
	/** Name of the string that was asked about. */
	readonly subject: string;
}

/**
 * A string with its siblings on the same input, as the record has them, in the light and heat that
 * conditions and siblings together give. A string whose input is not known stands alone.
 *
 * @returns null where conditions or the module type are missing, or there is no such string
 */
export function inputHere(record: ArrayRecord, visit: Visit, stringId: string): InputHere | null {
	const { siblingGroups } = expectReadings(record, visit);
	const asked = record.strings.find(({ id }) => id === stringId);
	if (!asked) return null;
	const strings = record.strings
		.filter((string) => string === asked || (asked.input !== null && string.input === asked.input))
		.flatMap((string) => {
			const group = groupOfString(siblingGroups, string);
			if (!group) return [];
			const modules = modulesAtShift(group, group.estimates[0].shift);
			return [stringHere(string, group.model, modules)];
		});
	return strings.some(({ name }) => name === asked.label)
		? { bus: { ...USUAL_PARTS, strings }, subject: asked.label }
		: null;
}
