import { refuse, succeed, type Result } from '../../units/result';
import { guessMark, readCell } from './figure';
import type { FigureColumn, Layout } from './layout';
import { guessForm, type StampForm } from './stamp';
import { readHeading, WATCHED, WATCHED_FACTS } from './watched';

/** Lines above the headings that are looked at. */
const PREAMBLE = 30;
/** Share of a column's cells that must be figures. */
const MOSTLY = 0.8;

export interface GuessedLayout {
	readonly layout: Layout;
	readonly headings: readonly string[];
	/** What the person should look at, since the lines leave it open. */
	readonly doubts: readonly string[];
}

/**
 * A first guess of how an export is to be read, from its first lines.
 *
 * @param rows cells of the first some hundred lines, from the file's first
 */
export function guessLayout(
	rows: readonly (readonly string[])[],
	delimiter: string
): Result<GuessedLayout, string> {
	const first = firstLineOfData(rows);
	if (!first) {
		return refuse(
			'No line begins with a time that can be read, such as 2026-03-12 14:15 or 12.03.2026 14:15. Choose the export itself, as CSV.'
		);
	}
	const { at, time, form, sure } = first;
	const headingAt = headingAbove(rows, at, rows[at]!.length);
	const unitsAt = headingAt !== null && isRowOfUnits(rows[headingAt]!) ? headingAt : null;
	const namesAt = unitsAt === null ? headingAt : headingAbove(rows, unitsAt, rows[at]!.length);
	const names = namesAt === null ? [] : rows[namesAt]!.map((cell) => cell.trim());
	const headings =
		unitsAt === null
			? names
			: Array.from({ length: Math.max(names.length, rows[unitsAt]!.length) }, (_, i) => {
					const unit = (rows[unitsAt]![i] ?? '').trim().replace(/^[[(]|[\])]$/g, '');
					return unit === '' ? (names[i] ?? '') : `${names[i] ?? ''} (${unit})`;
				});
	const data = rows.slice(at).filter((row) => /\d/.test(row[time[0]!] ?? ''));
	const width = Math.max(...data.map((row) => row.length));
	const columns = Array.from({ length: width }, (_, i) => i).filter((i) => !time.includes(i));
	const cells = (column: number) => data.map((row) => row[column] ?? '');
	const { mark, doubt } = guessMark(
		columns.map((i) => ({ cells: cells(i), factor: readHeading(headings[i] ?? '')?.factor ?? 1 })),
		delimiter
	);
	const zone = offsetInHeading(time.map((i) => headings[i] ?? '').join(' '));
	const isFigures = (column: number) => {
		const some = cells(column).filter((cell) => readCell(cell, mark) !== null);
		const read = some.filter((cell) => !Number.isNaN(readCell(cell, mark)));
		return some.length === 0
			? readHeading(headings[column] ?? '') !== null
			: read.length >= MOSTLY * some.length;
	};
	const texts = columns.filter((i) => !isFigures(i) && cells(i).some((cell) => cell.trim() !== ''));
	const quantityColumn =
		texts.find((i) => cells(i).every((cell) => cell.trim() === '' || readHeading(cell) !== null)) ??
		null;
	const unitColumn =
		texts.find((i) => i !== quantityColumn) ??
		columns.find(
			(i) =>
				UNIT_HEADING.test((headings[i] ?? '').replace(/_/g, ' ')) &&
				new Set(cells(i)).size < data.length &&
				isFigures(i)
		) ??
		null;
	const figures = columns
		.filter((i) => i !== unitColumn && i !== quantityColumn && isFigures(i))
		.map((column) => figureColumn(column, headings[column] ?? '', unitColumn, quantityColumn));
	const doubts = [
		...(sure
			? []
			: [
					`Day and month could change places: ${rows[at]![time[0]!]!.trim()} is read ${form === 'day-first' ? 'day' : 'month'} first.`
				]),
		...(headingAt === null ? ['There are no headings: columns are numbered.'] : []),
		...(doubt
			? [
					`“${doubt.cell}” is read as ${doubt.read}: ${doubt.read >= 1000 ? 'its mark stands between thousands' : 'its mark is a decimal mark'}. If that is wrong, choose the other decimal mark.`
				]
			: [])
	];
	return succeed({
		layout: {
			headingLine: headingAt === null ? 0 : headingAt + 1,
			time,
			form,
			fixedOffset: zone,
			mark,
			unitColumn,
			quantityColumn,
			figures
		},
		headings,
		doubts
	});
}

