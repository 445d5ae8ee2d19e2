import type { FaultCode } from '../visit';

/**
 * Chance that one part has the fault at one visit. All of it judgement: what a tester of many inherited
 * arrays would expect to meet. Per section, module, joint, device or string, as the catalogue counts.
 */
export const USUAL_RATES = {
	'bypass-diode-shorted': 3e-4,
	'section-open': 3e-4,
	'section-resistive': 4e-5,
	'bypass-diode-open': 2e-4,
	'module-missing': 0.008,
	'module-extra': 0.002,
	'module-shorted': 1.5e-4,
	'module-open': 2e-4,
	'module-reversed': 1.5e-4,
	'module-degraded': 2e-3,
	'module-pid': 1e-4,
	'module-wrong-type': 1e-4,
	'hot-cell': 5e-5,
	soiling: 0.02,
	shade: 0.018,
	'connector-open': 4e-4,
	'connector-resistive': 2e-3,
	'connector-reversed': 0.003,
	'fuse-blown': 0.008,
	'fuse-wrong-rating': 0.01,
	'blocking-diode-open': 0.006,
	'blocking-diode-shorted': 0.006,
	'rsd-device-off': 6e-4,
	'rsd-device-stuck-on': 3e-4,
	'record-wrong': 0.006,
	'earth-fault': 4e-4,
	'disconnect-open': 0.006,
	'rsd-no-signal': 0.02,
	'inverter-no-ac': 0.01,
	'strings-swapped': 0.004,
	'inverter-derating': 0.01,
	'mppt-mode-wrong': 0.004,
	'cable-damaged': 0.003,
	'moisture-intermittent': 0.004,
	'spd-failed': 0.02,
	'gfdi-fuse-blown': 0.005,
	'arc-fault': 0.003,
	'disconnect-welded': 0.003,
	'controller-mismatch': 0.05,
	'optimiser-dead': 1e-3,
	'micro-inverter-dead': 3e-3
} as const satisfies Partial<Record<FaultCode, number>>;

/** Codes whose rate a site may set for itself. */
export type RatedCode = keyof typeof USUAL_RATES;
export const RATED_CODES = Object.keys(USUAL_RATES) as RatedCode[];

/** Rates of a site where they are not the usual ones, by code. */
export type FaultRates = Readonly<Record<string, number>>;

/** The rate that holds at a site. */
export function rateOf(code: RatedCode, own: FaultRates): number {
	return own[code] ?? USUAL_RATES[code];
}
