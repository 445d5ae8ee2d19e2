import { fixedZone, UnitClock, type ClockTally, type Zone } from './clock';
import { readCell } from './figure';
import type { FigureColumn, Layout } from './layout';
import { readStamp, type Stamp } from './stamp';
import {
	readHeading,
	MONITORED_QUANTITY_FACTS,
	type MonitoredQuantity
} from './monitored-quantity';

/** Takes one sample: a value in base units at an instant, ms since 1970-01-01 UTC. */
export type TakeSample = (
	unit: string,
	watched: MonitoredQuantity,
	at: number,
	value: number
) => void;

/**
 * Reads the lines of an export in their order. A line is refused with a sentence that says why; the
 * others go on. A second line of headings in the middle takes over from there.
 */
export class SampleReader {
	readonly tally: ClockTally = { doubled: 0, missing: 0, back: 0 };
	#figures: readonly FigureColumn[];
	readonly #zone: Zone;
	readonly #clocks = new Map<string, UnitClock>();
	/** Times repeat in lists of units; reading one anew costs more than all else of a line. */
	#lastText = '';
	#lastStamp: Stamp | null = null;
	readonly #named = new Map<string, { watched: MonitoredQuantity; factor: number } | null>();

	constructor(
		readonly layout: Layout,
		readonly headings: readonly string[],
		zone: Zone
	) {
		this.#figures = layout.figures;
		this.#zone = layout.fixedOffset === null ? zone : fixedZone(layout.fixedOffset);
	}

	/** @returns why the line is refused, or null */
	read(cells: readonly string[], take: TakeSample): string | null {
		return this.layout.across ? this.#readAcross(cells, take) : this.#readDown(cells, take);
	}

	/** A line whose times stand in the headings: of a unit, or of a day. */
	#readAcross(cells: readonly string[], take: TakeSample): string | null {
		const { layout, headings } = this;
		const name = (cells[0] ?? '').trim();
		if (cells.every((cell) => cell.trim() === '') || name === headings[0]) return null;
		const ofUnit = layout.across === 'times';
		if (!ofUnit && !readStamp(name, layout.form)) {
			return `“${name}” is not a date as in the lines above.`;
		}
		const named = ofUnit ? readHeading(name) : null;
		const unit = ofUnit ? (named ? named.rest : name) : '';
		const clock = this.#clockOf(unit);
		let why: string | null = null;
		for (const figure of this.#figures) {
			const heading = headings[figure.column] ?? '';
			const cell = cells[figure.column] ?? '';
			if (cell.trim() === '') continue;
			const stamp = readStamp(ofUnit ? heading : `${name} ${heading}`, layout.form);
			const instant = stamp && clock.instantOf(stamp);
			if (instant === null) {
				why ??= `“${heading}” is no time that the site had.`;
				continue;
			}
			const quantity = named ?? { watched: figure.watched ?? 'power', factor: figure.factor };
			why = this.#take(cell, figure.column, unit, quantity, instant, take) ?? why;
		}
		return why;
	}

	#readDown(cells: readonly string[], take: TakeSample): string | null {
		const { layout } = this;
		const [dateAt = 0, timeAt] = layout.time;
		const text =
			timeAt === undefined
				? (cells[dateAt] ?? '')
				: `${cells[dateAt] ?? ''} ${cells[timeAt] ?? ''}`;
		if (text !== this.#lastText) {
			this.#lastText = text;
			this.#lastStamp = readStamp(text, layout.form);
		}
		const stamp = this.#lastStamp;
		if (!stamp) {
			if (this.#isHeadings(cells)) return null;
			return text.trim() === '' && cells.every((cell) => cell.trim() === '')
				? null
				: `“${text.trim()}” is not a time as in the lines above.`;
		}
		const unit = layout.unitColumn === null ? '' : (cells[layout.unitColumn] ?? '').trim();
		const instant = this.#clockOf(unit).instantOf(stamp);
		if (instant === null) {
			return `“${text.trim()}” does not exist at the site: summer time begins in that hour. If the export keeps winter time all year, choose its offset.`;
		}
		return this.#figuresOf(cells, unit, instant, take);
	}

	#figuresOf(
		cells: readonly string[],
		unit: string,
		instant: number,
		take: TakeSample
	): string | null {
		const { layout } = this;
		let why: string | null = null;
		for (const figure of this.#figures) {
			const cell = cells[figure.column];
			if (cell === undefined || cell === '') continue;
			const named =
				figure.watched === null
					? this.#quantity(cells[layout.quantityColumn!] ?? '')
					: { watched: figure.watched, factor: figure.factor * (figure.scale ?? 1) };
			if (!named) {
				why ??= `“${cells[layout.quantityColumn!] ?? ''}” is no quantity that can be read.`;
				continue;
			}
			const problem = this.#take(cell, figure.column, figure.unit ?? unit, named, instant, take);
			why ??= problem;
		}
		return why;
	}

	/** Hands on a cell's figure, if it holds one that can be; why not, or null. */
	#take(
		cell: string,
		column: number,
		unit: string,
		{ watched, factor }: { readonly watched: MonitoredQuantity; readonly factor: number },
		instant: number,
		take: TakeSample
	): string | null {
		const read = readCell(cell, this.layout.mark);
		if (read === null) return null;
		const { words, unit: base, least, most } = MONITORED_QUANTITY_FACTS[watched];
		const value = read * factor;
		if (Number.isNaN(value)) return `“${cell.trim()}” in column ${column + 1} is not a number.`;
		if (value < least || value > most) {
			return `${words} of ${cell.trim()} in column ${column + 1} cannot be: ${least} to ${most} ${base}. Check what the column holds, and its unit.`;
		}
		take(unit, watched, instant, value);
		return null;
	}

	#clockOf(unit: string): UnitClock {
		let clock = this.#clocks.get(unit);
		if (!clock) {
			clock = new UnitClock(this.#zone, this.tally);
			this.#clocks.set(unit, clock);
		}
		return clock;
	}

	#quantity(name: string): { watched: MonitoredQuantity; factor: number } | null {
		let named = this.#named.get(name);
		if (named === undefined) {
			named = readHeading(name);
			this.#named.set(name, named);
		}
		return named;
	}

	/** Whether a line repeats the headings; units that were renamed are read under their new names. */
	#isHeadings(cells: readonly string[]): boolean {
		const { time } = this.layout;
		const [at = 0] = time;
		const heading = this.headings[at];
		if (heading === undefined || heading === '' || (cells[at] ?? '').trim() !== heading) {
			return false;
		}
		if (this.layout.unitColumn === null && this.layout.quantityColumn === null) {
			this.#figures = this.layout.figures.map((figure) => {
				const renamed = (cells[figure.column] ?? '').trim();
				if (renamed === '' || renamed === this.headings[figure.column]) return figure;
				const named = readHeading(renamed);
				return {
					column: figure.column,
					unit: named ? named.rest : renamed,
					watched: named?.watched ?? figure.watched,
					factor: named?.factor ?? figure.factor,
					...(figure.scale !== undefined && { scale: figure.scale })
				};
			});
		}
		return true;
	}
}
