import type { ExpectedValue } from '../expectation';
import type { Reading, StringQuantity } from '../visit';
import type { CountedDifference } from './difference';
import type { Grade, Verdict } from './verdict';

/** A quantity of a string, which is compared with the model of that string. */
interface StringMeasurement {
	readonly key: string;
	readonly stringId: string;
	readonly quantity: StringQuantity;
}

interface UnreadPlace extends StringMeasurement {
	readonly state: 'unread';
	/** What it should read, or why that is not known. */
	readonly outlook: { readonly expected: ExpectedValue } | { readonly reason: string };
}

interface NotAssessedPlace extends StringMeasurement {
	readonly state: 'not-assessed';
	readonly reading: Reading;
	/** Why there is nothing to compare it with. */
	readonly reason: string;
}

export interface JudgedPlace extends StringMeasurement {
	readonly state: 'judged';
	readonly reading: Reading;
	readonly expected: ExpectedValue;
	/** The worse of the reading's own and of {@link tracked}. */
	readonly verdict: Grade;
	/** Measured less expected, V or A. */
	readonly difference: number;
	/** The difference in standard deviations of a normal distribution. */
	readonly distance: number;
	/** The difference as a share of the expected value, 1; null where that is 0. */
	readonly relative: number | null;
	/** The difference in modules and substrings; null where it is not one of open-circuit voltage, or devices hold it down. */
	readonly counted: CountedDifference | null;
	/** Of an operating current, where the string is alone on its tracker: the voltage it flowed at. Null elsewhere. */
	readonly tracked: TrackedVerdict | null;
}

/** The operating voltage of a string alone on its tracker against the maximum of a healthy one. */
export interface TrackedVerdict {
	/** V */
	readonly measured: number;
	readonly expected: number;
	readonly standardUncertainty: number;
	/** In standard deviations of a normal distribution. */
	readonly distance: number;
	readonly verdict: Grade;
}

/** A place that was read, whether or not there is anything to compare it with. */
export type ReadPlace = NotAssessedPlace | JudgedPlace;

/** What is said of one quantity of one string. */
export type PlaceResult = UnreadPlace | ReadPlace;

export const isRead = (place: PlaceResult): place is ReadPlace => place.state !== 'unread';

/** The verdict on a place; null where nothing is read yet. */
export function verdictAt(place: ReadPlace): Verdict;
export function verdictAt(place: PlaceResult): Verdict | null;
export function verdictAt(place: PlaceResult): Verdict | null {
	if (place.state === 'unread') return null;
	return place.state === 'judged' ? place.verdict : 'not-assessed';
}

/** What a place should read; null where that is not known. */
export function expectedAt(place: PlaceResult): ExpectedValue | null {
	if (place.state === 'judged') return place.expected;
	return place.state === 'unread' && 'expected' in place.outlook ? place.outlook.expected : null;
}

/** Why nothing is expected at a place; null where something is. */
export function reasonAt(place: PlaceResult): string | null {
	if (place.state === 'not-assessed') return place.reason;
	return place.state === 'unread' && 'reason' in place.outlook ? place.outlook.reason : null;
}

/** What was read at a place; null where nothing was. */
export function readingAt(place: PlaceResult): Reading | null {
	return place.state === 'unread' ? null : place.reading;
}
