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
import { type IsolationMessage, say } from './messages';
import { coldStringVoltage } from '../design-checks';

/** The most a place can show, and where that comes from. */
export interface PlaceVoltage {
	readonly voltage: number;
	readonly place: IsolationMessage;
}

/** Cold volts of a string: by the site's lowest temperature, or as in the hardest frost where that is not known. */
function coldVoltageOf(record: ArrayRecord, string: StringRecord): PlaceVoltage | null {
	const types = typesInString(string);
	const cold = coldStringVoltage(types, record.moduleTypes, record.rules);
	if (cold !== null) {
		return {
			voltage: cold,
			place: say('isolation.place.coldest', { string: string.label, lowest: record.rules.lowest! })
		};
	}
	const vocs = types.map((id) => record.moduleTypes.find((type) => type.id === id)?.plate.voc);
	if (vocs.some((voc) => voc === undefined)) return null;
	const label = vocs.reduce<number>((sum, voc) => sum + voc!, 0);
	return {
		voltage: coldCeiling(label, 1),
		place: say('isolation.place.hard-frost', { string: string.label })
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

const EQUIPMENT = { volts: 'meter', amps: 'clamp' } as const;

/** Why a meter must not be connected to so much voltage; null where nothing forbids it. */
export function meterProblem(
	which: 'volts' | 'amps',
	{ ratedVolts: ratedVoltage, category }: Pick<Meter, 'ratedVolts' | 'category'>,
	{ voltage, place }: PlaceVoltage
): IsolationMessage | null {
	const needed = Math.ceil(voltage);
	if (ratedVoltage !== null && ratedVoltage < needed) {
		return say(`isolation.rating.${EQUIPMENT[which]}`, { rated: ratedVoltage, needed, place });
	}
	if (category !== null && category < 3) {
		return say(`isolation.category.${EQUIPMENT[which]}`);
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
): IsolationMessage | null {
	if (!isLive(reading)) return null;
	const most = voltageAtPlace(record, reading.place);
	if (!most) return null;
	const which = QUANTITY_FACTS[reading.quantity].unit === 'A' ? 'amps' : 'volts';
	return meterProblem(which, meters[which], most);
}
