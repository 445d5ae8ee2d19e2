import type { StringCircuit } from '../circuit/string';
import type { SingleDiode } from '../module/single-diode';
import type { Fault, Severity, StringFaultCode } from './fault';

/** A module under a share of the light: photocurrent times it, shunt over it. */
function dimmed(module: SingleDiode, share: number): SingleDiode {
	return {
		...module,
		photocurrent: module.photocurrent * share,
		shuntResistance: module.shuntResistance / share
	};
}

function without(circuit: StringCircuit, sections: number): StringCircuit {
	return { ...circuit, forwardSections: Math.max(circuit.forwardSections - sections, 0) };
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
		words: 'Bypass diode shorted',
		family: 'lost-section',
		parts: (string, type) => string.moduleCount * type.plate.sections,
		rate: 3e-4,
		severities: SECTIONS,
		inject: (circuit, { size }) => without(circuit, size)
	},
	{
		code: 'section-open',
		words: 'Section open behind its diode',
		family: 'lost-section',
		parts: (string, type) => string.moduleCount * type.plate.sections,
		rate: 3e-4,
		severities: SECTIONS,
		inject: (circuit, { size }) => ({ ...without(circuit, size), diodeSections: size })
	},
	{
		code: 'module-missing',
		words: 'Fewer modules than the record says',
		family: 'lost-module',
		parts: () => 1,
		rate: 0.012,
		severities: [
			{ size: 1, share: 0.88, words: 'one module' },
			{ size: 2, share: 0.12, words: 'two modules' }
		],
		inject: (circuit, { size }) => without(circuit, size * circuit.sectionsPerModule)
	},
	{
		code: 'module-open',
		words: 'Module open',
		family: 'open-path',
		parts: (string) => string.moduleCount,
		rate: 2e-4,
		severities: ONE,
		inject: (circuit) => ({ ...circuit, open: true })
	},
	{
		code: 'connector-open',
		words: 'Connector open',
		family: 'open-path',
		parts: (string) => string.moduleCount + 1,
		rate: 4e-4,
		severities: ONE,
		inject: (circuit) => ({ ...circuit, open: true })
	},
	{
		code: 'fuse-blown',
		words: 'String fuse blown',
		family: 'no-current',
		parts: (string) => (string.fuse ? 1 : 0),
		rate: 0.015,
		severities: ONE,
		// Isolated volts and short-circuit current are taken at the source side of the fuse.
		inject: (circuit, _, state) => (state === 'operating' ? { ...circuit, open: true } : circuit)
	},
	{
		code: 'module-reversed',
		words: 'Module turned round in the string',
		family: 'turned',
		parts: (string) => string.moduleCount,
		rate: 1.5e-4,
		severities: ONE,
		inject: (circuit) => ({
			...without(circuit, circuit.sectionsPerModule),
			reversedSections: circuit.sectionsPerModule
		})
	},
	{
		code: 'connector-reversed',
		words: 'String leads swapped at the combiner or inverter',
		family: 'swapped',
		parts: () => 1,
		rate: 0.002,
		severities: ONE,
		// On a live bus the fuse opens; without one the current is anyone's guess.
		inject: (circuit, _, state, string) => {
			if (state !== 'operating') return { ...circuit, leadsReversed: true };
			return string.fuse ? { ...circuit, open: true } : null;
		}
	},
	{
		code: 'soiling',
		words: 'Dirt on this string',
		family: 'low-current',
		parts: () => 1,
		rate: 0.02,
		severities: DIRT,
		inject: (circuit, { size }) => ({ ...circuit, module: dimmed(circuit.module, 1 - size) })
	},
	{
		code: 'connector-resistive',
		words: 'Resistance in a connector',
		family: 'low-current',
		parts: (string) => string.moduleCount + 1,
		rate: 8e-4,
		severities: RESISTANCES,
		inject: (circuit, { size }) => ({
			...circuit,
			seriesResistance: circuit.seriesResistance + size
		})
	}
];

const BY_CODE = new Map(CATALOGUE.map((fault) => [fault.code, fault]));

export function faultOf(code: StringFaultCode): Fault {
	return BY_CODE.get(code)!;
}
