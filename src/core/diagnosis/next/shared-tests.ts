import { placeKey, placeWords, type Reading, usualState } from '../../visit';
import type { ArrayRecord } from '../../record';
import type { GroupPosterior } from '../posterior';
import { predictedGain } from '../common-causes';
import { oneTest } from './one-test';
import type { ProposedTest } from './proposed-test';

const WORTH_TAKING = 0.05;
const PLACE = { kind: 'array' } as const;
const QUANTITY = 'cleaning-gain';

/** Where all strings are low alike: cleaning one of them parts soiling from wrong conditions. */
export function sharedTests(
	record: ArrayRecord,
	{ shared, best }: GroupPosterior,
	standing: ReadonlyMap<string, Reading>
): ProposedTest[] {
	if (standing.has(placeKey(PLACE, QUANTITY))) return [];
	const test = oneTest({
		record,
		place: PLACE,
		quantity: QUANTITY,
		state: usualState('operating-current'),
		possibilities: [
			{
				weight: shared.soiling,
				...predictedGain(best, true),
				words: 'soiling on all strings',
				leaves: ['soiling']
			},
			{
				weight: 1 - shared.soiling,
				...predictedGain(best, false),
				words: 'irradiance or cell temperature not as stated, or the record of the modules',
				leaves: ['conditions-wrong', 'healthy']
			}
		],
		stringId: null,
		called: `one string of ${placeWords(record, PLACE)}`,
		besides: '',
		least: WORTH_TAKING,
		ceiling: 0
	});
	return test ? [test] : [];
}
