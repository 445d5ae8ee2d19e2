import type { Transaction } from 'kysely';
import type { Db } from '../database/open';
import type { Tables } from '../database/schema';

/** Days that are open at once at least, and for each series. */
const MOST_OPEN = 4096;
const OPEN_PER_SERIES = 3;
/** Beyond, so large a share of them is closed, those that were opened first. */
const CLOSED_SHARE = 0.25;
const ROWS_PER_STATEMENT = 100;
/** Days that are stored in one transaction. */
const DAYS_AT_ONCE = 500;
const SECONDS_PER_DAY = 86_400;
/** More days than any calendar here has, for one key of series and day. */
const DAYS = 1_000_000;

/** Samples of one series and one day, as they come. */
class OpenDay {
	#seconds = new Int32Array(96);
	#figures = new Float64Array(96);
	#count = 0;
	#inOrder = true;

	constructor(
		readonly series: number,
		readonly day: number
	) {}

	add(second: number, figure: number): void {
		if (this.#count === this.#seconds.length) this.#grow();
		if (this.#count > 0 && second <= this.#seconds[this.#count - 1]!) this.#inOrder = false;
		this.#seconds[this.#count] = second;
		this.#figures[this.#count++] = figure;
	}

	/** In the order of time; of two at one time the later that came stands. */
	close(): { seconds: Int32Array; figures: Float64Array } {
		const seconds = this.#seconds.slice(0, this.#count);
		const figures = this.#figures.slice(0, this.#count);
		if (this.#inOrder) return { seconds, figures };
		const last = new Map<number, number>();
		seconds.forEach((second, i) => last.set(second, figures[i]!));
		const sorted = Int32Array.from(last.keys()).sort();
		return { seconds: sorted, figures: Float64Array.from(sorted, (second) => last.get(second)!) };
	}

	#grow(): void {
		const seconds = new Int32Array(2 * this.#count);
		seconds.set(this.#seconds);
		this.#seconds = seconds;
		const figures = new Float64Array(2 * this.#count);
		figures.set(this.#figures);
		this.#figures = figures;
	}
}

/**
 * Gathers samples into blocks of one series and one day. Memory stays bounded whatever the order of
 * the file: a day that is written to again after it was closed gets another block.
 */
export class BlockWriter {
	/** By series and day, in the order in which they were opened. */
	readonly #open = new Map<number, OpenDay>();
	readonly #series = new Set<number>();
	#closed: OpenDay[] = [];
	/** s since 1970-01-01 UTC */
	first = Infinity;
	last = -Infinity;
	samples = 0;

	constructor(readonly importId: string) {}

	/** @param at ms since 1970-01-01 UTC */
	take(series: number, at: number, figure: number): void {
		const second = Math.round(at / 1000);
		const day = Math.floor(second / SECONDS_PER_DAY);
		if (second < this.first) this.first = second;
		if (second > this.last) this.last = second;
		this.samples++;
		const key = series * DAYS + day;
		let open = this.#open.get(key);
		if (!open) {
			open = new OpenDay(series, day);
			this.#open.set(key, open);
			this.#series.add(series);
			if (this.#open.size > Math.max(MOST_OPEN, OPEN_PER_SERIES * this.#series.size)) {
				this.#close(CLOSED_SHARE * this.#open.size);
			}
		}
		open.add(second - day * SECONDS_PER_DAY, figure);
	}

	#close(count: number): void {
		for (const [key, open] of this.#open) {
			if (count-- <= 0) break;
			this.#open.delete(key);
			this.#closed.push(open);
		}
	}

	/**
	 * Stores the closed days, some in a transaction, so that nobody waits long for the lock; with `all`, every
	 * day. Days are kept until they are stored.
	 */
	async write(db: Db, all: boolean): Promise<void> {
		if (all) this.#close(Infinity);
		while (this.#closed.length > 0) {
			const some = this.#closed.slice(0, DAYS_AT_ONCE);
			await db.transaction().execute((transaction) => this.#store(transaction, some));
			this.#closed = this.#closed.slice(some.length);
		}
	}

	async #store(db: Transaction<Tables>, days: readonly OpenDay[]): Promise<void> {
		for (let i = 0; i < days.length; i += ROWS_PER_STATEMENT) {
			const blocks = days.slice(i, i + ROWS_PER_STATEMENT).map((open) => ({
				series: open.series,
				day: open.day,
				...open.close()
			}));
			const ids = await db
				.insertInto('watch_block')
				.values(
					blocks.map(({ series, day, seconds, figures }) => ({
						series_id: series,
						day,
						import_id: this.importId,
						seconds: Buffer.from(seconds.buffer),
						figures: Buffer.from(figures.buffer)
					}))
				)
				.returning('id')
				.execute();
			await db
				.insertInto('watch_day')
				.values(
					blocks.map(({ series, day, figures }, b) => ({
						series_id: series,
						day,
						import_id: this.importId,
						block_id: ids[b]!.id,
						...summaryOf(figures)
					}))
				)
				.execute();
		}
	}
}

function summaryOf(figures: Float64Array) {
	let sum = 0;
	for (const figure of figures) sum += figure;
	return { count: figures.length, sum };
}
