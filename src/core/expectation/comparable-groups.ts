import type { SingleDiode } from '../module/single-diode';
import type { ArrayRecord } from '../record/record';
import { comparableStrings, type ComparableStrings } from './comparable';
import { moduleAtShift, siblingGroup, type GroupBasis, type SiblingGroup } from './group';
import { conditionsForPlane, widened } from './plane-conditions';
import type { ModulesElsewhere } from './predict';
import { presumedDirections } from './presumed-directions';
import type { ConditionsEntry, Reading, Visit } from './visit';

/** Whether a list has something in it. */
const some = <T>(list: readonly T[]): list is readonly [T, ...T[]] => list.length > 0;

/**
 * Every group of comparable strings of a visit with what it says of its irradiance and temperature.
 *
 * Where no plane is recorded but whole inputs are of two kinds by their currents, the strings are judged
 * within their kind, and the person is asked which way they face. A string on several planes is judged by
 * what the other strings of each plane say.
 *
 * @param years in service
 * @returns nothing while no conditions are entered
 */
export function comparableGroups(
	record: ArrayRecord,
	visit: Pick<Visit, 'meters' | 'conditions'>,
	years: number,
	standing: ReadonlyMap<string, Reading>
): SiblingGroup[] {
	if (!some(visit.conditions)) return [];
	const basisOf = (
		conditions: readonly ConditionsEntry[],
		elsewhere?: GroupBasis['elsewhere']
	): GroupBasis | null =>
		some(conditions)
			? { record, years, visit, standing, conditions, ...(elsewhere && { elsewhere }) }
			: null;
	const estimate = (of: ComparableStrings, elsewhere?: GroupBasis['elsewhere']) => {
		const conditions = conditionsForPlane(record, visit, of.plane);
		const carried = of.presumed === null ? conditions : conditions.map(widened);
		const basis = basisOf(carried, elsewhere);
		return basis ? [siblingGroup(of, basis)] : [];
	};
	const comparable = comparableStrings(record);
	const groups = comparable.flatMap((of) => {
		const whole = estimate(of);
		if (of.plane !== null || !some(whole)) return whole;
		const directions = presumedDirections(whole[0]);
		return directions.length < 2
			? whole
			: directions.flatMap((strings, presumed) => estimate({ ...of, strings, presumed }));
	});
	return comparable.flatMap((of) => {
		const mine = groups.filter(({ strings }) =>
			strings.some((string) => of.strings.includes(string))
		);
		if (of.split.size === 0) return mine;
		return estimate(of, elsewhereOf(of, groups));
	});
}

/** Modules of split strings that lie on other planes, as the groups of those planes have them. */
function elsewhereOf(
	of: ComparableStrings,
	groups: readonly SiblingGroup[]
): ReadonlyMap<string, ModulesElsewhere> {
	const byPlane = new Map<string, SingleDiode>();
	for (const group of groups) {
		if (group.plane === null || group.model.type !== of.type) continue;
		byPlane.set(group.plane.id, moduleAtShift(group, group.estimates[0].shift));
	}
	return new Map(
		[...of.split].map(([id, planes]) => [
			id,
			planes.map((plane) => (plane.id === of.plane?.id ? undefined : byPlane.get(plane.id)))
		])
	);
}
