import type { JudgedPlace, PlaceResult } from '$core/assessment';
import { stringKey, type StringQuantity } from '$core/visit';

/** What is said of one quantity of a string. */
export function placeAt(
	places: readonly PlaceResult[],
	stringId: string,
	quantity: StringQuantity = 'open-circuit-voltage'
): PlaceResult {
	const key = stringKey(stringId, quantity);
	const place = places.find((candidate) => candidate.key === key);
	if (!place) throw new Error(`there is no place ${key}`);
	return place;
}

/** A place that has to have a verdict. */
export function judged(place: PlaceResult): JudgedPlace {
	if (place.state !== 'judged') throw new Error(`${place.key} is ${place.state}`);
	return place;
}
