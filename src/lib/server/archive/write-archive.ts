import { Zip, ZipDeflate, ZipPassThrough } from 'fflate';

/** Kinds of files that are packed already. */
const PACKED = /\.(jpg|png|webp|pdf)$/;

/** Writes a ZIP piece by piece, so that none of it need stay in memory. */
export class ArchiveWriter {
	readonly #zip: Zip;
	#ready: Uint8Array[] = [];

	/** @param mtime that every file in it carries */
	constructor(readonly mtime: Date) {
		this.#zip = new Zip((error, piece) => {
			if (error) throw error;
			this.#ready.push(piece);
		});
	}

	/** Adds a file. @yields what of the archive is ready */
	async *add(
		name: string,
		pieces: Iterable<Uint8Array> | AsyncIterable<Uint8Array>
	): AsyncGenerator<Uint8Array> {
		const file = PACKED.test(name) ? new ZipPassThrough(name) : new ZipDeflate(name, { level: 6 });
		file.mtime = this.mtime;
		this.#zip.add(file);
		for await (const piece of pieces) {
			file.push(piece);
			yield* this.#taken();
		}
		file.push(new Uint8Array(), true);
		yield* this.#taken();
	}

	*end(): Generator<Uint8Array> {
		this.#zip.end();
		yield* this.#taken();
	}

	#taken(): Uint8Array[] {
		const ready = this.#ready;
		this.#ready = [];
		return ready;
	}
}
