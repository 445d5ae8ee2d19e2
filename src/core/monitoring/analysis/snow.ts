import { median, quantile } from '../../numerics';
import type { Unit, MonitoredYear } from '../series/year';
import type { DayShares } from './day-share';
import type { ArrayEvent, UnitEvent } from './event';
import { lossOf } from './loss';
import { daysApart } from './shade';

/** A unit is out of step on a day on which it differs by more than this from its own usual, near and all year. */
const OUT_OF_STEP = 0.15;
const NEAR_DAYS = 60;
/** Days that are taken to have one usual. */
const BLOCK = 10;
/** Units out of step at once: faults come one by one, snow does not. Share of the group, and fewest. */
const AT_ONCE = 0.2;
const FEWEST = 2;
/** Snow is not looked for nearer to the equator, degrees; the air below this tells of it where it is known, degC. */
const LATITUDE = 30;
const COLD = 6;
/** Days after a day of snow on which a unit that is not back at its usual is covered still, and before. */
const THAW = 30;
const BEFORE = 5;
const BACK = 0.93;
/** Days without snow after which it is another winter's. */
const BETWEEN = 45;
/** What the unit that is most free of snow gives is that of a clean one but for so much; judgement. */
const COVERED_TOO = 0.15;

/** What snow did to a group of units. */
export interface SnowFound {
	readonly events: readonly ArrayEvent[];
	/** Days, by unit, on which snow may lie on it: they say nothing of the unit itself. */
	readonly covered: ReadonlyMap<string, Uint8Array>;
}

/**
 * Days in the cold on which units that are alike differ from their usual, several at once: snow slides off one
 * and stays on the next.
 *
 * @param shares of the group's units
 */
export function snowOf(
	year: Pick<MonitoredYear, 'days' | 'observer' | 'airTemperature'>,
	shares: ReadonlyMap<Unit, DayShares>
): SnowFound {
	const { days } = year;
	const units = [...shares.entries()].map(([unit, of]) => ({ unit, of, ...usualOf(of.shares) }));
	const outOfStep = (d: number) =>
		units.filter(({ of, local, usual }) => {
			const share = of.shares[d]!;
			return (
				Math.abs(share / local[d]! - 1) > OUT_OF_STEP && Math.abs(share / usual - 1) > OUT_OF_STEP
			);
		}).length;
	const fewest = Math.max(FEWEST, AT_ONCE * units.length);
	const uneven = [...days.keys()].filter((d) => isCold(year, d) && outOfStep(d) >= fewest);
	const covered = new Map(
		units.map(({ unit, of, usual }) => [unit.key, coveredOn(days.length, uneven, of, usual)])
	);
	const winters: number[][] = [];
	for (const d of uneven) {
		const winter = winters.at(-1);
		if (winter && d - winter.at(-1)! <= BETWEEN) winter.push(d);
		else winters.push([d]);
	}
	const events = winters
		.filter(({ length }) => length >= FEWEST)
		.map((winter): ArrayEvent => {
			const from = winter[0]!;
			const to = winter.at(-1)!;
			let lost = 0;
			let due = 0;
			let of = 0;
			for (let d = from; d <= to; d++) {
				const some = units.filter(({ unit, of: { shares: all } }) => {
					return covered.get(unit.key)![d] === 1 && !Number.isNaN(all[d]!);
				});
				if (some.length === 0) continue;
				// The middle unit is covered as well; what the freest gives is nearest to a clean one.
				const free = quantile(
					units.flatMap(({ of: { shares: all }, usual }) =>
						Number.isNaN(all[d]!) ? [] : [all[d]! / usual]
					),
					0.9
				);
				for (const { of: day, usual } of some) {
					lost += Math.max(free * usual - day.shares[d]!, 0) * day.due[d]!;
					due += free * usual * day.due[d]!;
					of++;
				}
			}
			return {
				kind: 'snow',
				since: days[from]!.date,
				until: days[to]!.date,
				change: due > 0 ? -lost / due : 0,
				washed: null,
				loss: of > 0 ? lossOf(lost / 1000, (COVERED_TOO * due) / 1000) : null
			};
		});
	return { events, covered };
}

/**
 * Whether an event of a unit is snow's doing: it lies in a winter's snow and is over soon after.
 */
export function isOfSnow(
	{ since, until }: Pick<UnitEvent, 'since' | 'until'>,
	snow: readonly ArrayEvent[]
): boolean {
	return snow.some(
		(winter) =>
			daysApart(since, winter.since) <= BEFORE &&
			daysApart(winter.until!, since) <= BEFORE &&
			until !== null &&
			daysApart(winter.until!, until) <= THAW
	);
}

/** A unit's usual share: the middle of the year, and by day of the days around it. */
function usualOf(shares: Float64Array): { usual: number; local: Float64Array } {
	const known = (some: Float64Array) => some.filter((share) => !Number.isNaN(share));
	const usual = median(known(shares));
	const local = new Float64Array(shares.length);
	for (let from = 0; from < shares.length; from += BLOCK) {
		const middle = from + BLOCK / 2;
		const near = known(shares.subarray(Math.max(0, middle - NEAR_DAYS), middle + NEAR_DAYS + 1));
		local.fill(near.length < 5 ? usual : median(near), from, from + BLOCK);
	}
	return { usual, local };
}

function isCold(
	{ days, observer, airTemperature }: Pick<MonitoredYear, 'days' | 'observer' | 'airTemperature'>,
	d: number
): boolean {
	const { from, to, date } = days[d]!;
	if (airTemperature) {
		const some = airTemperature.subarray(from, to).filter((degrees) => !Number.isNaN(degrees));
		if (some.length > 0) return some.reduce((a, b) => a + b, 0) / some.length < COLD;
	}
	if (!observer || Math.abs(observer.latitude) < LATITUDE) return false;
	const month = Number(date.slice(5, 7));
	return observer.latitude > 0 ? month <= 4 || month >= 10 : month >= 4 && month <= 10;
}

/** Days on which a unit may be covered: those on which several are uneven, and until it is back at its usual. */
function coveredOn(
	count: number,
	uneven: readonly number[],
	{ shares, silent }: DayShares,
	usual: number
): Uint8Array {
	const covered = new Uint8Array(count);
	const isBack = (d: number) => shares[d]! >= BACK * usual && shares[d]! <= usual / BACK;
	for (const d of uneven) {
		covered[d] = 1;
		for (const [step, most] of [
			[1, THAW],
			[-1, BEFORE]
		] as const) {
			for (let i = 1; i <= most; i++) {
				const at = d + step * i;
				if (at < 0 || at >= count || isBack(at) || silent[at] === 1) break;
				covered[at] = 1;
			}
		}
	}
	return covered;
}
