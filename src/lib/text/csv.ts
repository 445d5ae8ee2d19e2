import Papa from 'papaparse';
import { MOST_LINES } from '$core/document';
import { refuse, type Result, succeed } from '$core/units';

/** Largest CSV file that is opened, bytes. */
const LARGEST_CSV = 20 * 1024 * 1024;

/** Characters by which what separates the cells is found out: each candidate is tried on them. */
const BEGINNING = 64 * 1024;

export interface Table {
	readonly header: readonly string[];
	readonly rows: readonly (readonly string[])[];
}

/**
 * A CSV file as a heading and its lines: comma, semicolon or tab (found out), any line ends, with or
 * without a byte-order mark. RFC 4180.
 */
export async function readCsv(file: File): Promise<Result<Table, string>> {
	if (file.size > LARGEST_CSV) {
		return refuse('The file is larger than 20 MB. Split it, or choose the right one.');
	}
	return parseCsv(await file.text());
}

export function parseCsv(text: string): Result<Table, string> {
	if (text.includes('\u0000')) return refuse('This is not a text file. Choose a CSV file.');
	const plain = text.replace(/^\uFEFF/, '').trimEnd();
	// Empty lines keep their numbers, but have no say in what separates the cells.
	const { meta } = Papa.parse<string[]>(plain.slice(0, BEGINNING), {
		preview: 20,
		skipEmptyLines: true
	});
	const { data, errors } = Papa.parse<string[]>(plain, { delimiter: meta.delimiter });
	const broken = errors.find(({ type }) => type === 'Quotes');
	if (broken) {
		return refuse(
			`A quotation mark on line ${(broken.row ?? 0) + 1} is not closed, so the rest cannot be told apart. Mend that line.`
		);
	}
	const [header, ...rows] = data;
	if (!header || header.every((cell) => cell.trim() === '')) {
		return refuse('The first line is empty. It must hold the names of the columns.');
	}
	if (rows.length > MOST_LINES) {
		return refuse(`The file has ${rows.length} lines; at most ${MOST_LINES} are read. Split it.`);
	}
	const own = (cells: string[]) => cells.map((cell) => cell.replace(KEPT, ''));
	return succeed({ header: own(header), rows: rows.map(own) });
}

/** What a spreadsheet would work out as a formula, or looks as if it had been kept from that; a number with its sign is none. */
const FORMULA = "'*(?:[=@\\t\\r]|[+-](?!$|(?:\\d+(?:[.,]\\d+)?|[.,]\\d+)(?:e[+-]?\\d+)?$))";
const TO_BE_KEPT = new RegExp(`^${FORMULA}`, 'i');
/** As it is written, behind an apostrophe, which says to a spreadsheet that a text follows. */
const KEPT = new RegExp(`^'(?=${FORMULA})`, 'i');

/** Lines as CSV text, with CR LF as RFC 4180 asks; a text that begins as a formula does gets an apostrophe. */
export function writeCsv(rows: readonly (readonly string[])[]): string {
	const written = Papa.unparse(rows as string[][], { newline: '\r\n', escapeFormulae: TO_BE_KEPT });
	return `${written}\r\n`;
}

/** Hands a text to the person as a file. */
export function download(name: string, text: string, type: string): void {
	const address = URL.createObjectURL(new Blob([text], { type }));
	const link = document.createElement('a');
	link.href = address;
	link.download = name;
	link.click();
	URL.revokeObjectURL(address);
}
