import type { GroupVerdict } from '$core/assessment';
import type { ArrayRecord } from '$core/record';
import { facing } from './plane-words';

const named = (plane: NonNullable<GroupVerdict['plane']>) =>
	plane.name.toLowerCase().includes(facing(plane))
		? plane.name
		: `${plane.name} (${facing(plane)})`;

/** What the strings of a group have in common, where an array has several: plane, and module type. */
export function groupWords(
	{ plane, moduleTypeId }: Pick<GroupVerdict, 'plane' | 'moduleTypeId'>,
	{ moduleTypes }: Pick<ArrayRecord, 'moduleTypes'>
): string {
	const type = moduleTypes.find(({ id }) => id === moduleTypeId)?.name;
	const lies = plane ? named(plane) : 'plane not recorded';
	return moduleTypes.length > 1 && type ? `${lies}, ${type}` : lies;
}
