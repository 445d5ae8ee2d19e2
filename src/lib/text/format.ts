import type { Verdict } from '$core/assessment';
import type { Unit } from '$core/visit';

export const VERDICT_LABELS: Readonly<Record<Verdict, string>> = {
	pass: 'Pass',
	marginal: 'Marginal',
	fail: 'Fail',
	'not-assessed': 'Not assessed'
};

/** "1 string", "8 strings": regular plurals only. */
export function count(n: number, word: string): string {
	return `${n} ${word}${n === 1 ? '' : 's'}`;
}

/** A chance in percent, never rounded to certainty: ">99 %", "3 %". */
export function chance(probability: number): string {
	return probability > 0.995 ? '>99 %' : `${Math.max(1, Math.round(100 * probability))} %`;
}

const DIGITS: Readonly<Record<Unit, number>> = {
	V: 1,
	A: 2,
	ohm: 2,
	Mohm: 2,
	W: 0,
	K: 1,
	'%': 1,
	'': 0
};

/** Volts below which hundredths count: of a diode, or across a fuse. */
const SMALL_VOLTAGE = 2;

/** Figures as they stand on the screen: tenths of a volt, hundredths of a few volts and of an amp. */
export function figureOf(value: number, unit: Unit): string {
	const small = unit === 'V' && value !== 0 && Math.abs(value) < SMALL_VOLTAGE;
	return value.toFixed(small ? 2 : DIGITS[unit]);
}

/** {@link figureOf} with a true minus, and no sign on what rounds to nothing. */
export function plainFigure(value: number, unit: Unit): string {
	const text = figureOf(Math.abs(value), unit);
	return value < 0 && Number(text) !== 0 ? `\u2212${text}` : text;
}

/** With its sign, and a true minus. */
export function signed(value: number, digits: number): string {
	const text = Math.abs(value).toFixed(digits);
	if (Number(text) === 0) return `±${text}`;
	return `${value < 0 ? '\u2212' : '+'}${text}`;
}

/** Mean power on the labels of a record, kW. */
export function kilowatts(power: number): string {
	return `${(power / 1000).toFixed(1)} kW`;
}
