import { IEC_RATINGS, NEC_RATINGS } from './cables/standard-ratings';
import { amount } from './check';
import { GPV, IEC_CURRENT as IEC, US_CURRENT as US } from '../profiles';
import type { SiteRules } from '../record';

/** Strings in parallel, as the rule about their fuses sees them. */
export interface ParallelStrings {
	readonly count: number;
	/** Largest Isc among them, rear gain included, A. */
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
	const low = us ? US.fuse.factor * isc : IEC.fuse.low * isc;
	const high = us
		? (moduleFuse ?? Infinity)
		: Math.min(IEC.fuse.high * isc, moduleFuse ?? Infinity);
	return {
		others,
		needed,
		asked: needed === true || (alwaysFuse && count > 1),
		low,
		high,
		standard: (us ? NEC_RATINGS : IEC_RATINGS).filter((size) => size >= low && size <= high),
		formula: `(${count} − 1) × ${us ? '1.25 × ' : ''}Isc = ${amount(others, 'A')} from the others, against the module’s maximum series fuse`,
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
	if (count < 2) return 'Not required: no other string can feed a single one.';
	const house = asked && !needed ? ' The house rule requires one.' : '';
	if (needed === null) {
		return `Not assessed: the module’s maximum series fuse is missing; it is on its nameplate.${house}`;
	}
	const feed = `${amount(others, 'A')} from the others, the module’s maximum series fuse is ${amount(moduleFuse!, 'A')}`;
	return needed ? `Required: ${feed}.` : `Not required: ${feed}.${house}`;
}

/** What speaks against a fuse that is there, in words; null where its rating fits. */
export function ratingProblem({ low, high }: FuseRule, rating: number): string | null {
	if (rating > high) {
		return `${amount(rating, 'A')} is too large: at most ${amount(high, 'A')} protects these modules.`;
	}
	return rating < low
		? `${amount(rating, 'A')} is too small: below ${amount(low, 'A')} it ages and opens in bright sun.`
		: null;
}

/** Whether the neighbours would surely open the fuse of a shorted string: between holding and opening it is not certain. */
export function openingWords({ others, opens }: FuseRule, rating: number): string {
	return others > opens * rating
		? `In full sun the other strings feed more than ${opens} × its rating, so it opens on a short.`
		: `The other strings feed less than ${opens} × its rating: on a short it may never open.`;
}
