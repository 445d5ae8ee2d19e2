import { refuse, succeed, type Result } from './result';

const PLAIN_FIGURE = /^[+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)$/;
const EXPONENT = /^[+-]?[\d.,]+e[+-]?\d+$/i;

/**
 * Reads a figure as a technician types it: decimal point or decimal comma, an optional sign, no
 * thousands separators (they cannot be told from a decimal comma), no exponent.
 *
 * @param typed what stands in the field; surrounding blanks and a typographic minus are accepted
 * @returns the number, or one sentence that says what is wrong and how to mend it
 */
export function parseDecimal(typed: string): Result<number, string> {
	const text = typed.trim().replace(/^[\u2212\u2013]/, '-');
	if (text === '') return refuse('Nothing is typed here. Type the figure from the display.');
	if (EXPONENT.test(text)) {
		return refuse(`“${text}” is written with an exponent. Type the figure in full, as in 453.2.`);
	}
	if ((text.match(/[.,]/g) ?? []).length > 1) {
		return refuse(
			`“${text}” has more than one decimal mark. Type one point or one comma, as in 453.2 or 453,2, and no thousands mark.`
		);
	}
	if (!PLAIN_FIGURE.test(text)) {
		return refuse(`“${text}” is not a number. Type figures only, as in 453.2 or 453,2.`);
	}
	return succeed(Number(text.replace(',', '.')));
}
