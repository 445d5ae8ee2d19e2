import type { Unit, MonitoredYear } from '../series/year';
import { clustersOf } from './clusters';

/** Units that are alike, and what the middle one of them gives. */
export interface Peers {
	readonly units: readonly Unit[];
	/** Power over label power of the middle unit, by time; NaN where fewer than half say anything. */
	readonly share: Float64Array;
	/** Whether so many of them stand at their ratings then that what lags cannot be told. */
	readonly atRating: Uint8Array;
}

/** Units put together by what they give, and those that cannot be. */
export interface Grouped {
	readonly groups: readonly Peers[];
	/** Units whose daily course is that of no others, though nothing in the record says why. */
	readonly otherCourse: readonly Unit[];
	/** Whether units of unknown plane were told apart by their course. */
	readonly toldApart: boolean;
}

/** Fewest units of which one can be told from the rest. */
const FEWEST_PEERS = 3;
/** Of its rating, from where on a unit counts as standing at it. */
const AT_RATING = 0.985;

/**
 * Groups of units that are alike, the largest first; units that stand alone are in none. Units whose plane the
 * record has are alike by the record; the others by the course of their days as well.
 */
export function peersOf(
	year: Pick<MonitoredYear, 'times' | 'days'>,
	units: readonly Unit[]
): Grouped {
	const byRecord = new Map<string, Unit[]>();
	for (const unit of units) {
		if (unit.like === null || unit.labelWatts <= 0) continue;
		byRecord.set(unit.like, [...(byRecord.get(unit.like) ?? []), unit]);
	}
	const otherCourse: Unit[] = [];
	let toldApart = false;
	const groups = [...byRecord.values()].flatMap((group) => {
		if (group[0]!.plane !== null || group.length < FEWEST_PEERS) return [group];
		const found = clustersOf(year, group);
		otherCourse.push(...found.alone);
		toldApart ||= found.groups.length > 1;
		return found.groups;
	});
	return {
		groups: groups
			.filter((group) => group.length >= FEWEST_PEERS)
			.sort((a, b) => b.length - a.length)
			.map((group) => ({ units: group, ...middleOf(group, year.times.count) })),
		otherCourse,
		toldApart
	};
}

/** Whether a unit can be judged against its peers at a moment: neither it nor they are held down by a rating. */
export function canTell(unit: Unit, { share, atRating }: Omit<Peers, 'units'>, t: number): boolean {
	if (atRating[t] === 1) return false;
	if (unit.ratedWatts === null) return true;
	const limit = AT_RATING * unit.ratedWatts;
	return unit.power[t]! < limit && share[t]! * unit.labelWatts < limit;
}

function middleOf(units: readonly Unit[], count: number) {
	const share = new Float64Array(count).fill(Number.NaN);
	const atRating = new Uint8Array(count);
	const sorted = new Float64Array(units.length);
	for (let t = 0; t < count; t++) {
		let n = 0;
		let limited = 0;
		for (const { power, labelWatts: nameplatePower, ratedWatts: ratedPower } of units) {
			const watts = power[t]!;
			if (Number.isNaN(watts)) continue;
			// What stands at its rating says how large its device is, not what its plane gives.
			if (ratedPower !== null && watts >= AT_RATING * ratedPower) {
				limited++;
				continue;
			}
			// A few values: putting each in its place beats sorting.
			const value = watts / nameplatePower;
			let i = n++;
			for (; i > 0 && sorted[i - 1]! > value; i--) sorted[i] = sorted[i - 1]!;
			sorted[i] = value;
		}
		// With half of them at their ratings the others are the weaker half.
		if (limited > 0 && 2 * limited > n) atRating[t] = 1;
		if (n + limited < FEWEST_PEERS || 2 * (n + limited) < units.length) continue;
		if (atRating[t] === 1) share[t] = middleWithLimited(units, t);
		else if (n >= FEWEST_PEERS || limited === 0)
			share[t] = 0.5 * (sorted[(n - 1) >> 1]! + sorted[n >> 1]!);
		else atRating[t] = 1;
	}
	return { share, atRating };
}

/** The middle of all as they stand, where most are at their ratings: for energy, not for who lags. */
function middleWithLimited(units: readonly Unit[], t: number): number {
	const shares = units
		.map(({ power, labelWatts: ratedPower }) => power[t]! / ratedPower)
		.filter((value) => !Number.isNaN(value))
		.sort((a, b) => a - b);
	const n = shares.length;
	return 0.5 * (shares[(n - 1) >> 1]! + shares[n >> 1]!);
}
