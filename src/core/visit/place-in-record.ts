import type { ArrayRecord } from '../record';
import { stringOfPlace, type Place } from './place';

/** Why a place is none of a record, in words; null where it is one. */
export function placeProblem(
	{ strings, parts }: Pick<ArrayRecord, 'strings' | 'parts'>,
	place: Place
): string | null {
	const id = stringOfPlace(place);
	const string = strings.find((candidate) => candidate.id === id);
	if (id !== null && !string) return 'No string of the record has this id.';
	if (place.kind === 'module' && place.module > string!.moduleCount) {
		return `${string!.label} has ${string!.moduleCount} modules; there is no module ${place.module}.`;
	}
	if (place.kind === 'stretch' && !(place.from < place.to && place.to <= string!.moduleCount)) {
		return `${string!.label} has connectors 0 to ${string!.moduleCount}; a segment goes from a lower to a higher one.`;
	}
	if (place.kind === 'joint' && place.joint > string!.moduleCount) {
		return `${string!.label} has connectors 0 to ${string!.moduleCount}; there is no connector ${place.joint}.`;
	}
	if (place.kind === 'part' && !parts.some((part) => part.id === place.part)) {
		return 'No part of the record has this id.';
	}
	return null;
}
