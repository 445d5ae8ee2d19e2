import type { ArrayRecord } from './record';

/** Power on the labels of all recorded modules together, W; strings of an unknown type count as none. */
export function labelPower({ moduleTypes, strings }: ArrayRecord): number {
	const pmax = new Map(moduleTypes.map(({ id, plate }) => [id, plate.pmax]));
	return strings.reduce(
		(sum, { moduleTypeId, moduleCount }) => sum + moduleCount * (pmax.get(moduleTypeId) ?? 0),
		0
	);
}
