import {
	type Place,
	type Quantity,
	type Reading,
	type SwitchingState,
	usualState
} from '../../visit';
import type { FaultRates } from '../../faults';
import type { ArrayRecord } from '../../record';
import type { EquipmentProbe } from './equipment-case';

/** What parts that stand apart are made from. */
export interface EquipmentBasis {
	readonly record: ArrayRecord;
	readonly standing: ReadonlyMap<string, Reading>;
	/** All takes of a place, by key. */
	readonly takes: (key: string) => readonly Reading[];
	readonly rates: FaultRates;
	/** What the inverter's display or application says, to the letter. */
	readonly says: string;
	/** Chance that volts to earth or dry insulation already show an earth fault at a string: it explains a message of leaks. */
	readonly earthFound: number;
	/** What one sound module gives here and now, V and W; null where light and heat are not known. */
	readonly module: { readonly voltage: number; readonly power: number } | null;
}

/** A probe whose every reading tells, whatever the state it was taken in. */
export function probeOf(
	place: Place,
	quantity: Quantity,
	predicted: EquipmentProbe['predicted'],
	state: SwitchingState = usualState(quantity)
): EquipmentProbe {
	return { place, quantity, state, counts: () => true, predicted };
}
