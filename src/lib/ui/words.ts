import type { VerdictWord } from '$core/expectation/verdict';
import type { Quantity } from '$core/expectation/visit';

export const VERDICT_WORDS: Readonly<Record<VerdictWord, string>> = {
	fits: 'fits',
	look: 'look',
	off: 'off',
	'no-basis': 'no basis'
};

interface QuantityWords {
	readonly name: string;
	readonly symbol: string;
	readonly unit: 'V' | 'A';
	readonly state: string;
	readonly meter: string;
}

export const QUANTITY_WORDS: Readonly<Record<Quantity, QuantityWords>> = {
	'open-circuit-voltage': {
		name: 'Open circuit',
		symbol: 'Voc',
		unit: 'V',
		state: 'isolated, at the source side of its fuse',
		meter: 'Volts DC, red on plus'
	},
	'operating-current': {
		name: 'Running',
		symbol: 'I',
		unit: 'A',
		state: 'running, inverter on',
		meter: 'Clamp DC, zeroed, one conductor'
	},
	'short-circuit-current': {
		name: 'Short circuit',
		symbol: 'Isc',
		unit: 'A',
		state: 'isolated, shorted through rated switchgear',
		meter: 'Tester, or clamp round the shorting lead'
	}
};

/** "1 string", "8 strings": regular plurals only. */
export function count(n: number, word: string): string {
	return `${n} ${word}${n === 1 ? '' : 's'}`;
}

/** A chance in percent, never rounded to certainty: ">99 %", "3 %". */
export function chance(probability: number): string {
	return probability > 0.995 ? '>99 %' : `${Math.max(1, Math.round(100 * probability))} %`;
}

/** Figures as they stand on the screen: tenths of a volt, hundredths of an amp. */
export function figureOf(value: number, unit: 'V' | 'A'): string {
	return value.toFixed(unit === 'V' ? 1 : 2);
}

/** {@link figureOf} with a true minus, and no sign on what rounds to nothing. */
export function plainFigure(value: number, unit: 'V' | 'A'): string {
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
export function kilowatts(watts: number): string {
	return `${(watts / 1000).toFixed(1)} kW`;
}
