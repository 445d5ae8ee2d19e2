import { STEADY_LIGHT } from './allowances';
import { median } from '../units/quantile';

/** A current against what the common light foretells of it. */
export interface CurrentMiss {
	/** Measured over expected, less 1. */
	readonly relative: number;
	/** Standard uncertainty of that from all but the light, relative. */
	readonly known: number;
}

/** Fewer currents cannot tell unsteady light from a fault; this and the next two are judgement. */
const CURRENTS_AT_LEAST = 4;
/** The usual steadiness counts as much as this many currents. */
const USUAL_WEIGHT = 4;
/** Relative; beyond this it is no longer the weather but the array. */
const AT_MOST = 0.06;
/** Median absolute deviation of a normal distribution, in standard deviations. */
const MAD_OF_NORMAL = 0.6745;

/**
 * How far the light moves from reading to reading: the scatter of the currents of like strings that
 * their meter and modules do not explain, drawn towards the usual.
 *
 * The scatter is the median absolute deviation, which a few faulty strings do not move (Rousseeuw,
 * Croux, J. Am. Stat. Assoc. 88, 1993).
 *
 * @returns relative (1) standard uncertainty, never below that of steady sun
 */
export function unsteadiness(misses: readonly CurrentMiss[]): number {
	if (misses.length < CURRENTS_AT_LEAST) return STEADY_LIGHT;
	const middle = median(misses.map((miss) => miss.relative));
	const scatter = median(misses.map((miss) => Math.abs(miss.relative - middle))) / MAD_OF_NORMAL;
	const known = median(misses.map((miss) => miss.known));
	const excess = Math.max(scatter ** 2 - known ** 2, 0);
	const variance =
		(USUAL_WEIGHT * STEADY_LIGHT ** 2 + misses.length * excess) / (USUAL_WEIGHT + misses.length);
	return Math.min(Math.max(Math.sqrt(variance), STEADY_LIGHT), AT_MOST);
}
