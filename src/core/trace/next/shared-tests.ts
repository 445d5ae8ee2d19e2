import { placeKey } from '../../expectation/place';
import { placeWords } from '../../expectation/place-words';
import { QUANTITY_FACTS } from '../../expectation/quantity';
import { usualState } from '../../expectation/switching';
import type { Reading } from '../../expectation/visit';
import { cautionsFor } from '../../rules/cautions';
import type { ArrayRecord } from '../../record/record';
import type { GroupPosterior } from '../posterior';
import { foretoldGain } from '../common-causes';
import { informationOf, outcomesOf } from './information';
import type { ProposedTest } from './proposed-test';
import { DANGER, testFactsOf } from './test-facts';

const WORTH_TAKING = 0.05;
const PLACE = { kind: 'array' } as const;
const QUANTITY = 'cleaning-gain';

/** Where all strings are low alike: cleaning one of them parts dirt from wrong conditions. */
export function sharedTests(
	record: ArrayRecord,
	{ shared, best }: GroupPosterior,
	standing: ReadonlyMap<string, Reading>
): ProposedTest[] {
	const key = placeKey(PLACE, QUANTITY);
	const facts = testFactsOf(QUANTITY, PLACE);
	if (!facts || standing.has(key)) return [];
	const outcomes = outcomesOf([
		{ weight: shared.soiling, ...foretoldGain(best, true) },
		{ weight: 1 - shared.soiling, ...foretoldGain(best, false) }
	]);
	const information = informationOf(outcomes);
	if (information < WORTH_TAKING) return [];
	const { exposure, minutes, how } = facts;
	return [
		{
			key,
			place: PLACE,
			quantity: QUANTITY,
			state: usualState('operating-current'),
			stringId: null,
			again: false,
			title: facts.title.replace('{place}', `one string of ${placeWords(record, PLACE)}`),
			how,
			meter: QUANTITY_FACTS[QUANTITY].meter,
			exposure,
			minutes,
			information,
			score: information / (minutes * DANGER[exposure]),
			outcomes: outcomes.map(({ probability, low, high, of }) => ({
				words: of.includes(0)
					? 'dirt on all strings'
					: 'light or heat not as stated, or the record of the modules',
				probability,
				low,
				high,
				leaves: of.includes(0) ? ['soiling'] : ['conditions-wrong', 'healthy']
			})),
			makeSafeFirst: null,
			cautions: cautionsFor(exposure, 0)
		}
	];
}
