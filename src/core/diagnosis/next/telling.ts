import { isStringQuantity, QUANTITY_FACTS, type Reading } from '../../visit';
import type { ArrayRecord } from '../../record';
import type { Predicted } from '../evidence';
import { predictAt } from '../predict-at';
import type { GroupPosterior, StringPosterior } from '../posterior';
import { predictUnder, spreadOf } from '../string-table';
import type { Candidate } from './candidates';
import { entropy, informationOf, outcomesOf } from './information';
import { outcomeInWords } from './outcome-words';
import type { Possible } from './possible';
import type { TestOutcome } from './proposed-test';

/** A test that tells less than this is not proposed, bit. */
const WORTH_TAKING = 0.01;

/** What proposing asks of a group. */
export interface NextBasis {
	readonly record: ArrayRecord;
	readonly posterior: GroupPosterior;
	readonly standing: ReadonlyMap<string, Reading>;
	/** Volts at which a string's running current would be read, by string. */
	readonly atVoltage: (stringId: string) => number | null;
}

/** What a test is expected to tell, and its outcomes when they are asked for. */
export interface TestInformation {
	readonly information: number;
	readonly again: boolean;
	readonly outcomes: () => readonly TestOutcome[];
}

/** A figure that is wrong by some chance: taken again it shows whether it was. */
export function repeatMeasurement(
	string: StringPosterior,
	candidate: Candidate,
	before: Reading
): TestInformation | null {
	const wrong = string.wrongReading.get(before.id) ?? 0;
	const information = entropy([wrong, 1 - wrong]);
	if (information < 4 * WORTH_TAKING) return null;
	const { unit } = QUANTITY_FACTS[candidate.quantity];
	const outcomes = [
		{
			words: 'The first figure was wrong and is replaced',
			probability: wrong,
			low: null,
			high: null,
			leaves: []
		},
		{
			words: `As before, near ${before.value} ${unit}: the fault is in the array`,
			probability: 1 - wrong,
			low: before.value,
			high: before.value,
			leaves: []
		}
	];
	return { information, again: true, outcomes: () => outcomes };
}

/** A reading that was not taken yet: the outcomes that part what may be so. */
export function measured(
	basis: NextBasis,
	string: StringPosterior,
	possible: readonly Possible[],
	candidate: Candidate
): TestInformation | null {
	const alike = new Map<number, { value: number; sigma: number; weight: number; of: number[] }>();
	const predictReading = predictorOf(basis, string, candidate);
	for (let index = 0; index < possible.length; index++) {
		const one = possible[index]!;
		const predicted = predictReading(one);
		if (!predicted || predicted.value === null) continue;
		const { value, sigma } = predicted;
		const key = Math.round(value * 1e4) + sigma;
		const known = alike.get(key);
		if (known) {
			known.weight += one.probability;
			known.of.push(index);
		} else alike.set(key, { value, sigma, weight: one.probability, of: [index] });
	}
	// Most of what may be so shows the same at one place; it is one possibility there.
	const distinct = [...alike.values()];
	if (distinct.length < 2) return null;
	const outcomes = outcomesOf(distinct);
	const information = informationOf(outcomes);
	if (information < WORTH_TAKING) return null;
	return {
		information,
		again: false,
		outcomes: () =>
			outcomes.map((outcome) => {
				const of = outcome.of.flatMap((index) => distinct[index]!.of);
				return outcomeInWords(string, possible, candidate, { ...outcome, of });
			})
	};
}

/** Predicts one reading; of a whole string each class is solved once. */
function predictorOf(
	{ posterior, atVoltage }: NextBasis,
	{ case: { string, here } }: StringPosterior,
	{ place, quantity, state }: Candidate
): (one: Possible) => Predicted | null {
	if (place.kind !== 'string' || !isStringQuantity(quantity)) {
		return ({ suspect }) => predictAt({ place, quantity, state }, suspect, here);
	}
	const { group, best } = posterior;
	const voltage = quantity === 'operating-current' ? atVoltage(string.id) : null;
	if (quantity === 'operating-current' && voltage === null) return () => null;
	const known = new Map<number, Predicted | null>();
	return ({ of, index }) => {
		const solved = known.get(index);
		if (solved !== undefined) return solved;
		const prediction = predictUnder(of, group, string, quantity, voltage, best);
		const predicted = prediction && {
			value: prediction.value,
			sigma: spreadOf(group, string, quantity, voltage, prediction),
			scale: 1
		};
		known.set(index, predicted);
		return predicted;
	};
}
