import type { Place } from '$core/visit/place';
import type { Quantity } from '$core/visit/quantity';
import { usualState } from '$core/visit/switching-state';
import type { Reading } from '$core/visit/visit';
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
