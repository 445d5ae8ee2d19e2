import { parseDecimal } from './decimal';
import { refuse, type Result } from './result';

const PREFIXES: Readonly<Record<string, number>> = {
	n: 1e-9,
	u: 1e-6,
	µ: 1e-6,
	μ: 1e-6,
	m: 1e-3,
	k: 1e3,
	K: 1e3,
	M: 1e6,
	G: 1e9
};

interface UnitFacts {
	/** Ways to write it, lower case. */
	readonly names: readonly string[];
	/** In the base unit that prefixes multiply; null where none is used with it. */
	readonly base: number | null;
}

const OHM_NAMES = ['ω', 'Ω', 'ohm', 'ohms'];
const UNITS: Readonly<Record<string, UnitFacts>> = {
	V: { names: ['v', 'volt', 'volts', 'vdc', 'v dc', 'vac', 'v ac'], base: 1 },
	A: { names: ['a', 'amp', 'amps', 'ampere', 'amperes', 'adc', 'a dc', 'aac', 'a ac'], base: 1 },
	ohm: { names: OHM_NAMES, base: 1 },
	Mohm: { names: OHM_NAMES, base: 1e6 },
	W: { names: ['w', 'watt', 'watts'], base: 1 },
	m: { names: ['m', 'metre', 'metres', 'meter', 'meters'], base: 1 },
	mm: { names: ['m'], base: 1e-3 },
	Ah: { names: ['ah'], base: 1 },
	'W/m²': { names: ['w/m²', 'w/m2', 'w/m^2'], base: 1 },
	'°C': { names: ['°c', 'c', 'degc', 'deg c', '° c'], base: null },
	K: { names: ['k', '°c', 'c', 'degc'], base: null },
	'%': { names: ['%', 'percent'], base: null },
	'mm²': { names: ['mm²', 'mm2', 'mm^2', 'sqmm'], base: null },
	'°': { names: ['°', 'deg'], base: null },
	min: { names: ['min', 'minutes'], base: null },
	h: { names: ['h', 'hours'], base: null },
	s: { names: ['s', 'seconds'], base: null }
};

const FIGURE_AND_REST = /^([+\-\u2212\u2013]?\s*[\d.,]+)\s*([^\d.,\s].*)$/;

/**
 * Reads a figure with or without its unit: "453,2 V", "30 mV" for V, "4.7 MΩ" or "4700 kΩ" for Mohm.
 *
 * @param unit that the field is in; the answer is in it
 * @returns the number, or one sentence that says what is wrong and how to mend it
 */
export function parseQuantity(typed: string, unit: string): Result<number, string> {
	const match = FIGURE_AND_REST.exec(typed.trim());
	if (!match || /^e[+-]?\d/i.test(match[2]!)) return parseDecimal(typed);
	const factor = factorOf(match[2]!.trim(), unit);
	if (factor === null) {
		const wanted = unit === '' ? 'without a unit' : `in ${unit}`;
		return refuse(`“${typed.trim()}” is not a number ${wanted}. Type the figure, as in 453.2.`);
	}
	const figure = parseDecimal(match[1]!.replace(/\s/g, ''));
	return figure.ok ? { ok: true, value: Number((figure.value * factor).toPrecision(12)) } : figure;
}

/** What a figure in a written unit is multiplied by to be in a field's unit; null where it is another unit. */
function factorOf(written: string, unit: string): number | null {
	if (written === unit) return 1;
	const facts = UNITS[unit];
	if (!facts) return null;
	const plain = written.toLowerCase();
	const { names, base } = facts;
	// An exact name comes before a prefix: "m" is metre, "K" is kelvin.
	if (names.includes(plain) || names.includes(written)) return base === null ? 1 : 1 / base;
	if (base === null) return null;
	const prefix = PREFIXES[written[0]!];
	const rest = written.slice(1).trim();
	return prefix !== undefined && (names.includes(rest.toLowerCase()) || names.includes(rest))
		? prefix / base
		: null;
}
