import { sunPosition, type SunPosition } from '../../conditions';
import { dayNumber } from '../../units';
import { HOUR, type Day, type Unit, type MonitoredYear } from '../series/year';
import { NOTHING } from './day-share';
import { canTell, type Peers } from './peers';
import { median, quantile } from '../../numerics';

/** A shade that comes back at the same time of day. */
export interface ReturningShade {
	/** Dates between which it was seen. */
	readonly first: string;
	readonly last: string;
	/** The same, by season: an obstacle to a low sun is none in summer. */
	readonly seasons: readonly { readonly first: string; readonly last: string }[];
	/** Time of day, hours after the site's midnight. */
	readonly begins: number;
	readonly ends: number;
	/** Of what its peers give then, the unit's share against its own at other hours. */
	readonly share: number;
	/** Whether it keeps up with its peers at those hours under a dull sky; null where that was not seen. */
	readonly keepsUpWhenDull: boolean | null;
	/**
	 * Where the sun stands when it begins and when it ends, degrees: the middle of the blocks of days in which it was seen.
	 * Null where the site's place is not known.
	 */
	readonly sun: {
		readonly azimuths: readonly [number, number];
		readonly heights: readonly [number, number];
	} | null;
}

/** Length of a block of days over which the sun's way is taken as the same. */
const BLOCK = 20;
/** Length of a slot of the day, hours; longer steps are slots of their own. */
const SHORTEST_SLOT = 0.5;
/** Samples of one time of the day that tell where in a slot a shade begins. */
const TELL_EDGE = 3;
/** Direct light: at least so much of the brightest at that hour of those days. */
const DIRECT = 0.62;
const DULL = 0.22;
/** Of its usual, what a unit keeps under a dull sky that is not behind. */
const KEEPS_UP = 0.88;
/** A day on which its usual is less than this share of its peers says nothing of shade: it is off. */
const OFF = 0.05;
/** What a unit usually gives on a day, as a quantile of its samples: above a shade of some hours. */
const USUAL = 0.75;
/** A shade that takes more of the day than this share is none. */
const MOST_OF_DAY = 0.6;
/** Days without it between two stretches of one shade. */
const BETWEEN = 45;
/** A slot is shaded where it keeps less of the unit's usual than this ... */
const SHADED = 0.87;
/** ... a single sample less than this ... */
const BEHIND = 0.5 + SHADED / 2;
/** ... on this share of its bright samples. */
const RETURNS = 0.7;
const FEWEST = 6;
/** Below this share of its label the middle unit says nothing. */
const LEAST_IRRADIANCE = 0.06;
/** What gives nothing at this share of a slot's bright samples or fewer is off now and then: a shade returns. */
const OFF_BY_SHADE = 0.9;

/** A shade in one block of days. */
interface SeenShade extends Omit<ReturningShade, 'sun' | 'seasons'> {
	/** It took more than one slot of the day; one alone, in one block, is chance. */
	readonly wide: boolean;
	/** Its times on the blocks in which it was seen, each with the date of their middle day. */
	readonly times: readonly {
		readonly date: string;
		readonly begins: number;
		readonly ends: number;
	}[];
}

/** Hours: of a slot, of a step, and from the time of a sample to its middle. */
interface Grid {
	readonly slot: number;
	readonly step: number;
	readonly middle: number;
}

/** A sample of a block of days that can be compared. */
interface Compared {
	/** Hours after midnight, of the middle of the sample. */
	readonly hours: number;
	/** Output of its peers, share of nameplate. */
	readonly bright: number;
	/** Of the unit's own usual of the day. */
	readonly ratio: number;
	/** The unit gives nothing. */
	readonly isOff: boolean;
}

export interface ShadeFound {
	readonly shade: ReturningShade;
	/** Samples at which it may touch the unit. */
	readonly shaded: Uint8Array;
}

/**
 * Looks for hours at which one unit falls behind its peers under a bright sky, again and again, while
 * at other hours of the same days it does not.
 *
 * @param shift what has to be added to the times of samples for their middles, ms
 */
export function shadesOf(
	year: Pick<MonitoredYear, 'times' | 'days' | 'observer'>,
	unit: Unit,
	peers: Peers,
	shift = 0
): ShadeFound[] {
	const { times, days } = year;
	const { share } = peers;
	const step = times.step / HOUR;
	const slot = Math.max(SHORTEST_SLOT, step);
	const middle = shift / HOUR;
	const found: SeenShade[] = [];
	for (let block = 0; block * BLOCK < days.length; block++) {
		const some = days.slice(block * BLOCK, (block + 1) * BLOCK);
		// Most units stand in no shade: a slot of one has so many samples behind, so fewer in all of them are none.
		const usuals = some.map((day) => usualOf(unit, peers, day));
		if (usuals.reduce((sum, { behind }) => sum + behind, 0) < RETURNS * FEWEST) continue;
		const samples = usuals.flatMap(({ tells, usual }, d) =>
			tells.map((t) => {
				const ratio = unit.power[t]! / unit.labelWatts / share[t]!;
				return {
					hours: (t - some[d]!.from) * step + middle,
					bright: share[t]!,
					ratio: ratio / usual,
					isOff: ratio < NOTHING
				};
			})
		);
		found.push(...shadesOfBlock(some, samples, { slot, step, middle }));
	}
	return bySeason(joined(found)).map((seasons) => {
		const shaded = new Uint8Array(times.count);
		const perHour = 1 / step;
		for (const { first, last, begins, ends } of seasons) {
			days.forEach(({ date, from, to }) => {
				// The sun's way moves on within a block, so its neighbours' days are touched by it too.
				if (daysApart(date, first) > BLOCK || daysApart(last, date) > BLOCK) return;
				const begin = from + Math.round((begins - slot) * perHour);
				const end = Math.min(to, from + Math.round((ends + slot) * perHour));
				shaded.fill(1, Math.max(from, begin), end);
			});
		}
		const sun = sunAt(
			year,
			seasons.flatMap(({ times: seen }) => seen)
		);
		return { shade: { ...together(seasons), sun }, shaded };
	});
}

