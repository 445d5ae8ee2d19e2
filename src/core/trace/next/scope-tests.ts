import { placeWords } from '../../expectation/place-words';
import { QUANTITY_FACTS } from '../../expectation/quantity';
import { usualState } from '../../expectation/switching';
import type { Reading } from '../../expectation/visit';
import { cautionsFor, coldCeiling, MAKE_SAFE_FIRST, opensSomething } from '../../rules/cautions';
import type { ArrayRecord } from '../../record/record';
import { keyOfProbe } from '../link-evidence';
import type { GroupPosterior } from '../posterior';
import type { Scope, ScopeProbe } from '../scope';
import { causeWords, lowerFirst } from '../words';
import { informationOf, outcomesOf } from './information';
import type { ProposedTest } from './proposed-test';
import { DANGER, testFactsOf } from './test-facts';

/** Scopes with less chance than this are not asked about. */
const WORTH_ASKING = 0.02;
const WORTH_TAKING = 0.01;

/** Tests at the points of what several strings share, by the same measure as all others. */
export function scopeTests(
	record: ArrayRecord,
	posterior: GroupPosterior,
	scopes: readonly Scope[],
	standing: ReadonlyMap<string, Reading>
): ProposedTest[] {
	return scopes.flatMap((scope, i) => {
		const chance = posterior.scopes[i]!;
		if (chance < WORTH_ASKING) return [];
		return scope.probes.flatMap((probe) =>
			standing.has(keyOfProbe(probe))
				? []
				: (proposedAt(record, posterior, scope, chance, probe) ?? [])
		);
	});
}

function proposedAt(
	record: ArrayRecord,
	posterior: GroupPosterior,
	scope: Scope,
	chance: number,
	probe: ScopeProbe
): ProposedTest | null {
	const place = { kind: 'part', part: probe.part, point: probe.point } as const;
	const facts = testFactsOf(probe.quantity, place);
	if (!facts) return null;
	const links = [
		{ link: null, weight: 1 - chance },
		...scope.links.map(({ link, share }) => ({ link, weight: chance * share }))
	];
	const outcomes = outcomesOf(
		links.map(({ link, weight }) => {
			const { value, sigma } = probe.foretold(link);
			return { weight, value: value ?? 0, sigma };
		})
	);
	const information = informationOf(outcomes);
	if (information < WORTH_TAKING) return null;
	const { exposure, minutes, how, cautions = [] } = facts;
	const onLog = probe.quantity === 'pole-resistance';
	const longest = Math.max(...posterior.strings.map(({ case: one }) => one.string.moduleCount));
	const strings = scope.strings.map((s) => posterior.strings[s]!.case.string.label);
	return {
		key: keyOfProbe(probe),
		place,
		quantity: probe.quantity,
		state: usualState(probe.quantity),
		stringId: null,
		again: false,
		title: facts.title.replace('{place}', placeWords(record, place)),
		how: `${how} It concerns ${strings.length > 3 ? `${strings[0]!} to ${strings.at(-1)!}` : strings.join(', ')}.`,
		meter: QUANTITY_FACTS[probe.quantity].meter,
		exposure,
		minutes,
		information,
		score: information / (minutes * DANGER[exposure]),
		outcomes: outcomes
			.map(({ probability, low, high, of }) => ({
				words: of
					.map((index) => {
						const { link } = links[index]!;
						return link === null
							? `not “${lowerFirst(causeWords(scope.code))}”`
							: `${link.replaceAll('-', ' ')}`;
					})
					.join(', or '),
				probability,
				low: onLog ? 10 ** low : low,
				high: onLog ? 10 ** high : high,
				leaves: of.map((index) => (links[index]!.link === null ? 'healthy' : scope.code))
			}))
			.sort((a, b) => b.probability - a.probability),
		makeSafeFirst: opensSomething(exposure) ? MAKE_SAFE_FIRST : null,
		cautions: [
			...new Set([
				...cautions,
				...cautionsFor(exposure, coldCeiling(posterior.group.model.type.plate.voc, longest))
			])
		]
	};
}
