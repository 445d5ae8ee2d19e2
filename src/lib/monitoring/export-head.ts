import Papa from 'papaparse';
import { type GuessedLayout, guessLayout } from '$core/monitoring';
import { refuse, type Result, succeed } from '$core/units';

/** So much of a file is looked at before anything is taken in, bytes; and so many lines of that. */
const HEAD = 256 * 1024;
const LINES = 400;

export const DELIMITERS = [
	{ value: ',', words: 'comma' },
	{ value: ';', words: 'semicolon' },
	{ value: '\t', words: 'tab' },
	{ value: '|', words: 'bar' }
] as const;

/** The beginning of an export, as cells, with a first guess of how it is to be read. */
export interface ExportHead {
	readonly file: File;
	readonly text: string;
	readonly delimiter: string;
	readonly rows: readonly (readonly string[])[];
	readonly guess: GuessedLayout;
}

/** Opens the beginning of a file; words where it is nothing that can be taken in. */
export async function openExport(file: File): Promise<Result<ExportHead, string>> {
	if (file.size === 0) return refuse('The file is empty. Choose the export itself.');
	const bytes = new Uint8Array(await file.slice(0, HEAD).arrayBuffer());
	const encoding =
		bytes[0] === 0xff && bytes[1] === 0xfe
			? 'utf-16le'
			: bytes[0] === 0xfe && bytes[1] === 0xff
				? 'utf-16be'
				: 'utf-8';
	const text = new TextDecoder(encoding).decode(bytes);
	if (text.includes('\u0000') || (text.match(/\uFFFD/g)?.length ?? 0) > text.length / 100) {
		return refuse(
			'This is not a text file. Choose the export as CSV, not as a spreadsheet or an archive.'
		);
	}
	return readHead(file, text, guessDelimiter(text));
}

/** The same text cut at another mark. */
export function readHead(file: File, text: string, delimiter: string): Result<ExportHead, string> {
	const { data } = Papa.parse<string[]>(text, { delimiter, preview: LINES });
	// The last line may be cut off where the head ends.
	const rows = data.length > 2 ? data.slice(0, -1) : data;
	const guess = guessLayout(rows, delimiter);
	if (!guess.ok) return guess;
	return succeed({ file, text, delimiter, rows, guess: guess.value });
}

/** The mark that cuts the most lines into the same number of cells, of more than one. */
function guessDelimiter(text: string): string {
	const scores = DELIMITERS.map(({ value }) => {
		const { data } = Papa.parse<string[]>(text, {
			delimiter: value,
			preview: 60,
			skipEmptyLines: true
		});
		const counts = new Map<number, number>();
		for (const row of data) counts.set(row.length, (counts.get(row.length) ?? 0) + 1);
		const [cells, lines] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? [1, 0];
		return { value, score: cells > 1 ? lines * 1000 + cells : 0 };
	});
	return scores.reduce((best, one) => (one.score > best.score ? one : best)).value;
}
