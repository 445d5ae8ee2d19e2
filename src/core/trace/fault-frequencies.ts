import type { Purpose } from '../expectation/visit';

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

/** Frequencies to weigh, by why somebody comes: who is called for a fault finds one more often. */
export function faultFrequencies(purpose: Purpose): readonly number[] {
	return purpose === 'fault' || purpose === 'before-repair' ? CALLED : UNPROMPTED;
}
