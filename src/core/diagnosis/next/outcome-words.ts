import { inSentence } from '../../units';
import { causeWords } from '../words';
import { runsInWords } from '../within';
import { offScale } from '../part-figures';
import { modulesAt } from '../suspect';
import type { StringPosterior } from '../posterior';
import type { Candidate } from './candidates';
import type { Outcome } from './information';
import type { Possible } from './possible';
import type { TestOutcome } from './proposed-test';

/** What an outcome leaves, in words, with the figures it stands for. */
export function outcomeInWords(
	{ case: { string, type } }: StringPosterior,
	possible: readonly Possible[],
	{ quantity }: Candidate,
	{ probability, low, high, of }: Outcome
): TestOutcome {
	const byCode = new Map<
		Possible['code'],
		{ weight: number; modules: Set<number>; all: boolean }
	>();
	for (const index of of) {
		const { code, suspect, probability: weight } = possible[index]!;
		const entry = byCode.get(code) ?? { weight: 0, modules: new Set<number>(), all: false };
		entry.weight += weight;
		if (suspect && suspect.fault.spread !== 'string' && suspect.fault.spread !== 'pole') {
			if (suspect.fault.spread === 'joint') entry.modules.add(Math.max(1, suspect.at));
			else {
				const [first, count] = modulesAt(suspect.fault.spread, suspect.at, { string, type });
				for (let m = first; m < first + count; m++) entry.modules.add(m + 1);
			}
		}
		byCode.set(code, entry);
	}
	const leaves = [...byCode]
		.filter(([, { weight }]) => weight > 0.02 * probability)
		.sort((a, b) => b[1].weight - a[1].weight);
	const words = leaves.slice(0, 3).map(([code, { modules }]) => {
		const where =
			modules.size > 0 && modules.size < string.moduleCount
				? ` at ${modules.size === 1 ? 'module' : 'modules'} ${runsInWords([...modules].sort((a, b) => a - b))}`
				: '';
		const name = code === 'healthy' ? 'this string is healthy' : inSentence(causeWords(code));
		return `${name}${where}`;
	});
	return {
		words: words.join(', or ') + (leaves.length > 3 ? ', or another' : ''),
		probability,
		low: offScale(quantity, low),
		high: offScale(quantity, high),
		leaves: leaves.map(([code]) => code)
	};
}