/** What a shade is over all of its seasons. */
function together(seasons: readonly SeenShade[]): Omit<ReturningShade, 'sun'> {
	return {
		first: seasons[0]!.first,
		last: seasons.at(-1)!.last,
		seasons: seasons.map(({ first, last }) => ({ first, last })),
		begins: Math.min(...seasons.map(({ begins }) => begins)),
		ends: Math.max(...seasons.map(({ ends }) => ends)),
		share: Math.min(...seasons.map(({ share }) => share)),
		keepsUpWhenDull:
			seasons.find(({ keepsUpWhenDull: dull }) => dull !== null)?.keepsUpWhenDull ?? null
	};
}

/** The sun at both ends of a shade, in the middle of the blocks in which it was seen. */
function sunAt(
	{ times, days, observer }: Pick<MonitoredYear, 'times' | 'days' | 'observer'>,
	seen: SeenShade['times']
): ReturningShade['sun'] {
	if (!observer) return null;
	const midnights = new Map(days.map(({ date, from }) => [date, times.start + from * times.step]));
	const at = (of: 'begins' | 'ends') => {
		const suns = seen.map((one) =>
			sunPosition(midnights.get(one.date)! + one[of] * HOUR, observer)
		);
		return { azimuth: middleAzimuth(suns), height: median(suns.map(({ zenith }) => 90 - zenith)) };
	};
	const [begin, end] = [at('begins'), at('ends')];
	return { azimuths: [begin.azimuth, end.azimuth], heights: [begin.height, end.height] };
}

/** Middle of azimuths, degrees, also where they lie on both sides of north. */
function middleAzimuth(suns: readonly SunPosition[]): number {
	const [first] = suns as [SunPosition];
	const off = suns.map(({ azimuth }) => ((azimuth - first.azimuth + 540) % 360) - 180);
	return (first.azimuth + median(off) + 360) % 360;
}

/**
 * A unit against its own usual of the same day, so that a step between two days is no shade.
 *
 * @returns its samples that tell, none of a day on which it is off, and how many of them are as far behind as in a shade
 */
function usualOf(unit: Unit, peers: Peers, day: Day) {
	const tells = samplesThatTell(unit, peers, day);
	const ratios = new Float64Array(tells.length);
	let given = 0;
	for (const t of tells) {
		const ratio = unit.power[t]! / unit.labelWatts / peers.share[t]!;
		if (ratio >= NOTHING) ratios[given++] = ratio;
	}
	const some = ratios.subarray(0, given);
	const usual = quantile(some, USUAL);
	if (!(usual > OFF)) return { tells: [], usual: Number.NaN, behind: 0 };
	let behind = tells.length - given;
	for (const ratio of some) if (ratio < BEHIND * usual) behind++;
	return { tells, usual, behind };
}

/** Samples of a day at which the unit can be compared; none where it is off. */
function samplesThatTell(unit: Unit, peers: Peers, { from, to }: Day): number[] {
	const tells: number[] = [];
	for (let t = from; t < to; t++) {
		if (
			peers.share[t]! > LEAST_IRRADIANCE &&
			canTell(unit, peers, t) &&
			!Number.isNaN(unit.power[t]!)
		)
			tells.push(t);
	}
	return tells;
}

