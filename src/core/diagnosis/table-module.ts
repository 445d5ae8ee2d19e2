import { DIODE_OVER_RANGE } from '../expectation';
import { rightDensity, wrongDensity, type Predicted } from './evidence';
import { entropy, informationOf, outcomesOf } from './next/information';

/*
 * One module on a table, folding ones too: its sections in series, each with a diode across it, and the
 * joints between them. Which section is dead, or which joint open, by volts, ohms and diode test.
 */

const TABLE_FAULTS = [
	'section-dead',
	'diode-shorted',
	'section-and-diode-open',
	'joint-open',
	'joint-resistive'
] as const;
export type TableFault = (typeof TABLE_FAULTS)[number];

export type TableQuantity = 'leads' | 'section' | 'joint' | 'diode-reverse';

/** A reading at the module: of its leads, or of a section or joint by number from the negative lead, from 0. */
export interface TableReading {
	readonly quantity: TableQuantity;
	readonly at: number;
	/** V, ohm (joint), V of a diode tester. */
	readonly value: number;
}

/** What is known of the module before it is read. */
export interface TableModule {
	readonly substrings: number;
	/** Nameplate Voc of the whole, V. */
	readonly voc: number;
	/** Voc of a healthy module of the same type beside it, in the same light now, V; null without one. */
	readonly reference: number | null;
}

/** One thing that may be wrong, and where; null: whole. */
export interface TablePossible {
	readonly fault: TableFault | null;
	readonly at: number;
	readonly probability: number;
}

export interface TableTest {
	readonly quantity: TableQuantity;
	readonly at: number;
	/** Expected, bit. */
	readonly information: number;
	readonly minutes: number;
	/** Likeliest first: figures in the unit of the reading, and what they leave. */
	readonly outcomes: readonly {
		readonly low: number;
		readonly high: number;
		readonly probability: number;
		readonly leaves: readonly TablePossible[];
	}[];
}

/** Voltage at the leads after a substring was bypassed, and what it rests on. */
interface BridgedVoltage {
	/** V */
	readonly voltage: number;
	readonly from: 'own-readings' | 'reference' | 'nameplate';
}

export interface TableAnswer {
	/** Likeliest first. */
	readonly possible: readonly TablePossible[];
	/** Best first. */
	readonly next: readonly TableTest[];
	/** Voltage to be expected at the leads with the likeliest substring bypassed; null where none is to be. */
	readonly bridged: BridgedVoltage | null;
}

/** Chance per section or joint of a module that somebody brings to a table; judgement. */
const RATES: Readonly<Record<TableFault, number>> = {
	'section-dead': 0.06,
	'diode-shorted': 0.05,
	'section-and-diode-open': 0.02,
	'joint-open': 0.04,
	'joint-resistive': 0.02
};
/** Share of its nameplate Voc that a module in daylight shows, where neither light nor temperature is known. */
const SHARE = { value: 0.94, uncertainty: 0.05 };
/** Beside a reference module in the same light; Zembo default: scatter of modules and of their temperature. */
const BESIDE_REFERENCE = 0.015;
const MINUTES: Readonly<Record<TableQuantity, number>> = {
	leads: 0.5,
	section: 1,
	joint: 1.5,
	'diode-reverse': 2
};
const OVER_RANGE = DIODE_OVER_RANGE;

const placesOf = (fault: TableFault, { substrings }: TableModule) =>
	fault.startsWith('joint') ? substrings + 1 : substrings;

function predictReading(
	{ quantity, at }: Pick<TableReading, 'quantity' | 'at'>,
	fault: TableFault | null,
	where: number,
	{ substrings, voc, reference }: TableModule
): Predicted {
	const substring = (reference ?? SHARE.value * voc) / substrings;
	const uncertainty = reference === null ? SHARE.uncertainty : BESIDE_REFERENCE;
	const scale = 1.3 * voc;
	const here = where === at;
	const voltage = (value: number) => ({
		value,
		sigma: Math.hypot(uncertainty * value, 0.02 * substring),
		scale
	});
	switch (quantity) {
		case 'leads': {
			if (fault === 'joint-open' || fault === 'section-and-diode-open') return voltage(0);
			const lost = fault === 'section-dead' || fault === 'diode-shorted' ? 1 : 0;
			return voltage((substrings - lost) * substring);
		}
		case 'section': {
			const dead =
				here &&
				(fault === 'section-dead' ||
					fault === 'diode-shorted' ||
					fault === 'section-and-diode-open');
			return voltage(dead ? 0 : substring);
		}
		case 'joint':
			if (here && fault === 'joint-open') return { value: 6, sigma: 1, scale: 6 };
			return here && fault === 'joint-resistive'
				? { value: 0.5, sigma: 0.4, scale: 6 }
				: { value: -1, sigma: 0.35, scale: 6 };
		case 'diode-reverse':
			return here && fault === 'diode-shorted'
				? { value: 0.02, sigma: 0.04, scale: 10 }
				: { value: OVER_RANGE, sigma: 0.5, scale: 10 };
	}
}

