import { inSentence } from '../../units';
import {
	type Place,
	placeKey,
	placeWords,
	type Quantity,
	QUANTITY_FACTS,
	type SwitchingState
} from '../../visit';
import type { CauseCode } from '../../faults';
import type { ArrayRecord } from '../../record';
import { cautionsFor, opensSomething } from '../../isolation';
import { offScale } from '../part-figures';
import { informationOf, outcomesOf, type Possibility } from './information';
import type { ProposedTest } from './proposed-test';
import { DANGER, testFactsOf } from './test-facts';

/** One thing that may be so, with the words for it and the causes it leaves. */
export interface Named extends Possibility {
	readonly words: string;
	readonly leaves: readonly CauseCode[];
}

interface OneTest {
	readonly record: ArrayRecord;
	readonly place: Place;
	readonly quantity: Quantity;
	readonly state: SwitchingState;
	readonly possibilities: readonly Named[];
	/** The string it is of; null where it is of a part that several share. */
	readonly stringId: string | null;
	/** What the place is called where its own words would not do; null where they do. */
	readonly called: string | null;
	/** Said after how it is done; empty where nothing is. */
	readonly besides: string;
	/** Bits below which it is not proposed. */
	readonly least: number;
	/** The most voltage that can be present there, V. */
	readonly ceiling: number;
	/** A figure that stands is taken again. */
	readonly again?: boolean;
}

/** A test at one place between few things that may be so; null where it would tell too little. */
export function oneTest(test: OneTest): ProposedTest | null {
	const { record, place, quantity, state, possibilities, stringId, called, besides } = test;
	const { again = false } = test;
	const facts = testFactsOf(quantity, place);
	if (!facts) return null;
	const outcomes = outcomesOf(possibilities);
	const information = informationOf(outcomes);
	if (information < test.least) return null;
	const { exposure, minutes, how, cautions = [] } = facts;
	const title = facts.title.replace('{place}', called ?? placeWords(record, place));
	return {
		key: placeKey(place, quantity),
		place,
		quantity,
		state,
		stringId,
		again,
		title: again ? `Again: ${inSentence(title)}` : title,
		how: besides === '' ? how : `${how} ${besides}`,
		meter: QUANTITY_FACTS[quantity].meter,
		exposure,
		minutes,
		information,
		score: information / (minutes * DANGER[exposure]),
		outcomes: outcomes
			.map(({ probability, low, high, of }) => ({
				words: of.map((index) => possibilities[index]!.words).join(', or '),
				probability,
				low: offScale(quantity, low),
				high: offScale(quantity, high),
				leaves: of.flatMap((index) => possibilities[index]!.leaves)
			}))
			.sort((a, b) => b.probability - a.probability),
		isolateFirst: opensSomething(exposure),
		cautions: [...new Set([...cautions, ...cautionsFor(exposure, test.ceiling)])]
	};
}
