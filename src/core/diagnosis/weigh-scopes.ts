import type { Shift } from '../expectation';
import { rightDensity, wrongDensity } from './evidence';
import type { LocatedWeight } from './located';
import type { BusEvidence, Scope, ScopePredictions } from './scope';
import { aloneOnTracker, type StringCase } from './string-case';

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

/** Density of everything read at the strings of a scope if it is at fault, over their sum by themselves. */
export type ScopeRatios = (
	totals: readonly number[],
	/** Chance that each string carries no current by a fault of its own. */
	noCurrent: readonly number[],
	frequency: number
) => ScopeWeights;

/**
 * Scopes are rare, so at most one is taken to be at fault at a time in the strings it holds; scopes
 * without a string in common are independent, which the sum over single ones is close to.
 *
 * @returns what they weigh, given the density of every string's readings by itself and how frequent faults are
 */
export function weighScopes(
	scopes: readonly Scope[],
	predictReading: readonly ScopePredictions[],
	cases: readonly StringCase[],
	located: readonly (readonly LocatedWeight[] | null)[],
	buses: readonly BusEvidence[],
	{ irradiance, cellTemperature }: Shift
): ScopeRatios {
	const priors = scopes.reduce((sum, { prior }) => sum + prior, 0);
	const densities = scopes.map((scope, i) =>
		scope.strings.map((s) => {
			const { readings } = cases[s]!;
			return readings.reduce(
				(density, { item, atVoltage, repeated }) => {
					const f = predictReading[i]!(s, item, atVoltage, irradiance, cellTemperature);
					return (
						density * (rightDensity(item.measured, f) + repeated * wrongDensity(item.measured, f))
					);
				},
				(located[s]?.[0]!.mean ?? 1) * (aloneOnTracker(cases[s]!) ? scope.trackedDensity(s) : 1)
			);
		})
	);
	return (totals, noCurrent, frequency) => {
		/** By the strings' own faults: an input is dead where every one of its strings is. */
		const byStrings = buses.map(({ strings, deadOverRunning }) => {
			const dead = strings.reduce((product, s) => product * noCurrent[s]!, 1);
			return 1 - dead + dead * deadOverRunning;
		});
		const busesBut = (accounted: readonly string[]) =>
			buses.reduce(
				(product, { input }, b) => (accounted.includes(input) ? product : product * byStrings[b]!),
				1
			);
		const ratios = scopes.map((scope, i) => {
			let ratio = Math.min(frequency * scope.prior, 0.5) * scope.own * busesBut(scope.buses);
			scope.strings.forEach((s, k) => (ratio *= densities[i]![k]! / totals[s]!));
			return ratio;
		});
		const none = Math.max(1 - frequency * priors, 0.5) * busesBut([]);
		const factor = ratios.reduce((sum, ratio) => sum + ratio, none);
		const chances = ratios.map((ratio) => ratio / factor);
		const held = cases.map((_, s) =>
			scopes.reduce((sum, scope, i) => (scope.strings.includes(s) ? sum + chances[i]! : sum), 0)
		);
		return { factor, none: none / factor, chances, held };
	};
}