/** Slots of the day at which the unit is behind under a bright sky, on most of a block's days. */
function shadesOfBlock(
	some: readonly Day[],
	all: readonly Compared[],
	{ slot, step, middle }: Grid
): SeenShade[] {
	const bySlot: Compared[][] = Array.from({ length: Math.ceil(25 / slot) }, () => []);
	for (const sample of all) bySlot[slotOf(sample, slot)]!.push(sample);
	const told = bySlot.map(withoutOutages);
	const bright = told.map((samples) => samples.map((sample) => sample.bright));
	const ratios = told.map((samples) => samples.map(({ ratio }) => ratio));
	const envelope = bright.map((values) => (values.length > 0 ? quantile(values, 0.9) : 0));
	const direct = ratios.map((values, s) =>
		values.filter((_, i) => bright[s]![i]! >= DIRECT * envelope[s]!)
	);
	const level = direct.map((values) => (values.length >= FEWEST ? median(values) : Number.NaN));
	const isShaded = level.map(
		(value, s) =>
			value < SHADED &&
			direct[s]!.filter((ratio) => ratio < BEHIND).length >= RETURNS * direct[s]!.length
	);
	// A unit that lags all day long is not shaded, it lags.
	const known = level.filter((value) => !Number.isNaN(value)).length;
	const many = isShaded.filter(Boolean).length;
	if (many === 0 || many > MOST_OF_DAY * known) return [];
	const found: SeenShade[] = [];
	for (let s = 0; s < isShaded.length; s++) {
		if (!isShaded[s]) continue;
		let end = s;
		while (isShaded[end + 1]) end++;
		const within = Array.from({ length: end - s + 1 }, (_, i) => s + i);
		const dull = within.flatMap((at) =>
			ratios[at]!.filter((_, i) => bright[at]![i]! <= DULL * envelope[at]!)
		);
		const share = median(within.flatMap((at) => direct[at]!));
		const edges = edgesOf(
			told.flat().filter((sample) => sample.bright >= DIRECT * envelope[slotOf(sample, slot)]!),
			[s * slot, (end + 1) * slot],
			(1 + share) / 2,
			{ slot, step, middle }
		);
		found.push({
			first: some[0]!.date,
			last: some.at(-1)!.date,
			...edges,
			wide: end > s,
			times: [{ date: some[some.length >> 1]!.date, ...edges }],
			share,
			keepsUpWhenDull: dull.length >= FEWEST ? median(dull) > KEEPS_UP : null
		});
		s = end;
	}
	return found;
}

const slotOf = ({ hours }: Compared, slot: number) => Math.max(0, Math.floor(hours / slot));

/** Samples of a slot but for those at which the unit was off, unless it is off whenever the sun shines: that a shade can do. */
function withoutOutages(samples: readonly Compared[]): readonly Compared[] {
	if (!samples.some(({ isOff }) => isOff)) return samples;
	const most = quantile(
		samples.map(({ bright }) => bright),
		0.9
	);
	const direct = samples.filter(({ bright }) => bright >= DIRECT * most);
	const off = direct.filter(({ isOff }) => isOff).length;
	return off >= OFF_BY_SHADE * direct.length ? samples : samples.filter(({ isOff }) => !isOff);
}

/**
 * Where within its first and last slot, or the ones beside them, a shade begins and ends: by the first and the last
 * time of the day at which the unit has lost half of what the shade takes.
 *
 * @param direct samples under direct light
 * @param slots hours of its slots
 * @param half ratio in the middle between usual and shaded
 */
function edgesOf(
	direct: readonly Compared[],
	[from, to]: readonly [number, number],
	half: number,
	{ step, middle }: Grid
): { begins: number; ends: number } {
	const reach = Math.max(SHORTEST_SLOT, step);
	const shadedAt: number[] = [];
	const first = Math.floor((from - reach - middle) / step) * step + middle;
	for (let hours = first; hours < to + reach; hours += step) {
		const own = direct.filter((one) => Math.abs(one.hours - hours) < step / 4);
		if (own.length >= TELL_EDGE && median(own.map(({ ratio }) => ratio)) < half) {
			shadedAt.push(hours);
		}
	}
	if (shadedAt.length === 0) return { begins: from, ends: to };
	return { begins: shadedAt[0]! - step / 2, ends: shadedAt.at(-1)! + step / 2 };
}

/** Shades of neighbouring blocks at about the same hour are one; one that shows in a single slot of a single block is chance. */
function joined(found: readonly SeenShade[]): SeenShade[] {
	const all: SeenShade[] = [];
	for (const one of found) {
		const at = all.findIndex(
			({ last, begins, ends }) =>
				begins <= one.ends + 1 && one.begins <= ends + 1 && daysApart(last, one.first) <= BETWEEN
		);
		if (at < 0) {
			all.push(one);
			continue;
		}
		const before = all[at]!;
		all[at] = {
			first: before.first,
			last: one.last,
			begins: Math.min(before.begins, one.begins),
			ends: Math.max(before.ends, one.ends),
			wide: before.wide || one.wide,
			times: [...before.times, ...one.times],
			share: Math.min(before.share, one.share),
			keepsUpWhenDull: before.keepsUpWhenDull ?? one.keepsUpWhenDull
		};
	}
	return all.filter(({ wide, first, last }) => wide || daysApart(first, last) >= BLOCK);
}

/** The same hours at another time of the year: what stands in the way is the same. */
function bySeason(found: readonly SeenShade[]): SeenShade[][] {
	const all: SeenShade[][] = [];
	for (const one of found) {
		const before = all.find((seasons) =>
			seasons.some(({ begins, ends }) => begins < one.ends && one.begins < ends)
		);
		if (before) before.push(one);
		else all.push([one]);
	}
	return all.map((seasons) => seasons.sort((a, b) => daysApart(b.first, a.first)));
}

/** Days from one date as in 2026-03-12 to another. */
export function daysApart(a: string, b: string): number {
	return dayNumber(b) - dayNumber(a);
}
