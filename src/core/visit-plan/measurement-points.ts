import {
	type PartPoint,
	type Place,
	POLES,
	type Quantity,
	stringPlace,
	switchableOf,
	type SwitchingState,
	usualState
} from '../visit';
import {
	type ArrayRecord,
	isAcBranch,
	type Part,
	type PartKind,
	partsOf,
	type StringRecord
} from '../record';

/** A place where a quantity is read, in the state in which it usually is. */
export interface MeasurementPoint {
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
	lamp: [
		['transmitter', ['lamp', 'signal']],
		['surge', ['window']]
	]
};

/** The spot of a quantity at a place, in its usual state. */
export function measurementPointAt(
	record: ArrayRecord,
	place: Place,
	quantity: Quantity
): MeasurementPoint {
	const string =
		'string' in place ? record.strings.find(({ id }) => id === place.string) : undefined;
	return { place, quantity, state: usualState(quantity, string && switchableOf(string)) };
}

/**
 * Every place of this array where a quantity is read, in the order of the record. Modules are too many
 * to list: they are chosen one by one.
 */
export function measurementPointsOf(record: ArrayRecord, quantity: Quantity): MeasurementPoint[] {
	const at = (place: Place) => measurementPointAt(record, place, quantity);
	const strings = record.strings.filter((string) => !isAcBranch(string));
	switch (quantity) {
		case 'fuse-resistance':
			return [...fusesOf(strings).map(at), ...earthFusesOf(record).map(at)];
		case 'fuse-voltage':
		case 'fuse-rating':
			return fusesOf(strings).map(at);
		case 'unit-power':
			return record.strings.filter(isAcBranch).flatMap(unitsOf).map(at);
		case 'insulation-resistance':
		case 'insulation-wet':
			return [...strings.map(({ id }) => at(stringPlace(id))), at({ kind: 'array' })];
		case 'section-voltage':
		case 'diode-forward':
		case 'diode-reverse':
		case 'stretch-voltage':
		case 'stretch-step':
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

function fusesOf(strings: readonly StringRecord[]): Place[] {
	return strings
		.filter(({ fuse }) => fuse !== null)
		.flatMap(({ id }) => POLES.map((pole): Place => ({ kind: 'fuse', string: id, pole })));
}

function earthFusesOf({ parts }: ArrayRecord): Place[] {
	return partsOf(parts, 'inverter').map(({ id }) => ({
		kind: 'part',
		part: id,
		point: 'earth-fuse'
	}));
}

/** The micro-inverters of a branch, each by the first of its modules. */
export function unitsOf({ id, devices, moduleCount }: StringRecord): Place[] {
	const each = devices !== null && devices !== 'unknown' ? devices.modulesPerDevice : 1;
	return Array.from({ length: Math.ceil(moduleCount / each) }, (_, unit) => ({
		kind: 'module',
		string: id,
		module: unit * each + 1,
		section: null
	}));
}

function pointsOf({ id, kind }: Part, quantity: Quantity): Place[] {
	const points = POINTS[quantity]?.find(([of]) => of === kind)?.[1] ?? [];
	return points.map((point) => ({ kind: 'part', part: id, point }));
}
