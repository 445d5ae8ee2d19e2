/** What a fuse does at a steady current. */
export type FuseVerdict = 'holds' | 'uncertain' | 'opens';

/**
 * Conventional currents of gPV fuse-links, as multiples of the rating: held for the conventional time,
 * and surely opening within it. IEC 60269-6 (from memory).
 */
const GPV_HOLDS = 1.13;
const GPV_OPENS = 1.45;

/**
 * Whether a string fuse opens within its conventional time, an hour for small ratings. Between hold and
 * open nothing is certain.
 *
 * @param amps of either sign, A
 * @param rating A
 */
export function fuseVerdict(amps: number, rating: number): FuseVerdict {
	const multiple = Math.abs(amps) / rating;
	if (multiple >= GPV_OPENS) return 'opens';
	return multiple <= GPV_HOLDS ? 'holds' : 'uncertain';
}