/** The whole of a heading over numbers that name units: "Device id", not "Module 1 (Wh)", which is a unit itself. */
const UNIT_HEADING =
	/^(unit|device|serial|module|inverter|string|channel|id|name)s?( ?(id|no\.?|number|name|serial|#))?$/i;

function figureColumn(
	column: number,
	heading: string,
	unitColumn: number | null,
	quantityColumn: number | null
): FigureColumn {
	if (quantityColumn !== null) {
		return { column, unit: unitColumn === null ? '' : null, watched: null, factor: 1 };
	}
	const named = readHeading(heading);
	const whole = heading === '' ? `Column ${column + 1}` : heading;
	return {
		column,
		unit: unitColumn !== null ? null : named ? named.rest : whole,
		// A bare name over figures is a unit's power: what most exports hold.
		watched: named?.watched ?? 'power',
		factor: named?.factor ?? 1
	};
}

/** Whether a line under the names holds nothing but units of measure: ",kW,kW". */
function isRowOfUnits(row: readonly string[]): boolean {
	const some = row.map((cell) => cell.trim()).filter((cell) => cell !== '');
	const units = some.filter((cell) => {
		const symbol = cell.replace(/^[[(]|[\])]$/g, '');
		return WATCHED.some((watched) => WATCHED_FACTS[watched].units[symbol] !== undefined);
	});
	return some.length > 0 && units.length >= 0.6 * some.length;
}

/**
 * The zone that stands over the times: "Time (UTC)", "Timestamp [UTC+01:00]", "Zeit (MEZ)".
 *
 * @returns ms ahead of UTC; null where none stands there, or one that changes with summer time
 */
function offsetInHeading(heading: string): number | null {
	const found = /\b(?:UTC|GMT)(?: ?([+-]) ?(\d{1,2})(?::?(\d{2}))?)?/i.exec(heading);
	if (!found) return null;
	const hours = Number(found[2] ?? 0) + Number(found[3] ?? 0) / 60;
	return (found[1] === '-' ? -1 : 1) * hours * 3_600_000;
}

/** The first line that begins with a time, and where its time stands. */
function firstLineOfData(
	rows: readonly (readonly string[])[]
): { at: number; time: readonly number[]; form: StampForm; sure: boolean } | null {
	for (let at = 0; at < Math.min(rows.length, PREAMBLE); at++) {
		const below = rows.slice(at, at + 200).filter((row) => row.some((cell) => cell.trim() !== ''));
		for (let column = 0; column < Math.min(rows[at]!.length, 4); column++) {
			const cell = rows[at]![column]!;
			if (!/\d/.test(cell)) continue;
			// A cell without a figure is a heading that stands once more in the middle.
			const one = below.map((row) => row[column] ?? '').filter((text) => /\d/.test(text));
			const next = rows[at]![column + 1] ?? '';
			const guess = guessForm(one);
			if (!guess) continue;
			if (!/\d:\d|T\d\d/.test(cell) && /^\s*\d{1,2}:\d{2}/.test(next)) {
				return { at, time: [column, column + 1], ...guess };
			}
			return { at, time: [column], ...guess };
		}
	}
	return null;
}

/** The nearest line above the data that has a name for nearly every column. */
function headingAbove(
	rows: readonly (readonly string[])[],
	at: number,
	width: number
): number | null {
	for (let i = at - 1; i >= 0; i--) {
		const named = rows[i]!.filter((cell) => cell.trim() !== '').length;
		if (named > 0 && named >= Math.min(2, width) && named >= width / 2) return i;
	}
	return null;
}
