import { HOUR, type WatchedYear } from '../series/year';
import { flatTopsOf, type FlatTop } from './flat-tops';
import { AT_RATING } from './peers';
import { robustSlope } from './statistics';
import { quantile } from '../../units/quantile';

/** Why tops are flat. */
type FlatKind =
	/** At the device's rating: money, not a fault. */
	| 'clipping'
	/** Always at one level that is no device's rating: set, or asked for by the grid. */
	| 'limit'
	/** At a level that falls with the heat: the device takes itself back. */
	| 'derating';

/** Flat tops of one unit over the whole time. */
export interface Clipping {
	readonly unit: string;
	readonly kind: FlatKind;
	/** W */
	readonly level: number;
	/** Dates. */
	readonly days: readonly string[];
	readonly hours: number;
	/** kWh */
	readonly lost: { readonly value: number; readonly low: number; readonly high: number };
}

/** Levels of clipping lie within this of one another, and of the rating. */
const SAME_LEVEL = 0.015;
const NEAR_RATING = 0.04;

/**
 * Flat tops of every unit, told apart by their level.
 *
 * @param lightOf clear-sky light in the plane of a unit, W/m2; null where it is not known
 */
export function clippingOf(
	year: Pick<WatchedYear, 'times' | 'days' | 'units' | 'airTemperature' | 'cellTemperature'>,
	lightOf: (unit: WatchedYear['units'][number]) => Float64Array | null
): Clipping[] {
	return year.units.flatMap((unit) => {
		const light = lightOf(unit);
		const tops = year.days.flatMap((day, d) => {
			// A day whose best is far below the rating was cloudy; its flat stretches are no tops.
			return flatTopsOf(unit.power, light, day, d, year.times);
		});
		if (tops.length === 0) return [];
		return sorted(year, unit.ratedWatts, tops).map((group) => ({ unit: unit.key, ...group }));
	});
}

type Group = Omit<Clipping, 'unit'>;

function sorted(
	year: Pick<WatchedYear, 'times' | 'days' | 'airTemperature' | 'cellTemperature'>,
	rated: number | null,
	tops: readonly FlatTop[]
): Group[] {
	const isAtRating = ({ level }: FlatTop) =>
		rated !== null &&
		Math.abs(level / rated - 1) <= NEAR_RATING &&
		level >= AT_RATING * rated * 0.98;
	const atRating = tops.filter(isAtRating);
	const others = tops.filter((top) => !isAtRating(top));
	const groups: Group[] = atRating.length > 0 ? [groupOf(year, 'clipping', atRating)] : [];
	if (others.length < 3) return groups;
	const middle = quantile(
		others.map(({ level }) => level),
		0.5
	);
	const same = others.filter(({ level }) => Math.abs(level / middle - 1) <= SAME_LEVEL);
	if (same.length >= 0.8 * others.length) {
		// Without a rating in the record, one level that is never passed is the device's own.
		groups.push(groupOf(year, rated === null ? 'clipping' : 'limit', same));
	} else if (fallsWithHeat(year, others)) groups.push(groupOf(year, 'derating', others));
	return groups;
}

function groupOf(
	{ days }: Pick<WatchedYear, 'days'>,
	kind: FlatKind,
	tops: readonly FlatTop[]
): Group {
	const sum = (of: (top: FlatTop) => number) => tops.reduce((all, top) => all + of(top), 0);
	return {
		kind,
		level: quantile(
			tops.map(({ level }) => level),
			0.5
		),
		days: [...new Set(tops.map(({ day }) => days[day]!.date))],
		hours: sum(({ hours }) => hours),
		lost: {
			value: sum(({ lost }) => lost.value) / 1000,
			low: sum(({ lost }) => lost.low) / 1000,
			high: sum(({ lost }) => lost.high) / 1000
		}
	};
}

/** Whether the level goes down as it gets hotter, surely. */
function fallsWithHeat(
	{ times, days, airTemperature, cellTemperature }: Parameters<typeof sorted>[0],
	tops: readonly FlatTop[]
): boolean {
	const heat = airTemperature ?? cellTemperature;
	if (!heat) return false;
	const noon = Math.round((12 * HOUR) / times.step);
	const pairs = tops
		.map(({ day, level }) => ({ heat: heat[days[day]!.from + noon] ?? Number.NaN, level }))
		.filter(({ heat: degrees }) => !Number.isNaN(degrees));
	const slope = robustSlope(
		pairs.map(({ heat: degrees }) => degrees),
		pairs.map(({ level }) => level)
	);
	return slope !== null && slope.high < 0;
}
