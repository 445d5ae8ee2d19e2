import type { StringCircuit } from '../circuit/description';
import type { FaultPlace } from './place';
import type { Fault, Severity, StringFaultCode } from './fault';
import { injectIntoString } from './string-effects';
import { isRunning } from '../expectation/switching';

/** The string with the fault; as it was where it has no such part. Readings from outside do not tell the place. */
function faulty(
	circuit: StringCircuit,
	code: StringFaultCode,
	size: number,
	place: FaultPlace = {}
): StringCircuit {
	const changed = injectIntoString(circuit, code, place, size);
	return typeof changed === 'string' ? circuit : changed;
}

/** The same fault in one section after another. */
function inSections(circuit: StringCircuit, code: StringFaultCode, count: number): StringCircuit {
	let changed = circuit;
	for (let section = 0; section < count; section++) {
		changed = faulty(changed, code, 0, { section });
	}
	return changed;
}

const ONE: readonly [Severity] = [{ size: 1, share: 1, words: '' }];

const SECTIONS: readonly [Severity, ...Severity[]] = [
	{ size: 1, share: 0.85, words: 'one section' },
	{ size: 2, share: 0.15, words: 'two sections' }
];

/**
 * Sizes evenly spaced in the logarithm. Neighbours lie closer than a clamp can tell them apart, or a
 * fault between two sizes would look like none.
 */
function logSteps(first: number, last: number, count: number): number[] {
	return Array.from({ length: count }, (_, i) => first * (last / first) ** (i / (count - 1)));
}

function severities(
	sizes: readonly number[],
	weight: (size: number) => number,
	words: (size: number) => string
): [Severity, ...Severity[]] {
	const total = sizes.reduce((sum, size) => sum + weight(size), 0);
	return sizes.map((size) => ({
		size,
		share: weight(size) / total,
		words: words(size)
	})) as [Severity, ...Severity[]];
}

const RESISTANCES = severities(
	logSteps(0.3, 20, 14),
	() => 1,
	(ohms) => `about ${ohms.toPrecision(ohms < 10 ? 1 : 2)} ohm`
);

/** Small losses are met more often than large ones. */
const DIRT = severities(
	logSteps(0.03, 0.5, 14),
	(loss) => 1 / (0.1 + loss),
	(loss) => `about ${Math.round(100 * loss)} % of its light`
);

/**
 * The catalogue. Rates are judgement: what a tester of many inherited arrays would expect to meet
 * at one visit, per part.
 */
export const CATALOGUE: readonly Fault[] = [
	{
		code: 'bypass-diode-shorted',
		family: 'lost-section',
		parts: (string, type) => string.moduleCount * type.plate.sections,
		rate: 3e-4,
		severities: SECTIONS,
		inject: (circuit, { size }) => inSections(circuit, 'bypass-diode-shorted', size)
	},
	{
		code: 'section-open',
		family: 'lost-section',
		parts: (string, type) => string.moduleCount * type.plate.sections,
		rate: 3e-4,
		severities: SECTIONS,
		inject: (circuit, { size }) => inSections(circuit, 'section-open', size)
	},
	{
		code: 'module-missing',
		family: 'lost-module',
		parts: () => 1,
		rate: 0.012,
		severities: [
			{ size: 1, share: 0.88, words: 'one module' },
			{ size: 2, share: 0.12, words: 'two modules' }
		],
		inject: (circuit, { size }) => faulty(circuit, 'module-missing', size)
	},
	{
		code: 'module-open',
		family: 'open-path',
		parts: (string) => string.moduleCount,
		rate: 2e-4,
		severities: ONE,
		inject: (circuit) => faulty(circuit, 'module-open', 0)
	},
	{
		code: 'connector-open',
		family: 'open-path',
		parts: (string) => string.moduleCount + 1,
		rate: 4e-4,
		severities: ONE,
		inject: (circuit) => faulty(circuit, 'connector-open', 0)
	},
	{
		code: 'fuse-blown',
		family: 'no-current',
		parts: (string) => (string.fuse ? 1 : 0),
		rate: 0.015,
		severities: ONE,
		inject: (circuit) => faulty(circuit, 'fuse-blown', 0)
	},
	{
		code: 'module-reversed',
		family: 'turned',
		parts: (string) => string.moduleCount,
		rate: 1.5e-4,
		severities: ONE,
		inject: (circuit) => faulty(circuit, 'module-reversed', 0)
	},
	{
		code: 'connector-reversed',
		family: 'swapped',
		parts: () => 1,
		rate: 0.002,
		severities: ONE,
		// On a live bus the fuse opens; without one the current is anyone's guess.
		inject: (circuit, _, state) => {
			if (!isRunning(state)) return faulty(circuit, 'connector-reversed', 0);
			return circuit.fuses?.positive ? faulty(circuit, 'fuse-blown', 0) : null;
		}
	},
	{
		code: 'soiling',
		family: 'low-current',
		parts: () => 1,
		rate: 0.02,
		severities: DIRT,
		inject: (circuit, { size }) => faulty(circuit, 'soiling', size)
	},
	{
		code: 'connector-resistive',
		family: 'low-current',
		parts: (string) => string.moduleCount + 1,
		rate: 8e-4,
		severities: RESISTANCES,
		inject: (circuit, { size }) => faulty(circuit, 'connector-resistive', size)
	}
];

const BY_CODE = new Map(CATALOGUE.map((fault) => [fault.code, fault]));

export function faultOf(code: StringFaultCode): Fault {
	return BY_CODE.get(code)!;
}
