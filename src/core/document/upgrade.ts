import { STRING_QUANTITIES, stringPlace, usualState } from '../visit';
import { VERSION } from './visit';

/** A reading up to version 2: always of a whole string, in one of three states by name. */
interface FormerReading {
	readonly stringId?: unknown;
	readonly quantity?: unknown;
	readonly switchingState?: unknown;
}

/**
 * Version 3 of a visit file: readings name their place, and the whole switching state in the place of
 * its name. What is malformed is left as it is, for the schema to refuse in words.
 */
export function upgradeReadings(data: object): object {
	const { visit } = data as { visit?: { readings?: unknown } | null };
	const readings = visit?.readings;
	const upgraded = Array.isArray(readings) ? readings.map(upgradeReading) : readings;
	return { ...data, version: VERSION, visit: visit && { ...visit, readings: upgraded } };
}

function upgradeReading(reading: unknown): unknown {
	if (typeof reading !== 'object' || reading === null) return reading;
	const { stringId, switchingState: _, ...rest } = reading as FormerReading;
	const quantity = STRING_QUANTITIES.find((name) => name === rest.quantity);
	if (typeof stringId !== 'string' || !quantity) return reading;
	return { ...rest, place: stringPlace(stringId), state: usualState(quantity) };
}
