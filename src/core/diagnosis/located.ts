import type { Quantity, Reading } from '../visit';
import type { Fault, StringFaultCode } from '../faults';
import type { EarthDensities } from './earth-evidence';
import { rightDensity, wrongDensity, type Predicted } from './evidence';
import { predictAt } from './predict-at';
import type { ConditionsAtString } from './here';
import { onScale } from './part-figures';
import type { StringClass } from './string-class';
import { placesOf } from './suspect';

/** What the readings at single places of one string say. */
export interface LocatedEvidence {
	readonly here: ConditionsAtString;
	readonly readings: readonly Reading[];
	/** Poles to earth; null where neither was read. */
	readonly earth: EarthDensities | null;
	/** The readings behind it. */
	readonly earthRead: EarthReadings;
}

/** Density of all located readings under a class: on average over its places, and at each of them. */
export interface LocatedWeight {
	readonly mean: number;
	/** [places of the class's first fault]; empty where they cannot be told apart. */
	readonly at: readonly number[];
}

/**
 * Density of one reading under what is predicted of it; 1 where nothing is.
 *
 * @param repeated by what a mistake is less likely for having been taken more than once, 0 to 1
 */
export function densityOf(
	reading: Pick<Reading, 'quantity' | 'value'>,
	predicted: Predicted | null,
	repeated = 1
): number {
	if (!predicted) return 1;
	const measured = onScale(reading);
	return rightDensity(measured, predicted) + repeated * wrongDensity(measured, predicted);
}

/** Quantities that tell of a few faults alone; all others are asked of every fault. */
const TELLS: Readonly<Partial<Record<Quantity, readonly StringFaultCode[]>>> = {
	'fuse-resistance': ['fuse-blown', 'connector-reversed'],
	'fuse-rating': ['fuse-wrong-rating'],
	'stretch-step': ['module-degraded'],
	'joint-rise': ['connector-resistive'],
	'joint-resistance': ['connector-resistive', 'connector-open'],
	'module-count': ['module-missing', 'module-extra'],
	'shade-seen': ['shade'],
	'cleaning-gain': ['soiling'],
	'blocking-diode-forward': ['blocking-diode-open', 'blocking-diode-shorted'],
	'blocking-diode-reverse': ['blocking-diode-shorted'],
	'volts-after-shutdown': ['rsd-device-stuck-on'],
	'insulation-resistance': ['earth-fault']
};

const isOpen = (code: Fault['code']) => code === 'connector-open' || code === 'module-open';

/** Whether a fault changes what any of the readings shows. */
function touches({ code }: Fault, { readings, earth }: LocatedEvidence): boolean {
	return (
		(earth !== null && (code === 'earth-fault' || code === 'connector-reversed' || isOpen(code))) ||
		readings.some(({ quantity }) => TELLS[quantity]?.includes(code) ?? true)
	);
}

/** Density of all located readings of a whole string. */
export function soundWeight({ here, readings, earth }: LocatedEvidence): number {
	return readings.reduce(
		(product, reading) => product * densityOf(reading, predictAt(reading, null, here)),
		earth?.sound ?? 1
	);
}

/** Chance that a reading is wrong, given what is predicted of it. */
export function chanceWrong(
	reading: Pick<Reading, 'quantity' | 'value'>,
	predicted: Predicted,
	repeated = 1
): number {
	const measured = onScale(reading);
	const wrong = repeated * wrongDensity(measured, predicted);
	return wrong / (rightDensity(measured, predicted) + wrong);
}

/**
 * Weighs a class by the readings at single places. Of two faults at once the first is the one that is
 * looked for; the second is taken to sit elsewhere.
 */
export function weighLocated(
	{ faults }: StringClass,
	evidence: LocatedEvidence,
	sound: number
): LocatedWeight {
	const { here, readings, earth } = evidence;
	const [first] = faults;
	// Most classes predict what a whole string would show at every place that was read.
	if (!first || !touches(first.fault, evidence)) return { mean: sound, at: [] };
	const places = placesOf(first.fault.spread, here);
	const at = Array.from({ length: places }, (_, place) => {
		const suspect = { ...first, at: place };
		const split = earth === null ? 1 : splitUnder(first.fault, earth, place);
		return readings.reduce(
			(product, reading) => product * densityOf(reading, predictAt(reading, suspect, here)),
			split
		);
	});
	return { mean: at.reduce((sum, weight) => sum + weight, 0) / Math.max(places, 1), at };
}

function splitUnder({ code }: Fault, earth: EarthDensities, place: number): number {
	if (code === 'earth-fault') return earth.faulty[place]!;
	if (isOpen(code)) return earth.open;
	return code === 'connector-reversed' ? earth.swapped : earth.sound;
}

/** Readings of both poles of a string to earth. */
export interface EarthReadings {
	readonly positive: Reading | null;
	readonly negative: Reading | null;
}

/** Both poles of a string to earth among its standing readings. */
export function earthReadOf(readings: readonly Reading[]): EarthReadings {
	const read = (quantity: Reading['quantity']) =>
		readings.find((reading) => reading.quantity === quantity) ?? null;
	return { positive: read('positive-to-earth'), negative: read('negative-to-earth') };
}

/** Chance that every reading at a single place of a healthy string is right. */
export function allRight({ here, readings, earth }: LocatedEvidence): number {
	return readings.reduce(
		(product, reading) => {
			const predicted = predictAt(reading, null, here);
			return predicted ? product * (1 - chanceWrong(reading, predicted)) : product;
		},
		earth ? (1 - earth.wrong.positive) * (1 - earth.wrong.negative) : 1
	);
}
