import type { Purpose } from '../visit';

/*
 * How frequent faults are at one array, as multiples of the usual rates: most arrays have few, some have
 * many. With one rate for all, a healthy array of many strings would hardly exist, and each of its strings
 * would be suspected in turn. Five equally likely values, the medians of the fifths of a gamma distribution;
 * shapes and means are Zembo defaults.
 */

/** Nobody noticed anything: shape 1/2, mean 1.1. */
const UNPROMPTED = [0.02, 0.185, 0.57, 1.34, 3.39];
/** Somebody was called because of a fault: shape 3/2, mean 2. */
const CALLED = [0.39, 0.95, 1.58, 2.44, 4.17];

/** Faults that are expected at the least where somebody was called; Zembo default. */
const CALLED_LEAST = 2;

/**
 * Frequencies to weigh, by why somebody comes: who is called for a fault finds one more often, in a small
 * array as in a large one.
 *
 * @param usual faults expected at the array at the usual rates
 */
export function faultFrequencies(purpose: Purpose, usual: number): readonly number[] {
	if (purpose !== 'fault' && purpose !== 'before-repair') return UNPROMPTED;
	const mean = CALLED.reduce((sum, value) => sum + value, 0) / CALLED.length;
	const factor = Math.max(1, CALLED_LEAST / Math.max(mean * usual, 1e-6));
	return CALLED.map((value) => value * factor);
}
