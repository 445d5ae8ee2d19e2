import { readCell, type DecimalMark } from './figure';
import { readStamp, type StampForm } from './stamp';
import { readHeading } from './monitored-quantity';

/** The whole of a heading over names of units: "Device id", not "Module 1 (Wh)", which is a unit itself. */
const UNIT_HEADING =
	/^(unit|device|serial|module|inverter|string|channel|sensor|tag|point|id|name)s?( ?(id|no\.?|number|name|serial|code|#))?$/i;
/** Words of columns that hold no measured quantity: what a device does, is told, or has to say. */
const OF_STATUS =
	/\b(status|state|mode|alarms?|errors?|faults?|events?|warnings?|messages?|codes?|flags?|comments?|remarks?|notes?|quality|valid|weekday|day of week|count|samples|zustand|fehler|meldung|wochentag)\b/i;
/** Cells of such a column, where no heading says so. */
const STATUS_CELL =
	/^(ok|on|off|mppt?|standby|idle|run(ning)?|normal|faulty?|error|night|sleep(ing)?|start(ing|up)?|throttled|derat(ed|ing)|wait(ing)?|true|false|yes|no|valid|good|bad|producing|generating)$/i;
const WEEKDAY_CELL =
	/^(mon|tue|wed|thu|fri|sat|sun|mo|di|mi|do|fr|sa|so|lun|mar|mié|jue|vie|sáb|dom|mer|jeu|ven|sam|dim)[a-zä-ÿ]*\.?$/i;
/** Headings over line numbers. */
const OF_LINES = /^(no\.?|nr\.?|#|index|idx|row|line|seq(uence)?|record|entry|)$/i;
/** Of some lines so many differ where all are meant to: now and then one comes twice. */
const TOLD_APART = 0.98;
/** Lines by which a column is known to number them. */
const ENOUGH = 10;

/** A column of an export: its heading, and its cells in the first lines. */
export interface ColumnCells {
	readonly heading: string;
	readonly cells: readonly string[];
}

const filled = ({ cells }: ColumnCells) => cells.filter((cell) => cell.trim() !== '');

/** Whether a column holds something other than measured figures or names: a status, a weekday, the end of an interval. */
export function isOther(column: ColumnCells, form: StampForm): boolean {
	const { heading } = column;
	const some = filled(column);
	if (some.length === 0 || UNIT_HEADING.test(heading.replace(/_/g, ' '))) return false;
	// Names of quantities are no states, whatever stands over them: "Measurement code".
	if (some.every((cell) => readHeading(cell) !== null)) return false;
	if (OF_STATUS.test(heading.replace(/_/g, ' ')) && !statesUnit(heading)) return true;
	const all = (test: (cell: string) => boolean) => some.every((cell) => test(cell.trim()));
	if (all((cell) => STATUS_CELL.test(cell)) || all((cell) => WEEKDAY_CELL.test(cell))) return true;
	// Serial dates of a spreadsheet are figures like any others.
	return (
		form !== 'sheet-serial' && all((cell) => /\D/.test(cell) && readStamp(cell, form) !== null)
	);
}

/** Whether a heading states a unit of measure, so that what stands under it was measured: "Error current (A)". */
function statesUnit(heading: string): boolean {
	return readHeading(heading)?.symbol !== undefined;
}

/** Whether a column numbers the lines: up by one, under a heading of a number or none. */
export function numbersLines({ heading, cells }: ColumnCells): boolean {
	if (!OF_LINES.test(heading.trim()) || cells.length < ENOUGH) return false;
	const figures = cells.map(Number);
	return figures.every((figure, i) => i === 0 || figure === figures[i - 1]! + 1);
}

/**
 * The column that names the unit of a line, of those with text: one whose heading says so, or one that tells lines of
 * the same time apart.
 *
 * @param times of the lines
 */
export function unitColumnOf(
	texts: readonly (ColumnCells & { readonly column: number })[],
	times: readonly string[]
): number | null {
	const named = texts.find(({ heading }) => UNIT_HEADING.test(heading.replace(/_/g, ' ')));
	if (named) return named.column;
	const first = texts.find((text) => {
		// A list by unit begins with one unit and the times of all its lines.
		if (!timesRepeat(times)) return new Set(filled(text)).size === 1;
		const told = new Set(times.map((time, i) => `${time} ${text.cells[i] ?? ''}`));
		return told.size >= TOLD_APART * times.length;
	});
	return first?.column ?? null;
}

/** Whether lines share their times, as they do where each unit has a line of its own. */
export function timesRepeat(times: readonly string[]): boolean {
	return new Set(times).size < TOLD_APART * times.length;
}

/** Whether a column of figures names units: "Device id" over 101, 102, 101. */
export function namesUnitsByNumber({ heading, cells }: ColumnCells): boolean {
	return UNIT_HEADING.test(heading.replace(/_/g, ' ')) && new Set(cells).size < cells.length;
}

/** Rises by which a column is known to count up. */
const RISES = 5;
/** A counter begins a new day below this share of what it had. */
const AFRESH = 0.1;
const OF_DAY = /\b(today|daily|e[ -]?day|day|heute|tages\w*)\b/i;

/**
 * Whether a column of energies counts up, over all or from each midnight on, where its heading names the energy of an
 * interval: it never falls but back to the beginning.
 *
 * @param days that the cells span
 */
export function countsUp(
	{ heading, cells }: ColumnCells,
	mark: DecimalMark,
	days: number
): boolean {
	const values = cells.flatMap((cell) => {
		const value = readCell(cell, mark);
		return value === null || Number.isNaN(value) ? [] : [value];
	});
	let rises = 0;
	for (let i = 1; i < values.length; i++) {
		const [before, now] = [values[i - 1]!, values[i]!];
		if (now < before && now > AFRESH * before) return false;
		if (now > before) rises++;
	}
	// Figures of whole days rise for some days by chance; those of a clear morning, for some hours.
	const words = OF_DAY.test(heading.replace(/_/g, ' '));
	const perDay = cells.length / Math.max(days, 1 / 24);
	return rises >= RISES && perDay > 2 && (words || days >= 1);
}
