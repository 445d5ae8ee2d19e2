import type { ChangeStep } from './change';
import { partsOf } from './part';
import type { ArrayRecord } from './record';

/**
 * Steps that take an entry out and close the gap: what led to a part that goes leads on to where that
 * part led, and strings let go of a device type or a field that is no longer there.
 */
export function removal(record: ArrayRecord, list: 'parts' | 'fields', id: string): ChangeStep[] {
	if (list === 'fields') {
		const strings = record.strings.filter(({ spans }) => spans.some(({ field }) => field === id));
		return [
			...strings.map((string): ChangeStep => ({
				op: 'put',
				list: 'strings',
				value: { ...string, spans: string.spans.filter(({ field }) => field !== id) }
			})),
			{ op: 'remove', list, id }
		];
	}
	const part = record.parts.find((candidate) => candidate.id === id);
	const onward = part?.to ?? null;
	const steps: ChangeStep[] = [];
	for (const string of record.strings) {
		const devices =
			string.devices !== null && string.devices !== 'unknown' && string.devices.part === id
				? { ...string.devices, part: null }
				: string.devices;
		if (string.to !== id && devices === string.devices) continue;
		const to = string.to === id ? onward : string.to;
		steps.push({ op: 'put', list: 'strings', value: { ...string, devices, to } });
	}
	for (const other of record.parts) {
		if (other.to !== id) continue;
		steps.push({ op: 'put', list: 'parts', value: { ...other, to: onward } });
	}
	return [...steps, { op: 'remove', list, id }];
}

/** Parts that stand alone in their kind, so that new strings may lead to them without a question. */
export function onlyEnd(record: ArrayRecord): string | null {
	const ends = [
		...partsOf(record.parts, 'inverter'),
		...partsOf(record.parts, 'charge-controller')
	];
	return ends.length === 1 ? ends[0]!.id : null;
}
