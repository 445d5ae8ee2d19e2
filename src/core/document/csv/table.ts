import { refuse, type Result, succeed } from '../../units';
import { readFigure, type FigureLimits } from '../figure';

/** A column that a table may have: under which headings it is known, and how its cells are read. */
export interface Column<Value> {
	/** As it stands in the heading of a file that Zembo writes, with its unit. */
	readonly heading: string;
	/** Other headings it is known by, in lower case. */
	readonly aliases: readonly string[];
	readonly required: boolean;
	/** @param typed trimmed; an empty cell is not read at all */
	readonly read: (typed: string) => Result<Value, string>;
}

export type Columns = Readonly<Record<string, Column<unknown>>>;
type ValueOf<C> = C extends Column<infer Value> ? Value : never;

/** A line's values; null where its cell is empty or its column is missing. */
type Values<C extends Columns> = { readonly [K in keyof C]: ValueOf<C[K]> | null };

/** Which column of the file each wanted column is; null where there is none. */
export type Mapping<C extends Columns> = { readonly [K in keyof C]: number | null };

export interface ReadLine<C extends Columns> {
	/** Of the file, 1 being its first. */
	readonly line: number;
	readonly values: Values<C>;
}

export interface RefusedLine {
	readonly line: number;
	/** What is wrong, where, and how to mend it. */
	readonly why: string;
}

/** Largest table that is read, lines. */
export const MOST_LINES = 50_000;

/** Lower case without units, marks and blanks: "Serial No. (text)" is "serial no". */
function plain(heading: string): string {
	return heading
		.toLowerCase()
		.replace(/\([^()]*\)|\[[^[\]]*\]/g, '')
		.split(',')[0]!
		.replace(/[^\p{L}\p{N}]+/gu, ' ')
		.trim();
}

/** A first guess of which column is which, by their headings. */
export function matchColumns<C extends Columns>(header: readonly string[], columns: C): Mapping<C> {
	const plains = header.map(plain);
	return Object.fromEntries(
		Object.entries(columns).map(([key, { heading, aliases }]) => {
			const names = [plain(heading), ...aliases];
			const exact = header.findIndex((candidate) => candidate.trim() === heading);
			const at = exact >= 0 ? exact : plains.findIndex((candidate) => names.includes(candidate));
			return [key, at < 0 ? null : at];
		})
	) as Mapping<C>;
}

/** Headings of required columns that nothing was matched to. */
export function missingColumns<C extends Columns>(mapping: Mapping<C>, columns: C): string[] {
	return Object.entries(columns)
		.filter(([key, { required }]) => required && mapping[key] === null)
		.map(([, { heading }]) => heading);
}

/**
 * Reads the lines below the heading. A line with a cell that cannot be read is refused whole, with the
 * reason; empty lines are passed over.
 */
export function readTable<C extends Columns>(
	rows: readonly (readonly string[])[],
	mapping: Mapping<C>,
	columns: C
): { readonly lines: readonly ReadLine<C>[]; readonly refused: readonly RefusedLine[] } {
	const lines: ReadLine<C>[] = [];
	const refused: RefusedLine[] = [];
	rows.forEach((cells, i) => {
		if (cells.every((cell) => cell.trim() === '')) return;
		const line = i + 2;
		const values = readLine(cells, mapping, columns);
		if (values.ok) lines.push({ line, values: values.value });
		else refused.push({ line, why: values.problem });
	});
	return { lines, refused };
}

function readLine<C extends Columns>(
	cells: readonly string[],
	mapping: Mapping<C>,
	columns: C
): Result<Values<C>, string> {
	const values: Record<string, unknown> = {};
	for (const [key, { heading, required, read }] of Object.entries(columns)) {
		const at = mapping[key];
		const typed = at === null || at === undefined ? '' : (cells[at] ?? '').trim();
		if (typed === '') {
			if (required) return refuse(`${heading} is empty. Fill it in, or leave the line out.`);
			values[key] = null;
			continue;
		}
		const value = read(typed);
		if (!value.ok) return refuse(`${heading}: ${value.problem}`);
		values[key] = value.value;
	}
	return succeed(values as Values<C>);
}

/** A cell of text of a greatest length. */
export function textCell(longest: number): Column<string>['read'] {
	return (typed) =>
		typed.length <= longest
			? succeed(typed)
			: refuse(`“${typed.slice(0, 20)}…” is longer than ${longest} characters. Shorten it.`);
}

/** A cell with a figure, with decimal point or comma. */
export function figureCell(limits: FigureLimits): Column<number>['read'] {
	return (typed) => readFigure(typed, limits);
}

/** A cell with one of some words. */
export function wordCell<Word extends string>(
	words: Readonly<Record<string, Word>>
): Column<Word>['read'] {
	return (typed) => {
		const word = words[typed.toLowerCase()];
		return word === undefined
			? refuse(`“${typed}” is none of ${Object.keys(words).join(', ')}.`)
			: succeed(word);
	};
}
