import { SampleReader } from '$core/production/import/reader';
import type { Zone } from '$core/production/import/clock';
import type { ImportStart, ImportReport } from '$core/document/monitoring';
import { refuse, succeed, type Result } from '$core/units/result';
import type { Db } from '../database/open';
import { seriesIdOf } from '../repositories/watch-units';
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

	/** Takes the next piece of the file; words where the file cannot be read on. */
	async add(db: Db, piece: Uint8Array, last: boolean): Promise<Result<null, string>> {
		const rows = this.#pieces.read(piece, last);
		if (typeof rows === 'string') return refuse(rows);
		await db.transaction().execute(async (transaction) => {
			const unknown = this.#read(rows);
			for (const { unit, quantity } of unknown) {
				const id = await seriesIdOf(transaction, this.siteId, unit, quantity);
				this.#series.set(`${quantity} ${unit}`, id);
			}
			for (const { unit, quantity, at, value } of this.#waiting) {
				this.#writer.take(this.#series.get(`${quantity} ${unit}`)!, at, value);
			}
			this.#waiting = [];
			await this.#writer.write(transaction, last);
		});
		this.received += piece.length;
		if (this.#line > MOST_REFUSED.of && this.#refusedCount > MOST_REFUSED.share * this.#line) {
			return refuse(
				`Most lines cannot be read as they were described: line ${this.#refused[0]!.line}: ${this.#refused[0]!.why} Look at the columns and the form of the time again.`
			);
		}
		return succeed(null);
	}

	/** Samples of series that have no id yet. */
	#waiting: { unit: string; quantity: string; at: number; value: number }[] = [];

	/** Reads lines; samples of known series go straight on. @returns series that are new */
	#read(rows: readonly (readonly string[])[]): { unit: string; quantity: string }[] {
		const unknown = new Map<string, { unit: string; quantity: string }>();
		for (const cells of rows) {
			this.#line++;
			if (this.#line <= this.start.layout.headingLine) continue;
			const why = this.#reader.read(cells, (unit, quantity, at, value) => {
				const key = `${quantity} ${unit}`;
				const id = this.#series.get(key);
				if (id !== undefined) return this.#writer.take(id, at, value);
				unknown.set(key, { unit, quantity });
				this.#waiting.push({ unit, quantity, at, value });
			});
			if (why === null) continue;
			this.#refusedCount++;
			if (this.#refused.length < REFUSED_KEPT) this.#refused.push({ line: this.#line, why });
		}
		return [...unknown.values()];
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
