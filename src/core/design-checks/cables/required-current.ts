import type { SiteRules } from '../../record';
import { IEC_CURRENT as IEC, US_CURRENT as US } from '../../profiles';
import type { CableRating } from './cable-rating';

/** What a DC conductor has to be rated for. */
export interface RequiredCurrent {
	/** As it lies, corrected for its surroundings, A. */
	readonly corrected: number;
	/** Before corrections and at its terminals, A; null where the profile does not ask. */
	readonly uncorrected: number | null;
	readonly formula: string;
	readonly clause: string;
}

/**
 * Required ampacity of a DC conductor.
 *
 * @param isc short-circuit current of all strings that it carries together, A, rear gain included
 */
export function requiredCurrent(
	isc: number,
	{ profile }: Pick<SiteRules, 'profile'>
): RequiredCurrent {
	return profile === 'US'
		? {
				corrected: US.maximum.factor * isc,
				uncorrected: US.continuous.factor * isc,
				formula: '1.25 × Isc as it lies, and 1.56 × Isc before corrections and at its terminals',
				clause: `${US.maximum.clause}; ${US.continuous.clause}`
			}
		: {
				corrected: IEC.maximum.factor * isc,
				uncorrected: null,
				formula: '1.25 × Isc as it lies',
				clause: IEC.maximum.clause
			};
}

/** Whether a rated conductor carries what is required. */
export function carries(rating: CableRating, required: RequiredCurrent): boolean {
	return (
		rating.corrected >= required.corrected &&
		uncorrectedAmpacity(rating) >= (required.uncorrected ?? 0)
	);
}

/** Before corrections, limited by the terminals, A. */
export function uncorrectedAmpacity({ tabulated, atTerminals }: CableRating): number {
	return Math.min(tabulated, atTerminals ?? Infinity);
}
