import type { SingleDiode } from '../module';
import type { ArrayRecord } from '../record';
import { comparableStrings, type ComparableStrings } from './comparable';
import { COMMON_SHARE, RECTANGULAR } from './allowances';
import {
	atSameIrradiance,
	moduleAtShift,
	peerGroup,
	type GroupBasis,
	type PeerGroup
} from './group';
import { conditionsForPlane, widened } from './plane-conditions';
import type { ModulesElsewhere } from './predict';
import { presumedDirections } from './presumed-directions';
import type { ShiftPrior } from './shared-shift';
import type { Reading, Visit } from '../visit';

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
): PeerGroup[] {
	if (!some(visit.conditions)) return [];
	const estimate = (
		of: ComparableStrings,
		besides: Pick<GroupBasis, 'elsewhere' | 'neighbours'> = {}
	) => {
		const stated = conditionsForPlane(record, visit, of.plane);
		const conditions = of.presumed === null ? stated : stated.map(widened);
		return some(conditions)
			? [peerGroup(of, { record, years, visit, standing, conditions, ...besides })]
			: [];
	};
	const estimated = comparableStrings(record).flatMap((of) => {
		const whole = estimate(of).map((group) => ({ of, group }));
		if (of.plane !== null || !some(whole)) return whole;
		const directions = presumedDirections(whole[0].group);
		if (directions.length < 2) return whole;
		return directions.flatMap((strings, presumed) => {
			const facing = { ...of, strings, presumed };
			return estimate(facing).map((group) => ({ of: facing, group }));
		});
	});
	const alone = estimated.map(({ group }) => group);
	return estimated.flatMap(({ of, group }) => {
		const neighbours = fromNeighbours(group, alone);
		if (of.split.size === 0 && !neighbours) return [group];
		return estimate(of, {
			...(of.split.size > 0 && { elsewhere: elsewhereOf(of, alone) }),
			...(neighbours && { neighbours })
		});
	});
}

/** Of strings that tell of the light of another type there must be so many readings. */
const TELLING = 4;

/**
 * What strings of another type in the same light say of it, if they say more than the stated conditions do:
 * their own estimate, less sure by the tolerances of both nameplates.
 */
function fromNeighbours(group: PeerGroup, groups: readonly PeerGroup[]): ShiftPrior | null {
	const [best] = groups
		.filter((other) => other !== group && atSameIrradiance(other, group))
		.sort((a, b) => b.estimates[0].items.length - a.estimates[0].items.length);
	if (!best) return null;
	const { shift, information, items } = best.estimates[0];
	if (items.length < TELLING || items.length <= group.estimates[0].items.length) return null;
	const [ll, lh, hh] = information;
	const determinant = ll * hh - lh * lh;
	const tolerance = (of: (group: PeerGroup) => number) =>
		RECTANGULAR * Math.sqrt(COMMON_SHARE) * Math.hypot(of(group), of(best)) * 0.01;
	const irradiance = Math.hypot(
		Math.sqrt(hh / determinant),
		tolerance(({ model: { type } }) => type.tolerance.iscPct)
	);
	const cellTemperature = Math.hypot(
		Math.sqrt(ll / determinant),
		tolerance(({ model: { type } }) => type.tolerance.vocPct) / group.perKelvin
	);
	return irradiance < group.uncertainty.irradiance &&
		cellTemperature < 1.5 * group.uncertainty.cellTemperature
		? { centre: shift, irradiance, cellTemperature }
		: null;
}

/** Modules of split strings that lie on other planes, as the groups of those planes have them. */
function elsewhereOf(
	of: ComparableStrings,
	groups: readonly PeerGroup[]
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
