import { quantile } from '../../numerics';
import { refuse, type Result, succeed } from '../../units';
import { guessMark, readCell, type DecimalMark } from './figure';
import type { FigureColumn, Layout } from './layout';
import { acrossTimes, type AcrossTimes } from './across';
import {
	countsUp,
	isOther,
	namesUnitsByNumber,
	numbersLines,
	timesRepeat,
	unitColumnOf,
	type ColumnCells
} from './column-roles';
import { headingsAbove } from './headings';
import { guessForm, readStamp, type StampForm } from './stamp';
import { readHeading } from './monitored-quantity';

/** Lines above the headings that are looked at. */
const PREAMBLE = 30;
/** Share of a column's cells that must be figures. */
const MOSTLY = 0.8;
/** What an inverter draws at night at the most, W; judgement. */
const NIGHT_DRAW = 20;
/** Of the figures above that so many must be negative for the sign to be turned. */
const TURNED = 0.95;

export interface GuessedLayout {
	readonly layout: Layout;
	readonly headings: readonly string[];
	/** What the person should look at, since the lines leave it open. */
	readonly questions: readonly string[];
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
	const laidAcross = acrossTimes(rows);
	if (laidAcross) return succeed(layoutAcross(rows, laidAcross, delimiter));
	const first = firstLineOfData(rows);
	if (!first) {
		return refuse(
			'No line begins with a time that can be read, such as 2026-03-12 14:15 or 12.03.2026 14:15. Choose the export itself, as CSV.'
		);
	}
	const { at, time, form, sure } = first;
	const { at: headingAt, headings } = headingsAbove(rows, at);
	const data = rows.slice(at).filter((row) => /\d/.test(row[time[0]!] ?? ''));
	const width = Math.max(...data.map((row) => row.length));
	const cells = (column: number) => data.map((row) => row[column] ?? '');
	const of = (column: number): ColumnCells => ({
		heading: headings[column] ?? '',
		cells: cells(column)
	});
	const columns = Array.from({ length: width }, (_, i) => i).filter(
		(i) => !time.includes(i) && !isOther(of(i), form) && !numbersLines(of(i))
	);
	const { mark, question } = guessMark(
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
	const times = data.map((row) => time.map((i) => row[i] ?? '').join(' '));
	const unitColumn =
		unitColumnOf(
			texts.filter((i) => i !== quantityColumn).map((column) => ({ column, ...of(column) })),
			times
		) ??
		columns.find((i) => namesUnitsByNumber(of(i)) && isFigures(i)) ??
		null;
	const days = daysSpanned(times, form);
	const guessed = columns
		.filter((i) => i !== unitColumn && i !== quantityColumn && isFigures(i))
		.map((column) => figureColumn(column, headings[column] ?? '', unitColumn, quantityColumn))
		.map((figure): FigureColumn =>
			figure.watched === 'energy' && unitColumn === null && countsUp(of(figure.column), mark, days)
				? { ...figure, watched: 'energy-total' }
				: figure
		)
		.map((figure): FigureColumn =>
			figure.watched === 'power' && isNegative(of(figure.column), mark, figure.factor)
				? { ...figure, scale: -1 }
				: figure
		);
	const figures = toldApart(guessed);
	const counters = figures.filter(
		({ column, watched }) =>
			watched === 'energy-total' && readHeading(headings[column] ?? '')?.watched === 'energy'
	);
	const questions = [
		...(sure
			? []
			: [
					`Day and month could change places: ${rows[at]![time[0]!]!.trim()} is read ${form === 'day-first' ? 'day' : 'month'} first.`
				]),
		...(headingAt === null ? ['There are no headings: columns are numbered.'] : []),
		...(counters.length > 0
			? [
					`“${headings[counters[0]!.column]}”${counters.length > 1 ? ` and ${counters.length - 1} more` : ''} is read as a counter, since it never falls but back to its beginning. If it holds the energy of each interval, choose that.`
				]
			: []),
		...(unitColumn === null && timesRepeat(times)
			? [
					'Times repeat, and no column is known that tells the lines of one time apart: choose the one that names the unit, or the lines are mixed.'
				]
			: []),
		...(figures.some((figure, i) => figure !== guessed[i])
			? ['Several columns have the same heading: their units are numbered from the left.']
			: []),
		...(figures.some(({ scale }) => scale === -1)
			? ['Power is negative where the array generates: its sign is turned.']
			: []),
		...headings
			.filter((heading, i) => isShunt(heading) && figures.some(({ column }) => column === i))
			.map(
				(heading) =>
					`“${heading}” is the voltage across a shunt: enter its factor, such as 100/75 for 100 A at 75 mV.`
			),
		...(question
			? [
					`“${question.cell}” is read as ${question.read}: ${question.read >= 1000 ? 'its mark stands between thousands' : 'its mark is a decimal mark'}. If that is wrong, choose the other decimal mark.`
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
		questions
	});
}

function figureColumn(
	column: number,
	heading: string,
	unitColumn: number | null,
	quantityColumn: number | null
): FigureColumn {
	if (quantityColumn !== null) {
		return { column, unit: unitColumn === null ? '' : null, watched: null, factor: 1 };
	}
	const named = isShunt(heading) ? shuntColumn(heading) : readHeading(heading);
	const whole = heading === '' ? `Column ${column + 1}` : heading;
	return {
		column,
		unit: unitColumn !== null ? null : named ? named.rest : whole,
		// A bare name over figures is a unit's power: what most exports hold.
		watched: named?.watched ?? 'power',
		factor: named?.factor ?? 1
	};
}

/** The layout of an export that has its times in the headings. */
function layoutAcross(
	rows: readonly (readonly string[])[],
	{ across, at, form, sure }: AcrossTimes,
	delimiter: string
): GuessedLayout {
	const headings = rows[at]!.map((cell) => cell.trim());
	const data = rows.slice(at + 1);
	const columns = headings.flatMap((heading, i) => (i > 0 && heading !== '' ? [i] : []));
	const { mark } = guessMark(
		[{ cells: data.flatMap((row) => columns.map((i) => row[i] ?? '')), factor: 1 }],
		delimiter
	);
	return {
		layout: {
			headingLine: at + 1,
			time: [0],
			form,
			fixedOffset: null,
			mark,
			unitColumn: null,
			quantityColumn: null,
			figures: columns.map((column) => ({ column, unit: '', watched: 'power', factor: 1 })),
			across
		},
		headings,
		questions: [
			across === 'times'
				? 'The times stand in the headings: each line is read as a unit.'
				: 'The times of the day stand in the headings: each line is read as a day, and its figures as the power of the whole array in W.',
			...(sure ? [] : [`Day and month could change places: they are read ${form}.`])
		]
	};
}

/** Days between the first and the last of some times; 0 where they cannot be read. */
function daysSpanned(times: readonly string[], form: StampForm): number {
	const clocks = times.flatMap((text) => readStamp(text, form)?.clock ?? []);
	return clocks.length === 0 ? 0 : (Math.max(...clocks) - Math.min(...clocks)) / 86_400_000;
}

/** Whether a heading is over the voltage of a shunt, which stands for a current. */
const isShunt = (heading: string) =>
	/\bshunt\b/i.test(heading.replace(/_/g, ' ')) && readHeading(heading)?.symbol === 'mV';

function shuntColumn(heading: string) {
	const rest = (readHeading(heading)?.rest ?? heading).replace(/\bshunt\b/gi, ' ').trim();
	return { watched: 'dc-current' as const, factor: 1, rest };
}

/** Columns of one unit and quantity would be mixed: they are numbered. */
function toldApart(figures: readonly FigureColumn[]): readonly FigureColumn[] {
	const keyOf = ({ unit, watched }: FigureColumn) => `${watched} ${unit}`;
	return figures.map((figure) => {
		const some = figures.filter((other) => keyOf(other) === keyOf(figure));
		if (some.length === 1 || figure.unit === null || figure.watched === null) return figure;
		const number = some.indexOf(figure) + 1;
		return { ...figure, unit: `${figure.unit} ${number}`.trim() };
	});
}

/** Whether a column of power is negative by day; at night an inverter draws a little. */
function isNegative({ cells }: ColumnCells, mark: DecimalMark, factor: number): boolean {
	const values = cells.flatMap((cell) => {
		const value = readCell(cell, mark);
		return value === null || Number.isNaN(value) ? [] : [value * factor];
	});
	if (values.length === 0) return false;
	const large = Math.max(
		NIGHT_DRAW,
		0.1 *
			quantile(
				values.map((value) => Math.abs(value)),
				0.9
			)
	);
	const counted = values.filter((value) => Math.abs(value) > large);
	const below = counted.filter((value) => value < 0);
	return below.length > 0 && below.length >= TURNED * counted.length;
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
