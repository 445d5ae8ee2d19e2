/** What a fuse does at a steady current. */
export type FuseVerdict = 'holds' | 'uncertain' | 'opens';

/**
 * Conventional currents of gPV fuse-links, as multiples of the rating: held for the conventional time,
 * and surely opening within it. IEC 60269-6 (from memory).
 */
export const GPV_MULTIPLES = { holds: 1.13, opens: 1.45 } as const;

/**
 * Whether a string fuse opens within its conventional time, an hour for small ratings. Between hold and
 * open nothing is certain.
 *
 * @param current of either sign, A
 * @param rating A
 */
export function fuseVerdict(current: number, rating: number): FuseVerdict {
	const multiple = Math.abs(current) / rating;
	if (multiple >= GPV_MULTIPLES.opens) return 'opens';
	return multiple <= GPV_MULTIPLES.holds ? 'holds' : 'uncertain';
}
