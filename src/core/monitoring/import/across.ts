import { guessForm, readStamp, type StampForm } from './stamp';

/** How an export is laid that has its times in the headings. */
export type Across =
	/** A line for each unit, under times. */
	| 'times'
	/** A line for each day, under times of the day. */
	| 'hours';

/** An export with its times in the headings, as its first lines show it. */
export interface AcrossTimes {
	readonly across: Across;
	/** Line of the headings, from 0. */
	readonly at: number;
	readonly form: StampForm;
	readonly sure: boolean;
}

const PREAMBLE = 30;
/** Fewest columns with times. */
const FEWEST = 8;
/** Of the headings so many must be times. */
const MOSTLY = 0.8;
const TIME_OF_DAY = /^\d{1,2}[:.]\d{2}(?:[:.]\d{2})?(?: ?[ap]\.?m\.?)?$/i;

/** @returns null where the times stand in the lines, as in most exports */
export function acrossTimes(rows: readonly (readonly string[])[]): AcrossTimes | null {
	for (let at = 0; at < Math.min(rows.length - 1, PREAMBLE); at++) {
		const [corner = '', ...rest] = rows[at]!;
		const some = rest.map((cell) => cell.trim()).filter((cell) => cell !== '');
		if (some.length < FEWEST) continue;
		const below = (rows[at + 1]![0] ?? '').trim();
		const most = (test: (cell: string) => boolean) =>
			some.filter(test).length >= MOSTLY * some.length;
		if (most((cell) => TIME_OF_DAY.test(cell))) {
			const days = guessForm(rows.slice(at + 1).map((row) => (row[0] ?? '').trim()));
			if (days) return { across: 'hours', at, ...days };
			continue;
		}
		const dated = some.filter((cell) => /\d[-./ ]\w{1,9}[-./ ]\d/.test(cell));
		if (dated.length < MOSTLY * some.length) continue;
		const guess = guessForm(dated);
		// Where the line below begins with a time, so does this one: dates as figures.
		if (
			guess &&
			below !== '' &&
			readStamp(below, guess.form) === null &&
			readStamp(corner, guess.form) === null
		) {
			return { across: 'times', at, ...guess };
		}
	}
	return null;
}
