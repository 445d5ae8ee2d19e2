import { sunPosition, type SunPosition } from '../../conditions/sun';
import { dayNumber } from '../../units/instant';
import { HOUR, type Day, type Unit, type WatchedYear } from '../series/year';
import { canTell, type Peers } from './peers';
import { median, quantile } from '../../units/quantile';

/** A shade that comes back at the same time of day. */
export interface ReturningShade {
	/** Dates between which it was seen. */
	readonly first: string;
	readonly last: string;
	/** Time of day, hours after the site's midnight. */
	readonly begins: number;
	readonly ends: number;
	/** Of what its peers give then, the unit's share against its own at other hours. */
	readonly share: number;
	/** Whether it keeps up with its peers at those hours under a dull sky; null where that was not seen. */
	readonly keepsUpWhenDull: boolean | null;
	/** Where the sun stands when it begins and when it ends, in the middle of that time, degrees; null where the site's place is not known. */
	readonly sun: {
		readonly azimuths: readonly [number, number];
		readonly heights: readonly [number, number];
	} | null;
}

/** Length of a block of days over which the sun's way is taken as the same. */
const BLOCK = 20;
/** Length of a slot of the day, hours. */
const SLOT = 0.5;
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
/** ... on this share of its bright samples. */
const RETURNS = 0.7;
const FEWEST = 6;
/** Below this share of its label the middle unit says nothing. */
const LEAST_LIGHT = 0.06;

type SeenShade = Omit<ReturningShade, 'sun'>;

export interface ShadeFound {
	readonly shades: readonly ReturningShade[];
	/** Samples at which the unit may be shaded. */
	readonly shaded: Uint8Array;
}

/**
 * Looks for hours at which one unit falls behind its peers under a bright sky, again and again, while
 * at other hours of the same days it does not.
 */
export function shadeOf(
	year: Pick<WatchedYear, 'times' | 'days' | 'observer'>,
	unit: Unit,
	peers: Peers
): ShadeFound {
	const { times, days } = year;
	const { share } = peers;
	const shaded = new Uint8Array(times.count);
	const perHour = HOUR / times.step;
	const slots = Math.ceil(25 / SLOT);
	const found: SeenShade[] = [];
	for (let block = 0; block * BLOCK < days.length; block++) {
		const some = days.slice(block * BLOCK, (block + 1) * BLOCK);
		const bright: number[][] = Array.from({ length: slots }, () => []);
		const ratios: number[][] = Array.from({ length: slots }, () => []);
		for (const day of some) {
			const tells = samplesThatTell(unit, peers, day);
			const ratioAt = (t: number) => unit.power[t]! / unit.labelWatts / share[t]!;
			// Against its own usual of the same day, so that a step between two days is no shade.
			const usual = quantile(tells.map(ratioAt), USUAL);
			if (!(usual > OFF)) continue;
			for (const t of tells) {
				const slot = Math.floor((t - day.from) / perHour / SLOT);
				bright[slot]!.push(share[t]!);
				ratios[slot]!.push(ratioAt(t) / usual);
			}
		}
		found.push(...shadesOfBlock(some, bright, ratios));
	}
	const shades = joined(found).map((shade) => ({ ...shade, sun: sunAt(year, shade) }));
	for (const { first, last, begins, ends } of shades) {
		days.forEach(({ date, from, to }) => {
			// The sun's way moves on within a block, so its neighbours' days are touched by it too.
			if (daysApart(date, first) > BLOCK || daysApart(last, date) > BLOCK) return;
			const begin = from + Math.round((begins - SLOT) * perHour);
			const end = Math.min(to, from + Math.round((ends + SLOT) * perHour));
			shaded.fill(1, Math.max(from, begin), end);
		});
	}
	return { shades, shaded };
}

/** The sun at both ends of a shade, on the day in the middle of those on which it was seen. */
function sunAt(
	{ times, days, observer }: Pick<WatchedYear, 'times' | 'days' | 'observer'>,
	{ first, last, begins, ends }: SeenShade
): ReturningShade['sun'] {
	if (!observer) return null;
	const seen = days.filter(({ date }) => date >= first && date <= last);
	const midnight = times.start + seen[seen.length >> 1]!.from * times.step;
	const [a, b] = [begins, ends].map((hours) => sunPosition(midnight + hours * HOUR, observer)) as [
		SunPosition,
		SunPosition
	];
	return { azimuths: [a.azimuth, b.azimuth], heights: [90 - a.zenith, 90 - b.zenith] };
}

/** Samples of a day at which the unit can be compared; none where it is off. */
function samplesThatTell(unit: Unit, peers: Peers, { from, to }: Day): number[] {
	const tells: number[] = [];
	for (let t = from; t < to; t++) {
		if (peers.share[t]! > LEAST_LIGHT && canTell(unit, peers, t) && !Number.isNaN(unit.power[t]!))
			tells.push(t);
	}
	return tells;
}

/** Slots of the day at which the unit is behind under a bright sky, on most of a block's days. */
function shadesOfBlock(
	some: readonly Day[],
	bright: readonly (readonly number[])[],
	ratios: readonly (readonly number[])[]
): SeenShade[] {
	const envelope = bright.map((values) => (values.length > 0 ? quantile(values, 0.9) : 0));
	const direct = ratios.map((values, s) =>
		values.filter((_, i) => bright[s]![i]! >= DIRECT * envelope[s]!)
	);
	const level = direct.map((values) => (values.length >= FEWEST ? median(values) : Number.NaN));
	const isShaded = level.map(
		(value, s) =>
			value < SHADED &&
			direct[s]!.filter((ratio) => ratio < 0.5 + SHADED / 2).length >= RETURNS * direct[s]!.length
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
		found.push({
			first: some[0]!.date,
			last: some.at(-1)!.date,
			begins: s * SLOT,
			ends: (end + 1) * SLOT,
			share: median(within.flatMap((at) => direct[at]!)),
			keepsUpWhenDull: dull.length >= FEWEST ? median(dull) > KEEPS_UP : null
		});
		s = end;
	}
	return found;
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
			share: Math.min(before.share, one.share),
			keepsUpWhenDull: before.keepsUpWhenDull ?? one.keepsUpWhenDull
		};
	}
	return all.filter(
		({ begins, ends, first, last }) => ends - begins > SLOT || daysApart(first, last) >= BLOCK
	);
}

/** Days from one date as in 2026-03-12 to another. */
export function daysApart(a: string, b: string): number {
	return dayNumber(b) - dayNumber(a);
}