const onScale = ({ quantity, value }: TableReading) =>
	quantity === 'joint' ? Math.log10(Math.min(Math.max(value, 0.05), 1e8)) : value;

/** Weighs everything that may be wrong with a module on a table, and what to read next. */
export function traceTableModule(
	module: TableModule,
	readings: readonly TableReading[]
): TableAnswer {
	const all = [
		{ fault: null, at: 0, weight: 1 },
		...TABLE_FAULTS.flatMap((fault) =>
			Array.from({ length: placesOf(fault, module) }, (_, at) => ({
				fault,
				at,
				weight: RATES[fault]
			}))
		)
	].map((one) => ({
		...one,
		weight: readings.reduce((product, reading) => {
			const predicted = predictReading(reading, one.fault, one.at, module);
			const measured = onScale(reading);
			return product * (rightDensity(measured, predicted) + wrongDensity(measured, predicted));
		}, one.weight)
	}));
	const total = all.reduce((sum, { weight }) => sum + weight, 0);
	const possible = all
		.map(({ fault, at, weight }): TablePossible => ({ fault, at, probability: weight / total }))
		.sort((a, b) => b.probability - a.probability);
	const [first] = possible;
	const bridging = first!.fault === 'section-dead' || first!.fault === 'section-and-diode-open';
	return {
		possible,
		next: nextOf(module, readings, possible),
		bridged: bridging ? bridgedVoltage(module, readings, first!.at) : null
	};
}

/** By the person's own readings of the other substrings, else by the reference module, else by the nameplate. */
function bridgedVoltage(
	{ substrings, voc, reference }: TableModule,
	readings: readonly TableReading[],
	dead: number
): BridgedVoltage {
	const newest = new Map(
		readings
			.filter(({ quantity, at }) => quantity === 'section' && at !== dead)
			.map(({ at, value }) => [at, value])
	);
	const own = [...newest.values()];
	if (own.length > 0) {
		const sum = own.reduce((total, value) => total + value, 0);
		// Substrings that were not read are taken as the mean of those that were.
		return { voltage: (sum / own.length) * (substrings - 1), from: 'own-readings' };
	}
	const left = 1 - 1 / substrings;
	return reference === null
		? { voltage: SHARE.value * voc * left, from: 'nameplate' }
		: { voltage: reference * left, from: 'reference' };
}

/** Every test that was not taken yet, in the order of the module: for who chooses another order. */
export function testsLeft(
	{ substrings }: TableModule,
	readings: readonly TableReading[]
): { readonly quantity: TableQuantity; readonly at: number }[] {
	const taken = new Set(readings.map(({ quantity, at }) => `${quantity}/${at}`));
	return [
		{ quantity: 'leads' as const, at: 0 },
		...Array.from({ length: substrings }, (_, at) => [
			{ quantity: 'section' as const, at },
			{ quantity: 'diode-reverse' as const, at }
		]).flat(),
		...Array.from({ length: substrings + 1 }, (_, at) => ({ quantity: 'joint' as const, at }))
	].filter(({ quantity, at }) => !taken.has(`${quantity}/${at}`));
}

/** A test that tells less than this is not worth the probes, bit. */
const WORTH_TAKING = 0.03;

function nextOf(
	module: TableModule,
	readings: readonly TableReading[],
	possible: readonly TablePossible[]
): TableTest[] {
	return testsLeft(module, readings)
		.map((test) => tableTest(module, test, possible))
		.filter(({ information }) => information >= WORTH_TAKING)
		.sort((a, b) => b.information / b.minutes - a.information / a.minutes);
}

/** What one test would tell. */
export function tableTest(
	module: TableModule,
	{ quantity, at }: Pick<TableTest, 'quantity' | 'at'>,
	possible: readonly TablePossible[]
): TableTest {
	const outcomes = outcomesOf(
		possible.map((one) => {
			const { value, sigma } = predictReading({ quantity, at }, one.fault, one.at, module);
			return { weight: one.probability, value: value ?? 0, sigma };
		})
	);
	const shown = (value: number) => (quantity === 'joint' ? 10 ** value : value);
	return {
		quantity,
		at,
		minutes: MINUTES[quantity],
		information: informationOf(outcomes),
		outcomes: outcomes
			.map(({ low, high, probability, of }) => ({
				low: shown(low),
				high: shown(high),
				probability,
				leaves: of.map((index) => possible[index]!)
			}))
			.sort((a, b) => b.probability - a.probability)
	};
}

/** Bits that are still open about a module. */
export function openBits({ possible }: Pick<TableAnswer, 'possible'>): number {
	return entropy(possible.map(({ probability }) => probability));
}
