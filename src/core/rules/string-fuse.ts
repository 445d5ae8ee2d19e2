import { amount } from './checks/check';
import { CURRENT as IEC, GPV } from './profiles/iec';
import { CURRENT as US } from './profiles/us';
import type { SiteRules } from '../record/record';

/** Standard ratings, A (NEC 240.6(A) and the gPV series in common use; from memory). */
const SIZES = [1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 16, 20, 25, 30, 32, 35, 40, 45, 50, 60];

/** Strings in parallel, as the rule about their fuses sees them. */
export interface ParallelStrings {
	readonly count: number;
	/** Largest label Isc among them, A. */
	readonly isc: number;
	/** Least maximum series fuse of their modules, A; null where unknown. */
	readonly moduleFuse: number | null;
}

/** Whether parallel strings need fuses, and which. */
export interface FuseRule {
	/** What the others together can feed into one of them, A. */
	readonly others: number;
	/** By the rule; null where the module's maximum series fuse is not known and there are several. */
	readonly needed: boolean | null;
	/** By the rule, or by the house rule. */
	readonly asked: boolean;
	/** Ratings that fit, A. */
	readonly low: number;
	readonly high: number;
	/** Standard ratings among them, A. */
	readonly standard: readonly number[];
	readonly formula: string;
	readonly clause: string;
	readonly sizeClause: string;
	/** Multiple of its rating at which such a fuse surely opens. */
	readonly opens: number;
}

/** Fuse or none, and of which rating, by the site's profile and house rule. */
export function stringFuseRule(
	{ count, isc, moduleFuse }: ParallelStrings,
	{ profile, alwaysFuse }: Pick<SiteRules, 'profile' | 'alwaysFuse'>
): FuseRule {
	const us = profile === 'US';
	const others = us ? (count - 1) * US.maximum.factor * isc : (count - 1) * isc;
	const needed = count < 2 ? false : moduleFuse === null ? null : others > moduleFuse;
	const least = US.fuse.factor * isc;
	const low = us ? (SIZES.find((size) => size >= least) ?? least) : IEC.fuse.low * isc;
	const high = us
		? (moduleFuse ?? Infinity)
		: Math.min(IEC.fuse.high * isc, moduleFuse ?? Infinity);
	return {
		others,
		needed,
		asked: needed === true || (alwaysFuse && count > 1),
		low,
		high,
		standard: SIZES.filter((size) => size >= low && size <= high),
		formula: `(${count} - 1) x ${us ? '1.25 x ' : ''}Isc = ${amount(others, 'A')} from the others, against the module’s series fuse`,
		clause: us ? US.fuseNeeded.clause : IEC.fuseNeeded.clause,
		sizeClause: us ? US.fuse.clause : IEC.fuse.clause,
		opens: us ? US_OPENS : GPV.opens
	};
}

/** UL type fuses surely open at this multiple of their rating (UL 248, from memory). */
const US_OPENS = 1.35;

/** Fuse or none, in words. */
export function needWords({ needed, asked, others }: FuseRule, strings: ParallelStrings): string {
	const { count, moduleFuse } = strings;
	if (count < 2) return 'None: a single string has no neighbours that could feed it.';
	const house = asked && !needed ? ' The house rule asks for one all the same.' : '';
	if (needed === null) {
		return `Cannot be said: the module’s maximum series fuse is on its label.${house}`;
	}
	const feed = `${amount(others, 'A')} from the others, the module bears ${amount(moduleFuse!, 'A')}`;
	return needed ? `Needed: ${feed}.` : `Not needed by the rule: ${feed}.${house}`;
}

/** What speaks against a fuse that is there, in words; null where its rating fits. */
export function ratingTrouble({ low, high }: FuseRule, rating: number): string | null {
	if (rating > high) {
		return `${amount(rating, 'A')} is too large: at most ${amount(high, 'A')} protects these modules.`;
	}
	return rating < low
		? `${amount(rating, 'A')} is too small: below ${amount(low, 'A')} it ages and opens in bright hours.`
		: null;
}

/** Whether the neighbours would surely open the fuse of a shorted string: between holding and opening it is not certain. */
export function openingWords({ others, opens }: FuseRule, rating: number): string {
	return others > opens * rating
		? `In full sun its neighbours exceed ${opens} times that, so it opens on a short.`
		: `Its neighbours stay below ${opens} times that: on a short it may never open.`;
}
