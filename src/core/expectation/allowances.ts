/**
 * What is allowed for where nothing better is recorded. All of it is judgement unless a source is
 * named; standard uncertainties unless a line says limits.
 */

/**
 * Ageing per year of service, share of the value at the start: 0.5 % of power, of it 0.35 % on
 * current, 0.05 % on voltage and the rest on the fill factor. All of it on voltage would make a
 * healthy string of 20 years look a module short.
 */
export const AGEING_PER_YEAR = { current: 0.0035, voltage: 0.0005, fillFactor: 0.001 };
/** The same on power. */
export const POWER_AGEING_PER_YEAR =
	AGEING_PER_YEAR.current + AGEING_PER_YEAR.voltage + AGEING_PER_YEAR.fillFactor;
/** How far the ageing of an array may lie from the usual, as a share of the ageing itself. */
export const AGEING_DOUBT = 0.5;

/** Dirt that every array carries: mean loss of light and its uncertainty. */
export const EVEN_DIRT = { loss: 0.015, uncertainty: 0.012 };

/**
 * Share of the variance of a tolerance that is common to all modules of a type (or to all readings
 * of a meter); the rest differs from module to module and averages down in series.
 */
export const COMMON_SHARE = 0.5;

/**
 * What the model of equal modules itself misses, relative. At short circuit more than elsewhere:
 * modules differ, and the string then carries the current of its stronger ones.
 */
export const MODEL_DOUBT = { volts: 0.0015, amps: 0.004, shortCircuitAmps: 0.012 };

/** How far a module's own coefficients may lie from the typical ones of its technology, %/K. */
export const TYPICAL_COEFFICIENT_DOUBT = { alphaIsc: 0.02, betaVoc: 0.03 };

/** A rectangular distribution of half width 1 has this standard deviation (JCGM 100:2008, 4.3.7). */
export const RECTANGULAR = 1 / Math.sqrt(3);

/**
 * What the light moves between two readings of one series in steady sun, relative standard
 * uncertainty. Where the currents of the strings scatter by more, they say so themselves.
 */
export const STEADY_LIGHT = 0.008;
