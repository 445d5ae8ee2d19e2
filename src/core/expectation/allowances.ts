import type { ScatterPrior } from './scatter';

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
export const AGEING_UNCERTAINTY = 0.5;

/** Soiling that every array carries: mean loss of light and its uncertainty. */
export const EVEN_SOILING = { loss: 0.015, uncertainty: 0.012 };

/** Share of the variance of a label tolerance that all modules of a type have in common. */
export const COMMON_SHARE = 0.5;

/**
 * Share of the variance of a meter's accuracy that all its readings have in common: its gain. Most of an
 * accuracy class is gain and temperature, little differs from one reading to the next.
 */
export const METER_GAIN_SHARE = 0.85;

/** What the model of equal modules itself misses, relative. */
export const MODEL_UNCERTAINTY = { volts: 0.0015, amps: 0.004, shortCircuitAmps: 0.004 };

/**
 * What it misses of all modules of a type alike, relative: fill factor, irradiance other than standard,
 * wiring. Modules of other physics than the single diode's differ from it by 2 to 3 % of current at the
 * maximum-power point.
 */
export const MODEL_COMMON = { volts: 0.003, amps: 0.02 };

/**
 * How far the voltage at a current well below that of the maximum-power point may lie from the model's,
 * relative. A nameplate fixes the curve at three points and leaves its knee open: with an ideality factor
 * from 0.85 to 1.25, fitted to the same nameplate, the voltage at 0.5 to 0.7 of Imp spreads by 0.8 % in all.
 */
export const KNEE_UNCERTAINTY = 0.003;

/**
 * What the model misses of all modules of a thin film alike, relative: at low irradiance and by
 * stabilisation they depart from the single-diode model fitted to a nameplate.
 */
export const THIN_FILM_UNCERTAINTY = { volts: 0.02, amps: 0.03 };

/**
 * How far the modules of one type drift apart, per year of service and module, relative; in a string it
 * averages down.
 */
export const SPREAD_PER_YEAR = { volts: 0.0004, amps: 0.0015 };

/**
 * Irradiance on the rear of a bifacial module as a gain on its front, where the sensor measures the front
 * alone: mean and standard uncertainty. Racks over usual ground give 3 to 15 %.
 */
export const REAR_GAIN = { value: 0.08, uncertainty: 0.05 };

/** How far a module's own coefficients may lie from the typical ones of its technology, %/K. */
export const TYPICAL_COEFFICIENT_UNCERTAINTY = { alphaIsc: 0.02, betaVoc: 0.03 };

/** A rectangular distribution of half width 1 has this standard deviation (JCGM 100:2008, 4.3.7). */
export const RECTANGULAR = 1 / Math.sqrt(3);

/**
 * How far the cell temperatures of comparable strings of one plane differ, K: edge and middle of a roof,
 * wind, a warmer sheet behind some. The readings say the rest.
 */
export const TEMPERATURE_SCATTER: ScatterPrior = {
	median: 1.1,
	logSpread: 0.6,
	faulty: 0.06,
	faultyWidth: 80
};

/** How far the irradiance moves between two currents of one series, relative. */
export const IRRADIANCE_SCATTER: ScatterPrior = {
	median: 0.01,
	logSpread: 0.6,
	faulty: 0.08,
	faultyWidth: 1
};

/** How far a maximum-power tracker sits beside the maximum of its string, relative. */
export const TRACKING_SCATTER: ScatterPrior = {
	median: 0.007,
	logSpread: 0.6,
	faulty: 0.1,
	faultyWidth: 1
};

/**
 * What is known of a plane from conditions that were stated for another, whose direction to the sun is not
 * known: relative standard uncertainty of its irradiance, and K.
 */
export const OTHER_PLANE = { irradiance: 0.3, temperature: 5 };
