import {
	isRunning,
	type Meter,
	type Place,
	QUANTITY_FACTS,
	type Reading,
	stringOfPlace,
	type Visit
} from '../visit';
import { type ArrayRecord, type StringRecord, typesInString } from '../record';
import { coldCeiling } from './cautions';
import { coldStringVoltage } from '../design-checks';

/** The most a place can show, and where that comes from. */
export interface PlaceVoltage {
	readonly voltage: number;
	readonly words: string;
}

/** Cold volts of a string: by the site's lowest temperature, or as in the hardest frost where that is not known. */
function coldVoltageOf(record: ArrayRecord, string: StringRecord): PlaceVoltage | null {
	const types = typesInString(string);
	const cold = coldStringVoltage(types, record.moduleTypes, record.rules);
	if (cold !== null) {
		return { voltage: cold, words: `${string.label} at ${record.rules.lowest} °C` };
	}
	const vocs = types.map((id) => record.moduleTypes.find((type) => type.id === id)?.plate.voc);
	if (vocs.some((voc) => voc === undefined)) return null;
	const label = vocs.reduce<number>((sum, voc) => sum + voc!, 0);
	return {
		voltage: coldCeiling(label, 1),
		words: `${string.label} in hard frost, nameplate Voc × 1.25: the site’s lowest temperature is not recorded`
	};
}

/** The most that stands anywhere on the DC side, V; null where no string's can be told. */
export function highestColdVoltage(record: ArrayRecord): PlaceVoltage | null {
	const all = record.strings.flatMap((string) => coldVoltageOf(record, string) ?? []);
	return all.reduce<PlaceVoltage | null>(
		(most, one) => (most === null || one.voltage > most.voltage ? one : most),
		null
	);
}

/** Cold volts that a meter at a place has to bear. */
function voltageAtPlace(record: ArrayRecord, place: Place): PlaceVoltage | null {
	const id = stringOfPlace(place);
	const string = record.strings.find((candidate) => candidate.id === id);
	return string ? coldVoltageOf(record, string) : highestColdVoltage(record);
}

const METER_WORDS = {
	volts: 'The meter, its leads or probes are',
	amps: 'The clamp meter is'
} as const;

/** Why a meter may not go on volts of so much, in words; null where nothing speaks against it. */
export function meterProblem(
	which: 'volts' | 'amps',
	{ ratedVolts: ratedVoltage, category }: Pick<Meter, 'ratedVolts' | 'category'>,
	most: PlaceVoltage
): string | null {
	const needed = Math.ceil(most.voltage);
	if (ratedVoltage !== null && ratedVoltage < needed) {
		return `${METER_WORDS[which]} rated for ${ratedVoltage} V DC; up to ${needed} V can be present here (${most.words}). Do not connect it: use test equipment rated for ${needed} V or more.`;
	}
	if (category !== null && category < 3) {
		return `${METER_WORDS[which]} of CAT II. At an array CAT III is the minimum, at the service CAT IV (IEC 61010-2-030, clause not verified).`;
	}
	return null;
}

/** Quantities that are read with nothing live under the probes, or with another instrument. */
function isLive({ quantity, state }: Pick<Reading, 'quantity' | 'state'>): boolean {
	const { unit } = QUANTITY_FACTS[quantity];
	if (unit === 'V') return !quantity.startsWith('diode') && quantity !== 'ac-voltage';
	return (
		unit === 'A' && (state === null || isRunning(state) || quantity !== 'short-circuit-current')
	);
}

/**
 * Why a reading is refused for the test equipment it would be taken with; null where it is not.
 *
 * A rating that nobody read refuses nothing here: making safe asks for it before a cover is opened.
 */
export function testEquipmentProblem(
	record: ArrayRecord,
	meters: Visit['meters'],
	reading: Pick<Reading, 'place' | 'quantity' | 'state'>
): string | null {
	if (!isLive(reading)) return null;
	const most = voltageAtPlace(record, reading.place);
	if (!most) return null;
	const which = QUANTITY_FACTS[reading.quantity].unit === 'A' ? 'amps' : 'volts';
	return meterProblem(which, meters[which], most);
}
