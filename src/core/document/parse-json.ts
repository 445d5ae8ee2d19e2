import { refuse, type Result, succeed } from '../units';

/** Brackets within brackets; the deepest of Zembo's own files has 12. */
const DEEPEST = 60;
/** Values and names; a site of 2,000 strings over ten years has a third of it. */
const MOST_VALUES = 4_000_000;

const QUOTE = 34;
const COMMA = 44;
const COLON = 58;
const OPEN = [91, 123];
const CLOSE = [93, 125];
const BACKSLASH = 92;

/**
 * JSON of a text that somebody sent. Its depth and the number of its values are counted before anything is built of
 * it: a small text can name far more objects than there is memory for.
 *
 * @returns the value, or what is wrong with the text
 */
export function parseJson(text: string): Result<unknown, string> {
	const error = sizeError(text);
	if (error) return refuse(error);
	try {
		return succeed(JSON.parse(text));
	} catch (error) {
		return refuse(error instanceof Error ? error.message : String(error));
	}
}

function sizeError(text: string): string | null {
	let depth = 0;
	let values = 1;
	for (let at = 0; at < text.length; at++) {
		const code = text.charCodeAt(at);
		if (code === QUOTE) {
			at = endOfString(text, at + 1);
		} else if (code === COMMA || code === COLON) {
			if (++values > MOST_VALUES) return `it holds more than ${MOST_VALUES} values`;
		} else if (OPEN.includes(code)) {
			if (++depth > DEEPEST) return `it has more than ${DEEPEST} brackets within one another`;
		} else if (CLOSE.includes(code)) depth--;
	}
	return null;
}

/** Place of the quotation mark that ends a string; the end of the text where none does. */
function endOfString(text: string, from: number): number {
	for (let at = from; ;) {
		const quote = text.indexOf('"', at);
		if (quote < 0) return text.length;
		let slashes = 0;
		while (text.charCodeAt(quote - 1 - slashes) === BACKSLASH) slashes++;
		if (slashes % 2 === 0) return quote;
		at = quote + 1;
	}
}
