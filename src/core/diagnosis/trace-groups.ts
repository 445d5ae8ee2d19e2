import {
	type EffectiveVisit,
	findCurrentReadings,
	measurementsOf,
	placeKey,
	type Reading
} from '../visit';
import { type ArrayRecord, partsOf } from '../record';
import { atSameIrradiance, type PeerGroup } from '../expectation';
import { speaksAgainstConditions } from './common-causes';
import { faultFrequencies } from './fault-frequencies';
import { casesOf, inputVoltage, type InputVoltage } from './cases';
import { groupPosterior, type GroupPosterior } from './posterior';
import type { StringCase } from './string-case';
import { ratesAfterMessage } from './message';
import type { Scope } from './scope';
import { busEvidence, scopesOf } from './scopes';

/** A group with all that was weighed of it. */
export interface Traced {
	readonly posterior: GroupPosterior;
	readonly scopes: readonly Scope[];
	readonly inputs: ReadonlyMap<string, InputVoltage>;
}

/** Weighs every group of comparable strings in which anything was read. */
export function traceGroups(
	record: ArrayRecord,
	visit: EffectiveVisit,
	groups: readonly PeerGroup[]
): Traced[] {
	const standing = findCurrentReadings(visit);
	const rates = ratesAfterMessage(record.rates, visit.inverterSays);
	const prepared = groups.flatMap((group) => {
		const inputs = inputVoltage(group, standing);
		const cases = casesOf({
			record,
			group,
			groups,
			standing,
			rates,
			inputs,
			takes: (key) => measurementsOf(visit, key)
		});
		if (cases.every(({ readings, located }) => readings.length === 0 && !located)) return [];
		const scopes = scopesOf({
			record,
			group,
			groups,
			cases,
			standing,
			rates,
			inputs,
			acPower: acReadingOf(record, standing)?.power ?? null
		});
		return [{ group, cases, scopes, inputs, buses: busEvidence(cases, inputs) }];
	});
	const cleaningGain = standing.get(placeKey({ kind: 'array' }, 'cleaning-gain'))?.value ?? null;
	const frequencies = faultFrequencies(visit.purpose, faultsExpected(prepared));
	const weigh = (
		{ group, cases, scopes, buses }: (typeof prepared)[number],
		againstConditions: number
	) =>
		groupPosterior(group, cases, scopes, { cleaningGain, againstConditions, frequencies }, buses);
	const alone = prepared.map((one) => weigh(one, 0));
	if (prepared.length === 1) {
		const [{ scopes, inputs }] = prepared as [(typeof prepared)[number]];
		return [{ posterior: alone[0]!, scopes, inputs }];
	}
	// Strings of another type stand in the same light: what they say of it counts here too.
	const said = alone.map(({ shared }) => speaksAgainstConditions(shared));
	return prepared.map((one, i): Traced => {
		const others = said.reduce(
			(sum, say, other) =>
				other === i || !atSameIrradiance(prepared[other]!.group, one.group) ? sum : sum + say,
			0
		);
		const scopes = one.scopes.map((scope) => ({
			...scope,
			prior: scope.prior * supportElsewhere(scope, i, prepared, alone)
		}));
		const posterior = weigh({ ...one, scopes }, others);
		return { posterior, scopes, inputs: one.inputs };
	});
}

/** Faults that are met at the usual rates in the strings that were read, and in what they share. */
function faultsExpected(
	prepared: readonly { readonly cases: readonly StringCase[]; readonly scopes: readonly Scope[] }[]
): number {
	return prepared.reduce(
		(sum, { cases, scopes }) =>
			sum +
			cases.reduce(
				(faults, { classes: [, ...faulty] }) =>
					faulty.reduce((priors, { prior }) => priors + prior, faults),
				0
			) +
			scopes.reduce((faults, { prior }) => faults + prior, 0),
		0
	);
}

/** An exchange is no likelier than this before its readings are weighed, whatever the other string says. */
const MOST_SUPPORT = 50;

/** By how much the readings of another group speak for an exchange with one of its strings. */
function supportElsewhere(
	{ code, place }: Scope,
	own: number,
	prepared: readonly { readonly scopes: readonly Scope[] }[],
	alone: readonly GroupPosterior[]
): number {
	if (code !== 'strings-swapped') return 1;
	const pair = place.strings!.join();
	return prepared.reduce((factor, { scopes }, g) => {
		const s = g === own ? -1 : scopes.findIndex((scope) => scope.place.strings?.join() === pair);
		if (s < 0) return factor;
		const chance = Math.min(alone[g]!.scopes[s]!, 1 - 1e-9);
		const odds = chance / (1 - chance) / scopes[s]!.prior;
		return factor * Math.min(odds, MOST_SUPPORT);
	}, 1);
}

/** What the only inverter fed by its display; null where it was not read, or there are several. */
export function acReadingOf(
	record: ArrayRecord,
	standing: ReadonlyMap<string, Reading>
): { readonly id: string; readonly power: number } | null {
	const inverters = partsOf(record.parts, 'inverter');
	if (inverters.length !== 1) return null;
	const reading = standing.get(`${inverters[0]!.id}/display/ac-power`);
	return reading ? { id: reading.id, power: reading.value } : null;
}
