import { inSentence } from '../../units';
import { type ArrayRecord, labelRanges } from '../../record';
import { type Reading, usualState } from '../../visit';
import { coldCeiling } from '../../isolation';
import { keyOfProbe } from '../link-evidence';
import type { GroupPosterior } from '../posterior';
import type { Scope, ScopeProbe } from '../scope';
import { causeWords } from '../words';
import { oneTest, type Named } from './one-test';
import type { ProposedTest } from './proposed-test';

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
	const links: readonly { readonly link: string | null; readonly weight: number }[] = [
		{ link: null, weight: 1 - chance },
		...scope.links.map(({ link, share }) => ({ link, weight: chance * share }))
	];
	const possibilities = links.map(({ link, weight }): Named => {
		const { value, sigma } = probe.predicted(link);
		return {
			weight,
			value: value ?? 0,
			sigma,
			words:
				link === null ? `not “${inSentence(causeWords(scope.code))}”` : link.replaceAll('-', ' '),
			leaves: [link === null ? 'healthy' : scope.code]
		};
	});
	const longest = Math.max(...posterior.strings.map(({ case: one }) => one.string.moduleCount));
	const strings = scope.strings.map((s) => posterior.strings[s]!.case.string.label);
	return oneTest({
		record,
		place: { kind: 'part', part: probe.part, point: probe.point },
		quantity: probe.quantity,
		state: usualState(probe.quantity),
		possibilities,
		stringId: null,
		called: null,
		besides: `It concerns ${labelRanges(record, strings)}.`,
		least: WORTH_TAKING,
		ceiling: coldCeiling(posterior.group.model.type.plate.voc, longest)
	});
}
