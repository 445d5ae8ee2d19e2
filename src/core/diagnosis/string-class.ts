import type { ModuleType, StringRecord } from '../record';
import {
	CATALOGUE,
	type Family,
	type Fault,
	faultOf,
	type FaultRates,
	partsOfSpread,
	rateOf,
	severitiesOf,
	type Severity,
	type StringFaultCode
} from '../faults';
import type { Quantity } from '../visit';

/** One fault of one size. */
export interface FaultOfSize {
	readonly fault: Fault;
	readonly severity: Severity;
}

/**
 * One way a string may be, its place left open: whole (no faults), with one fault of one size, or with
 * two at once.
 */
export interface StringClass {
	readonly faults: readonly FaultOfSize[];
	readonly prior: number;
}

/** Chance that faults altogether may have, however long a string is. */
const MOST = 0.6;

/** Two faults at once: one that takes volts and one that takes current, the pairs that readings can show. */
const PAIRS: readonly (readonly [StringFaultCode, StringFaultCode])[] = (
	['bypass-diode-shorted', 'section-open', 'module-missing'] as const
).flatMap((first) =>
	(['soiling', 'module-degraded', 'connector-resistive', 'fuse-blown'] as const).map(
		(second) => [first, second] as const
	)
);
/** Of the second fault of a pair so many sizes are weighed, spread over its range. */
const PAIR_SIZES = 2;

/** Chance that a string has a fault of a code at all. */
function priorOf(fault: Fault, string: StringRecord, type: ModuleType, rates: FaultRates): number {
	if (!fault.found(string)) return 0;
	const parts = partsOfSpread(fault.spread, string, type);
	return 1 - (1 - rateOf(fault.code, rates)) ** parts;
}

/**
 * Every class of one string with its prior, whole first: rate per part times the parts of this string,
 * spread over the sizes; pairs by the product of their priors.
 *
 * @param rates where they are not the usual ones; a fault that has one here, by the site or by the inverter's
 * message, is asked about before anything shows it
 * @param read quantities that were read at the string, by which faults without effect can show
 * @param voltsRatio its open-circuit voltage over that of a healthy one where that is out of the ordinary, 1
 */
export function classesOf(
	string: StringRecord,
	type: ModuleType,
	rates: FaultRates,
	read: ReadonlySet<Quantity>,
	voltageRatio: number | null = null
): readonly [StringClass, ...StringClass[]] {
	const shown = CATALOGUE.filter(
		({ shownBy, code }) =>
			shownBy === null || code in rates || shownBy.some((quantity) => read.has(quantity))
	);
	const single = shown.flatMap((fault) => {
		const prior = priorOf(fault, string, type, rates);
		if (prior <= 0) return [];
		const severities = severitiesOf(fault, string);
		const fitting =
			fault.code === 'record-wrong' && voltageRatio !== null ? otherTypeAt(voltageRatio) : [];
		return [...severities, ...fitting].map((severity) => ({
			faults: [{ fault, severity }],
			prior: prior * severity.share
		}));
	});
	const pairs = PAIRS.flatMap(([a, b]) => {
		const first = faultOf(a);
		const second = faultOf(b);
		const prior = priorOf(first, string, type, rates) * priorOf(second, string, type, rates);
		if (prior <= 0) return [];
		const sizes = spread(second.severities, PAIR_SIZES);
		const [size] = first.severities;
		return sizes.map((severity) => ({
			faults: [
				{ fault: first, severity: size },
				{ fault: second, severity }
			],
			prior: prior / sizes.length
		}));
	});
	const all = [...single, ...pairs];
	const total = all.reduce((sum, { prior }) => sum + prior, 0);
	const scale = Math.min(1, MOST / total);
	return [
		{ faults: [], prior: 1 - total * scale },
		...all.map((one) => ({ ...one, prior: one.prior * scale }))
	];
}

/** Ratios of current at which another type is looked for beside the measured ratio of voltage. */
const CURRENT_RATIOS = [0.8, 0.87, 0.93, 1, 1.07, 1.15, 1.24];
/** Range over which the voltage of another type may lie, 1; within it every ratio is as likely. */
const VOLTAGE_RANGE = 0.5;
/** The measured ratio stands for so much of that range: the uncertainty of its prediction times the root of 2 pi. */
const VOLTAGE_WIDTH = 0.065;

/**
 * Another type that has just the voltage that was read: the usual sizes lie so far apart that between two of
 * them a coincidence of two other faults would seem likelier.
 */
function otherTypeAt(voltageRatio: number): Severity[] {
	return CURRENT_RATIOS.map((size) => ({
		size,
		second: voltageRatio,
		share: VOLTAGE_WIDTH / VOLTAGE_RANGE / CURRENT_RATIOS.length,
		words: `its current × ${size.toFixed(2)}, its voltage × ${voltageRatio.toFixed(2)}`
	}));
}

/** So many of a list, evenly from its inside. */
function spread<T>(list: readonly T[], count: number): T[] {
	if (list.length <= count) return [...list];
	return Array.from(
		{ length: count },
		(_, i) => list[Math.round(((i + 0.5) * list.length) / count - 0.5)]!
	);
}

/** Families with which no current flows while the inverter runs. */
const NO_CURRENT: readonly Family[] = ['no-current', 'open-path', 'swapped'];

/** Whether a string that is so carries no current while the inverter runs. */
export function carriesNoCurrent({ faults }: Pick<StringClass, 'faults'>): boolean {
	return faults.some(({ fault }) => NO_CURRENT.includes(fault.family));
}
