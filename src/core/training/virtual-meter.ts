import { type Place, placeKey, type Quantity, stringPlace, type Visit } from '../visit';
import { modulesPerDevice } from '../faults';
import type { StringRecord } from '../record';
import { type MeasurementPoint, measurementPointAt, measurementPointsOf } from '../visit-plan';
import { testFactsOf } from '../diagnosis';
import { answerTest, busVoltageAt, withAnswer } from './answer';
import type { Exercise } from './exercise';
import { randomFrom } from '../numerics';

/** What of a string is read, and which numbers name the place within it. */
export interface Offer {
	readonly quantity: Quantity;
	readonly kind: 'string' | 'fuse' | 'stretch' | 'joint' | 'module' | 'section';
}

const AT_STRING: readonly Offer[] = [
	{ quantity: 'open-circuit-voltage', kind: 'string' },
	{ quantity: 'operating-current', kind: 'string' },
	{ quantity: 'short-circuit-current', kind: 'string' },
	{ quantity: 'positive-to-earth', kind: 'string' },
	{ quantity: 'negative-to-earth', kind: 'string' },
	{ quantity: 'insulation-resistance', kind: 'string' },
	{ quantity: 'fuse-resistance', kind: 'fuse' },
	{ quantity: 'module-count', kind: 'string' },
	{ quantity: 'shade-seen', kind: 'string' },
	{ quantity: 'label-power', kind: 'string' },
	{ quantity: 'cleaning-gain', kind: 'string' },
	{ quantity: 'blocking-diode-forward', kind: 'string' },
	{ quantity: 'stretch-voltage', kind: 'stretch' },
	{ quantity: 'joint-resistance', kind: 'joint' },
	{ quantity: 'joint-rise', kind: 'joint' },
	{ quantity: 'open-circuit-voltage', kind: 'module' },
	{ quantity: 'short-circuit-current', kind: 'module' },
	{ quantity: 'device-output', kind: 'module' },
	{ quantity: 'section-voltage', kind: 'section' },
	{ quantity: 'diode-reverse', kind: 'section' }
];
const AT_PARTS: readonly Quantity[] = [
	'ac-power',
	'pole-resistance',
	'ac-voltage',
	'dc-voltage',
	'lamp'
];

/** Readings that a string of this build has. */
export function offersAt(string: StringRecord): readonly Offer[] {
	return AT_STRING.filter(({ quantity }) => {
		if (quantity === 'fuse-resistance') return string.fuse !== null;
		if (quantity === 'device-output') return modulesPerDevice(string) > 0;
		if (quantity === 'blocking-diode-forward') return string.blockingDiode === 'silicon';
		return true;
	});
}

/** Readings at what the strings share, of which the exercise knows what they show. */
export function sharedMeasurementPoints({ scenario }: Exercise): readonly MeasurementPoint[] {
	const all = [
		...AT_PARTS.flatMap((quantity) => measurementPointsOf(scenario.record, quantity)),
		measurementPointAt(scenario.record, { kind: 'array' }, 'cleaning-gain')
	];
	return all.filter((spot) => answerTest(scenario, spot, randomFrom(0)) !== null);
}

/** A reading that was taken: what the meter shows, and what it took. */
export interface Taken {
	readonly spot: MeasurementPoint;
	/** In the quantity's unit. */
	readonly value: number;
	/** Of work at a real array. */
	readonly minutes: number;
	readonly visit: Visit;
}

/** Minutes of a reading that nobody has put a time to. */
const USUAL_MINUTES = 3;

const minutesOf = ({ place, quantity }: Pick<MeasurementPoint, 'place' | 'quantity'>) =>
	testFactsOf(quantity, place)?.minutes ?? USUAL_MINUTES;

/**
 * Takes a reading: the figure that a first reading of a string brings home, mistakes of the hand
 * included; from then on, and everywhere else, the circuit's own with the meter's scatter.
 *
 * @returns null where the exercise has no such reading
 */
export function takeReading(
	{ scenario }: Exercise,
	visit: Visit,
	place: Place,
	quantity: Quantity
): Taken | null {
	const spot = measurementPointAt(scenario.record, place, quantity);
	const key = placeKey(place, quantity);
	const same = (one: { readonly place: Place; readonly quantity: Quantity }) =>
		placeKey(one.place, one.quantity) === key;
	const takes = visit.readings.filter(same).length;
	const first = takes === 0 ? scenario.visit.readings.find(same) : undefined;
	const random = randomFrom(hash(`${scenario.seed}/${key}/${takes}`));
	const value = first?.value ?? answerTest(scenario, spot, random);
	if (value === null) return null;
	const running = quantity === 'operating-current' && 'string' in place;
	const bus = running ? busVoltageAt(scenario, place.string) : null;
	return {
		spot,
		value,
		minutes: minutesOf(spot),
		visit: withAnswer(visit, spot, value, visit.readings.length + 1, bus)
	};
}

/** Open-circuit volts and running current of every string: the usual first round. */
export function firstRound({ scenario }: Exercise): readonly MeasurementPoint[] {
	return (['open-circuit-voltage', 'operating-current'] as const).flatMap((quantity) =>
		scenario.record.strings.map(({ id }) =>
			measurementPointAt(scenario.record, stringPlace(id), quantity)
		)
	);
}

/** What the usual first round takes, min. */
export function minutesOfFirstRound(exercise: Exercise): number {
	return firstRound(exercise).reduce((sum, spot) => sum + minutesOf(spot), 0);
}

/** FNV-1a, 32 bit: a seed from words (Fowler, Noll, Vo; public domain). */
function hash(words: string): number {
	let value = 0x811c9dc5;
	for (let i = 0; i < words.length; i++) value = Math.imul(value ^ words.charCodeAt(i), 0x01000193);
	return value >>> 0;
}
