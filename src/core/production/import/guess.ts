import { refuse, succeed, type Result } from '../../units/result';
import { guessMark, readCell } from './figure';
import type { FigureColumn, Layout } from './layout';
import { guessForm, type StampForm } from './stamp';
import { readHeading } from './watched';

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
	const headings = headingAt === null ? [] : rows[headingAt]!.map((cell) => cell.trim());
	const data = rows.slice(at).filter((row) => /\d/.test(row[time[0]!] ?? ''));
	const width = Math.max(...data.map((row) => row.length));
	const columns = Array.from({ length: width }, (_, i) => i).filter((i) => !time.includes(i));
	const cells = (column: number) => data.map((row) => row[column] ?? '');
	const mark = guessMark(
		data.flatMap((row) => columns.map((i) => row[i] ?? '')),
		delimiter
	);
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
				UNIT_HEADING.test((headings[i] ?? '').replace(/_/g, ' ')) && new Set(cells(i)).size < data.length && isFigures(i)
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
		...(headingAt === null ? ['There are no headings: columns are numbered.'] : [])
	];
	return succeed({
		layout: {
			headingLine: headingAt === null ? 0 : headingAt + 1,
			time,
			form,
			fixedOffset: null,
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
			if (!/\d:\d|T\d\d/.test(cell) && /^\s*\d{1,2}[:.]\d{2}/.test(next)) {
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
