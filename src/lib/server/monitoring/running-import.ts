import { SampleReader, type Zone } from '$core/monitoring';
import type { ImportReport, ImportStart } from '$core/document';
import { refuse, type Result, succeed } from '$core/units';
import type { Db } from '../database/open';
import { seriesIdOf } from '../repositories/monitoring-units';
import { BlockWriter } from './block-writer';
import { PieceReader } from './piece-reader';

/** Refused lines that are kept with their reasons; all are counted. */
const REFUSED_KEPT = 500;
/** With more refused than this share of the first lines, the layout is wrong, not the lines. */
const MOST_REFUSED = { share: 0.5, of: 2000 };

/** An import while its file comes in. */
export class RunningImport {
	readonly #pieces: PieceReader;
	readonly #reader: SampleReader;
	readonly #writer: BlockWriter;
	readonly #series = new Map<string, number>();
	readonly #refused: { line: number; why: string }[] = [];
	#refusedCount = 0;
	#line = 0;
	/** Bytes that came so far. */
	received = 0;

	constructor(
		readonly id: string,
		readonly siteId: string,
		readonly start: ImportStart,
		zone: Zone
	) {
		this.#pieces = new PieceReader(start.delimiter);
		this.#reader = new SampleReader(start.layout, start.headings, zone);
		this.#writer = new BlockWriter(id);
	}

	get samples(): number {
		return this.#writer.samples;
	}

	/**
	 * Reads the next piece of the file; words where the file cannot be read on. Nothing is stored yet: where
	 * storing fails, the piece is not read again.
	 */
	read(piece: Uint8Array, last: boolean): Result<null, string> {
		const rows = this.#pieces.read(piece, last);
		if (typeof rows === 'string') return refuse(rows);
		this.#readLines(rows);
		this.received += piece.length;
		if (this.#line > MOST_REFUSED.of && this.#refusedCount > MOST_REFUSED.share * this.#line) {
			return refuse(
				`Most lines cannot be read as they were described: line ${this.#refused[0]!.line}: ${this.#refused[0]!.why} Look at the columns and the form of the time again.`
			);
		}
		return succeed(null);
	}

	/**
	 * Stores what was read and is complete; with `all`, everything. It can be called again after it failed:
	 * what was not stored is kept.
	 */
	async store(db: Db, all: boolean): Promise<void> {
		if (this.#unknown.size > 0) {
			const ids = new Map<string, number>();
			await db.transaction().execute(async (transaction) => {
				for (const [key, { unit, quantity }] of this.#unknown) {
					ids.set(key, await seriesIdOf(transaction, this.siteId, unit, quantity));
				}
			});
			for (const [key, id] of ids) this.#series.set(key, id);
			this.#unknown.clear();
			for (const { key, at, value } of this.#waiting) {
				this.#writer.take(this.#series.get(key)!, at, value);
			}
			this.#waiting = [];
		}
		await this.#writer.write(db, all);
	}

	/** Samples of series that have no id yet, and those series. */
	#waiting: { key: string; at: number; value: number }[] = [];
	readonly #unknown = new Map<string, { unit: string; quantity: string }>();

	/** Reads lines; samples of known series go straight on. */
	#readLines(rows: readonly (readonly string[])[]): void {
		for (const cells of rows) {
			this.#line++;
			if (this.#line <= this.start.layout.headingLine) continue;
			const why = this.#reader.read(cells, (unit, quantity, at, value) => {
				const key = `${quantity} ${unit}`;
				const id = this.#series.get(key);
				if (id !== undefined) return this.#writer.take(id, at, value);
				this.#unknown.set(key, { unit, quantity });
				this.#waiting.push({ key, at, value });
			});
			if (why === null) continue;
			this.#refusedCount++;
			if (this.#refused.length < REFUSED_KEPT) this.#refused.push({ line: this.#line, why });
		}
	}

	/** What became of it, once all of it came. */
	report(): { report: ImportReport; samples: number; first: number; last: number } {
		const { tally } = this.#reader;
		return {
			report: {
				lines: this.#line,
				refused: this.#refusedCount,
				why: this.#refused,
				doubled: tally.doubled,
				missing: tally.missing,
				back: tally.back
			},
			samples: this.#writer.samples,
			first: this.#writer.first,
			last: this.#writer.last
		};
	}
}
