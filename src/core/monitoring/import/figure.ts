/** The mark between whole and parts. */
export type DecimalMark = '.' | ',';

const THOUSANDS: Readonly<Record<DecimalMark, RegExp>> = {
	'.': /^[+-]?\d{1,3}(?:[ ',’\u00a0\u202f]\d{3})+(?:\.\d*)?$/,
	',': /^[+-]?\d{1,3}(?:[ '.’\u00a0\u202f]\d{3})+(?:,\d*)?$/
};
/** What exports write where they have nothing. */
const NOTHING = /^(|-+|n\/?a|nan|null|none|missing|no data|\?|#n\/?a|inf(inity)?)$/i;

/**
 * A figure of an export, with or without marks between thousands.
 *
 * @returns null where the cell says that there is none; NaN where it is no number
 */
export function readCell(cell: string, mark: DecimalMark): number | null {
	const text = cell.trim();
	if (NOTHING.test(text)) return null;
	const plain = mark === ',' ? text.replace(',', '.') : text;
	const figure = Number(plain);
	// With a comma for decimals, a point is a mark between thousands: 1.234 is not 1 and a bit.
	if (!Number.isNaN(figure) && !(mark === ',' && text.includes('.'))) return figure;
	if (!THOUSANDS[mark].test(text)) return mark === ',' && !text.includes(',') ? figure : Number.NaN;
	const between = mark === '.' ? /[ ',’\u00a0\u202f]/g : /[ '.’\u00a0\u202f]/g;
	return Number(text.replace(between, '').replace(',', '.'));
}

/** How the figures of an export are marked, and what of it is a guess. */
export interface GuessedMark {
	readonly mark: DecimalMark;
	/** A cell that could be read otherwise, and how it is read; null where none could. */
	readonly question: { readonly cell: string; readonly read: number } | null;
}

/** "1,234" or "1.234": what stands before and after its one mark. */
const THREE_AFTER = /^[+-]?(\d{1,3})([.,])(\d{3})$/;

/**
 * The mark between whole and parts, by all cells of each column. Three figures after a mark can be thousands or
 * thousandths: thousandths where one begins with 0 or where other cells have other counts of figures after it;
 * else what the column's unit makes likely, and that is said.
 *
 * @param columns cells of each column of figures, with what one of them is in base units
 */
export function guessMark(
	columns: readonly { readonly cells: readonly string[]; readonly factor: number }[],
	delimiter: string
): GuessedMark {
	let commas = 0;
	let points = 0;
	let question: GuessedMark['question'] = null;
	for (const { cells, factor } of columns) {
		const texts = cells.map((cell) => cell.trim());
		const marked = texts.filter((text) => /^[+-]?\d+[.,]\d+$/.test(text));
		if (texts.some((text) => /^[+-]?\d{1,3}(?:,\d{3})+\.\d+$/.test(text))) points++;
		if (texts.some((text) => /^[+-]?\d{1,3}(?:\.\d{3})+,\d+$/.test(text))) commas++;
		for (const [mark, other] of [
			[',', '.'],
			['.', ',']
		] as const) {
			const of = marked.filter((text) => text.includes(mark));
			if (of.length === 0) continue;
			const parts = of.map((text) => THREE_AFTER.exec(text));
			const isThousands = parts.every((part) => part !== null && !/^0/.test(part[1]!));
			const whole = texts.filter((text) => /^[+-]?\d+$/.test(text));
			// Thousands carry their mark wherever there are any.
			const unmarked = whole.some((text) => Math.abs(Number(text)) >= 1000);
			// Fixed thousandths write a whole figure as 3.000, so a bare one beside them speaks for thousands.
			const likely =
				isThousands && !unmarked && (factor <= 1 || whole.some((text) => Number(text) !== 0));
			const decimal = likely ? other : mark;
			if (decimal === ',') commas += of.length;
			else points += of.length;
			if (isThousands) question ??= { cell: of[0]!, read: readCell(of[0]!, decimal)! };
		}
	}
	// With commas between the cells, one within a figure was put in quotes: rare, so any of it counts.
	const mark = commas > points || (delimiter === ',' && commas > 0 && points === 0) ? ',' : '.';
	return {
		mark,
		question: question && { ...question, read: readCell(question.cell, mark)! }
	};
}
