import type { ArrayRecord } from '../record/record';
import type { SiblingGroup } from '../expectation/group';
import { placeKey } from '../expectation/place';
import { standingReadings, takesOf } from '../expectation/standing';
import type { Reading, Visit } from '../expectation/visit';
import { partsOf } from '../record/part';
import { speaksAgainstConditions } from './common-causes';
import { casesOf, inputVolts, type InputVolts } from './cases';
import { groupPosterior, type GroupPosterior } from './posterior';
import { ratesAfterMessage } from './message';
import type { Scope } from './scope';
import { scopesOf } from './scopes';

/** A group with all that was weighed of it. */
export interface Traced {
	readonly posterior: GroupPosterior;
	readonly scopes: readonly Scope[];
	readonly inputs: ReadonlyMap<string, InputVolts>;
}

/** Weighs every group of siblings in which anything was read. */
export function traceGroups(
	record: ArrayRecord,
	visit: Visit,
	groups: readonly SiblingGroup[]
): Traced[] {
	const standing = standingReadings(visit);
	const rates = ratesAfterMessage(record.rates, visit.inverterSays);
	const prepared = groups.flatMap((group) => {
		const inputs = inputVolts(group, standing);
		const cases = casesOf({
			record,
			group,
			standing,
			rates,
			inputs,
			takes: (key) => takesOf(visit, key)
		});
		if (cases.every(({ readings, located }) => readings.length === 0 && !located)) return [];
		const scopes = scopesOf({
			record,
			group,
			cases,
			standing,
			rates,
			inputs,
			acWatts: acWattsOf(record, standing)
		});
		return [{ group, cases, scopes, inputs }];
	});
	const cleaningGain = standing.get(placeKey({ kind: 'array' }, 'cleaning-gain'))?.value ?? null;
	const weigh = ({ group, cases, scopes }: (typeof prepared)[number], againstConditions: number) =>
		groupPosterior(group, cases, scopes, { cleaningGain, againstConditions });
	const alone = prepared.map((one) => weigh(one, 0));
	// Strings of another type stand in the same light: what they say of it counts here too.
	const said = alone.map(({ shared }) => speaksAgainstConditions(shared));
	return prepared.map((one, i): Traced => {
		const others = said.reduce((sum, say, other) => (other === i ? sum : sum + say), 0);
		const posterior = prepared.length === 1 ? alone[i]! : weigh(one, others);
		return { posterior, scopes: one.scopes, inputs: one.inputs };
	});
}

/** What the only inverter fed by its display, W; null where it was not read, or there are several. */
export function acWattsOf(
	record: ArrayRecord,
	standing: ReadonlyMap<string, Reading>
): number | null {
	const inverters = partsOf(record.parts, 'inverter');
	if (inverters.length !== 1) return null;
	return standing.get(`${inverters[0]!.id}/display/ac-power`)?.value ?? null;
}
