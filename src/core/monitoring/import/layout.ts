import type { Across } from './across';
import type { DecimalMark } from './figure';
import type { StampForm } from './stamp';
import type { MonitoredQuantity } from './monitored-quantity';

/** A column with figures. */
export interface FigureColumn {
	readonly column: number;
	/** Unit that its figures are of; null where another column names it, "" where they are of the whole site. */
	readonly unit: string | null;
	/** Null where another column names the quantity. */
	readonly watched: MonitoredQuantity | null;
	/** What one of its figures is in base units; 1 where another column names the quantity. */
	readonly factor: number;
	/** Of a shunt or a divider in front of the logger, or −1 where generation is written negative; absent for 1. */
	readonly scale?: number | undefined;
}

/** Most columns of an export. */
export const MOST_COLUMNS = 4000;

/** How an export is to be read. */
export interface Layout {
	/** Line of the headings, 1 being the file's first; 0 where there are none. */
	readonly headingLine: number;
	/** Columns that hold the time: one, or a date and a time of day. */
	readonly time: readonly number[];
	readonly form: StampForm;
	/** ms ahead of UTC where the export keeps one offset all year; null for the site's own time. */
	readonly fixedOffset: number | null;
	readonly mark: DecimalMark;
	/** Column that names the unit of a line. */
	readonly unitColumn: number | null;
	/** Column that names the quantity of a line. */
	readonly quantityColumn: number | null;
	readonly figures: readonly FigureColumn[];
	/** The times stand in the headings: a line for each unit, or for each day; absent where each line has its time. */
	readonly across?: Across | undefined;
}

/** What is wrong with a layout, and how to mend it; null where it can be read. */
export function layoutProblem({ time, figures, quantityColumn, across }: Layout): string | null {
	if (time.length === 0) return 'No column holds the time. Choose the one that does.';
	if (figures.length === 0) return 'No column holds figures. Choose at least one and say of what.';
	if (quantityColumn === null && figures.some(({ watched }) => watched === null)) {
		return 'A column of figures has no quantity. Choose it, or the column that names it.';
	}
	if (figures.length > MOST_COLUMNS) {
		return `${figures.length} columns are more than can be read at once (${MOST_COLUMNS}). Export a month at a time, or with a line for each time.`;
	}
	if (across) return null;
	const seen = new Map<string, number>();
	for (const { column, unit, watched } of figures) {
		const key = `${unit ?? ''}/${watched ?? ''}`;
		const other = seen.get(key);
		if (other !== undefined) {
			return `Columns ${other + 1} and ${column + 1} would both be the ${watched ?? 'figures'} of ${unit || 'one unit'}. Rename one or leave it out.`;
		}
		seen.set(key, column);
	}
	return null;
}
