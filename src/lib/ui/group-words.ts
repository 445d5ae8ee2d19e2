import type { GroupVerdict } from '$core/expectation/shared-verdict';
import type { ArrayRecord } from '$core/record/record';
import { facing } from './plane-words';

/** What the strings of a group have in common, where an array has several: plane, and module type. */
export function groupWords(
	{ plane, moduleTypeId }: Pick<GroupVerdict, 'plane' | 'moduleTypeId'>,
	{ moduleTypes }: Pick<ArrayRecord, 'moduleTypes'>
): string {
	const type = moduleTypes.find(({ id }) => id === moduleTypeId)?.name;
	const lies = plane ? `${plane.name} (${facing(plane)})` : 'plane not recorded';
	return moduleTypes.length > 1 && type ? `${lies}, ${type}` : lies;
}
