import type { Place } from '$core/visit';
import type { ArrayRecord } from '$core/record';
import type { CauseMember } from '$core/diagnosis';
import { modulesPerDevice } from '$core/faults';

/** The place of the record at which a cause is put right: as near as the readings tell. */
export function placeOfCause(record: ArrayRecord, { place }: CauseMember): Place {
	const { string: id, part, inverter, within } = place;
	const string = record.strings.find((one) => one.id === id);
	if (!string) {
		const inverterPart = inverter && record.parts.find(({ kind }) => kind === 'inverter');
		const at = part ?? (inverterPart ? inverterPart.id : null);
		return at === null ? { kind: 'array' } : { kind: 'part', part: at, point: 'line' };
	}
	if (!within) return { kind: 'string', string: string.id };
	const at = within.likeliest;
	const type = record.moduleTypes.find((one) => one.id === string.moduleTypeId);
	const substrings = type?.plate.sections ?? 3;
	switch (within.spread) {
		case 'section':
			return {
				kind: 'module',
				string: string.id,
				module: Math.floor(at / substrings) + 1,
				section: (at % substrings) + 1
			};
		case 'module':
			return { kind: 'module', string: string.id, module: at + 1, section: null };
		case 'device':
			return {
				kind: 'module',
				string: string.id,
				module: at * modulesPerDevice(string) + 1,
				section: null
			};
		case 'joint':
			return { kind: 'joint', string: string.id, joint: at };
		case 'pole':
			return { kind: 'fuse', string: string.id, pole: at === 0 ? 'positive' : 'negative' };
		case 'string':
			return { kind: 'string', string: string.id };
	}
}
