import Papa from 'papaparse';

/** Longest run of text without an end of line, characters: beyond, a quotation mark was never closed. */
const LONGEST_LINE = 1_000_000;

/** Cells of whole lines out of pieces of a file that end anywhere. */
export class PieceReader {
	#decoder: TextDecoder | null = null;
	#rest = '';

	constructor(readonly delimiter: string) {}

	/** @returns the lines that are whole by now, or words where this is no text */
	read(piece: Uint8Array, last: boolean): string[][] | string {
		this.#decoder ??= decoderOf(piece);
		const text = this.#rest + this.#decoder.decode(piece, { stream: !last });
		if (text.includes('\u0000')) return 'This is not a text file. Choose the export as CSV.';
		const end = last ? text.length : endOfLines(text);
		this.#rest = text.slice(end);
		if (this.#rest.length > LONGEST_LINE) {
			return 'A quotation mark is not closed, or the lines have no ends: the rest cannot be told apart.';
		}
		const whole = text.slice(0, end).replace(/\r?\n$/, '');
		if (whole === '' && end === 0) return [];
		return Papa.parse<string[]>(whole, { delimiter: this.delimiter }).data;
	}
}

/** UTF-8, or UTF-16 where the file begins with its mark. */
function decoderOf([first, second]: Uint8Array): TextDecoder {
	if (first === 0xff && second === 0xfe) return new TextDecoder('utf-16le');
	if (first === 0xfe && second === 0xff) return new TextDecoder('utf-16be');
	return new TextDecoder('utf-8');
}

/** Just behind the last end of a line that is not within quotation marks; one walk, whatever the marks. */
function endOfLines(text: string): number {
	let end = 0;
	let isQuoted = false;
	for (let at = 0; at < text.length; at++) {
		const code = text.charCodeAt(at);
		if (code === QUOTE) isQuoted = !isQuoted;
		else if (code === NEW_LINE && !isQuoted) end = at + 1;
	}
	return end;
}

const QUOTE = '"'.charCodeAt(0);
const NEW_LINE = '\n'.charCodeAt(0);
