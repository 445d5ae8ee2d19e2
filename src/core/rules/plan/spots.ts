import { POLES, stringPlace, type PartPoint, type Place } from '../../expectation/place';
import type { Quantity } from '../../expectation/quantity';
import { usualState, type SwitchingState } from '../../expectation/switching';
import type { Part, PartKind } from '../../record/part';
import { isAcBranch, type ArrayRecord, type StringRecord } from '../../record/record';

/** A place where a quantity is read, in the state in which it usually is. */
export interface Spot {
	readonly place: Place;
	readonly quantity: Quantity;
	readonly state: SwitchingState;
}

/** Points of parts at which each quantity is read. */
const POINTS: Readonly<
	Partial<Record<Quantity, readonly (readonly [PartKind, readonly PartPoint[]])[]>>
> = {
	'dc-voltage': [
		['dc-disconnect', ['line', 'load']],
		['combiner', ['load']],
		['transmitter', ['low-voltage']],
		['battery', ['line']],
		['inverter', ['line']],
		['charge-controller', ['line', 'load']]
	],
	'ac-voltage': [
		['transmitter', ['supply-breaker', 'supply-disconnect']],
		['ac-disconnect', ['load', 'line']],
		['breaker', ['load', 'line']],
		['inverter', ['load']]
	],
	'ac-power': [
		['inverter', ['display']],
		['charge-controller', ['display']]
	],
	'pole-resistance': [
		['dc-disconnect', ['positive', 'negative']],
		['ac-disconnect', ['positive', 'negative']]
	],
	lamp: [['transmitter', ['lamp', 'signal']]]
};

const switchable = ({ fuse, devices }: StringRecord) => ({
	fused: fuse !== null,
	devices: devices !== null && devices !== 'unknown' && devices.kind !== 'micro-inverter'
});

/** The spot of a quantity at a place, in its usual state. */
export function spotAt(record: ArrayRecord, place: Place, quantity: Quantity): Spot {
	const string =
		'string' in place ? record.strings.find(({ id }) => id === place.string) : undefined;
	return { place, quantity, state: usualState(quantity, string && switchable(string)) };
}

/**
 * Every place of this array where a quantity is read, in the order of the record. Modules are too many
 * to list: they are chosen one by one.
 */
export function spotsOf(record: ArrayRecord, quantity: Quantity): Spot[] {
	const at = (place: Place) => spotAt(record, place, quantity);
	const strings = record.strings.filter((string) => !isAcBranch(string));
	switch (quantity) {
		case 'fuse-resistance':
		case 'fuse-voltage':
		case 'fuse-rating':
			return strings
				.filter(({ fuse }) => fuse !== null)
				.flatMap(({ id }) => POLES.map((pole) => at({ kind: 'fuse', string: id, pole })));
		case 'insulation-resistance':
			return [...strings.map(({ id }) => at(stringPlace(id))), at({ kind: 'array' })];
		case 'section-voltage':
		case 'diode-forward':
		case 'diode-reverse':
		case 'stretch-voltage':
		case 'joint-rise':
		case 'joint-resistance':
		case 'device-output':
		case 'cover-current':
			return [];
		default:
			return POINTS[quantity]
				? record.parts.flatMap((part) => pointsOf(part, quantity).map(at))
				: strings.map(({ id }) => at(stringPlace(id)));
	}
}

function pointsOf({ id, kind }: Part, quantity: Quantity): Place[] {
	const points = POINTS[quantity]?.find(([of]) => of === kind)?.[1] ?? [];
	return points.map((point) => ({ kind: 'part', part: id, point }));
}
