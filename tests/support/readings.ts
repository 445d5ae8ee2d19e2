import { type Place, type Quantity, type Reading, usualState } from '$core/visit';
import { testId } from './scenario';

let taken = 0;

/** A reading as somebody types it, in the quantity's usual state unless it is said otherwise. */
export function readingAt(
	place: Place,
	quantity: Quantity,
	value: number,
	more: Partial<Reading> = {}
): Reading {
	return {
		id: testId(0x9000 + taken++),
		place,
		quantity,
		state: usualState(quantity),
		value,
		atVolts: null,
		typed: String(value),
		confirmed: false,
		source: 'typed',
		takenAt: '2026-06-01T10:00:00Z',
		by: 'Tester',
		supersedes: null,
		...more
	};
}
