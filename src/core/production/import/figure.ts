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

/** The mark that more cells have before their last figures. */
export function guessMark(cells: readonly string[], delimiter: string): DecimalMark {
	if (delimiter === ',' && !cells.some((cell) => /^-?\d+,\d+$/.test(cell.trim()))) return '.';
	const commas = cells.filter((cell) => /^-?\d+,\d+$/.test(cell.trim())).length;
	const points = cells.filter((cell) => /^-?\d+\.\d+$/.test(cell.trim())).length;
	return commas > points ? ',' : '.';
}
