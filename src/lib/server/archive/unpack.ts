import { buffer } from 'node:stream/consumers';
import { openPromise, type Entry, type ZipFile } from 'yauzl';

/** The files of an archive on the disk, each unpacked when it is read. */
export class Unpacked {
	readonly #zip: ZipFile;
	readonly #entries: ReadonlyMap<string, Entry>;

	private constructor(zip: ZipFile, entries: ReadonlyMap<string, Entry>) {
		this.#zip = zip;
		this.#entries = entries;
	}

	/**
	 * @param wants which files are looked at; the others are never unpacked
	 * @param most bytes that those files may have together
	 * @throws where it is no archive, is cut short, or unpacks to more
	 */
	static async open(
		path: string,
		wants: (name: string) => boolean,
		most: number
	): Promise<Unpacked> {
		const zip = await openPromise(path, { lazyEntries: true, autoClose: false });
		try {
			const entries = new Map<string, Entry>();
			let bytes = 0;
			for await (const entry of zip.eachEntry()) {
				if (!wants(entry.fileName)) continue;
				bytes += entry.uncompressedSize;
				if (bytes > most) throw new Error('it unpacks to far more than it should');
				entries.set(entry.fileName, entry);
			}
			return new Unpacked(zip, entries);
		} catch (cause) {
			zip.close();
			throw cause;
		}
	}

	/**
	 * @returns null where there is no such file
	 * @throws where its bytes are damaged, or more than the archive says
	 */
	async read(name: string): Promise<Buffer | null> {
		const entry = this.#entries.get(name);
		return entry ? buffer(await this.#zip.openReadStreamPromise(entry)) : null;
	}

	close(): void {
		this.#zip.close();
	}
}
