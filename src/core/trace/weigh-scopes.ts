import type { Shift } from '../expectation/siblings';
import { rightDensity, wrongDensity } from './evidence';
import type { LocatedWeight } from './located';
import type { Scope, ScopeForetells } from './scope';
import type { StringCase } from './string-case';
import type { StringWeight } from './weigh-string';

/** What scopes weigh at one light and heat. */
export interface ScopeWeights {
	/** By what the likelihood grows over that of the strings alone. */
	readonly factor: number;
	/** Chance that no scope is at fault. */
	readonly none: number;
	readonly chances: readonly number[];
	/** Per string: chance that some scope holds it. */
	readonly held: readonly number[];
}

/**
 * Scopes are rare, so at most one is taken to be at fault at a time in the strings it holds; scopes
 * without a string in common are independent, which the sum over single ones is close to.
 */
export function weighScopes(
	scopes: readonly Scope[],
	foretell: readonly ScopeForetells[],
	cases: readonly StringCase[],
	located: readonly (readonly LocatedWeight[] | null)[],
	strings: readonly StringWeight[],
	{ light, heat }: Shift
): ScopeWeights {
	if (scopes.length === 0) {
		return { factor: 1, none: 1, chances: [], held: cases.map(() => 0) };
	}
	const priors = scopes.reduce((sum, { prior }) => sum + prior, 0);
	const ratios = scopes.map((scope, i) => {
		let ratio = scope.prior * scope.own;
		for (const s of scope.strings) {
			const { readings } = cases[s]!;
			let density = located[s]?.[0]!.mean ?? 1;
			for (const { item, atVolts, repeated } of readings) {
				const f = foretell[i]!(s, item, atVolts, light, heat);
				density *= rightDensity(item.measured, f) + repeated * wrongDensity(item.measured, f);
			}
			ratio *= density / strings[s]!.total;
			if (ratio < 1e-200) break;
		}
		return ratio;
	});
	const none = Math.max(1 - priors, 0.5);
	const factor = ratios.reduce((sum, ratio) => sum + ratio, none);
	const chances = ratios.map((ratio) => ratio / factor);
	const held = cases.map((_, s) =>
		scopes.reduce((sum, scope, i) => (scope.strings.includes(s) ? sum + chances[i]! : sum), 0)
	);
	return { factor, none: none / factor, chances, held };
}
