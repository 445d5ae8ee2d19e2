import { Busboy } from '@fastify/busboy';
import { error } from '@sveltejs/kit';
import { createWriteStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';

/** A form of which all has arrived is read to its end within this, ms; what is malformed must not wait for ever. */
const PATIENCE = 30_000;

/** A file that somebody sent, on the disk. */
export interface ReceivedFile {
	/** As it was called where it came from. */
	readonly name: string;
	readonly path: string;
	readonly bytes: number;
}

/**
 * Writes the first file of a form to a folder as it arrives, so that none of it need stay in memory.
 *
 * @param field of the form that the file stands in
 * @returns null where no file was chosen
 * @throws error 400 where the body is not a form
 */
export async function receiveFile(
	request: Request,
	field: string,
	folder: string
): Promise<ReceivedFile | null> {
	const path = join(folder, 'received');
	const name = await writeFile(request, field, path);
	if (name === null) return null;
	const { size } = await stat(path);
	return size === 0 ? null : { name, path, bytes: size };
}

/** @returns the name of the file; null where the form has none in that field */
async function writeFile(request: Request, field: string, path: string): Promise<string | null> {
	let name: string | null = null;
	let diskFault: Error | null = null;
	let patience: NodeJS.Timeout | undefined;
	try {
		const form = new Busboy({
			headers: { 'content-type': request.headers.get('content-type') ?? '' },
			// How much may come is limited before (body-limits.ts); a limit on parts would leave parts unread.
			limits: { fieldSize: 1024 }
		});
		let written: Promise<void> = Promise.resolve();
		form.on('file', (fieldName, file, fileName) => {
			if (fieldName !== field || name !== null) return void file.resume();
			name = fileName ?? '';
			// A file that is no longer read would keep the form waiting for ever.
			written = pipeline(file, createWriteStream(path)).catch((cause: Error) => {
				diskFault = cause;
				form.destroy(cause);
			});
		});
		const body = request.body as Parameters<typeof Readable.fromWeb>[0] | null;
		const source = body ? Readable.fromWeb(body) : Readable.from([]);
		source.once('end', () => {
			patience = setTimeout(() => form.destroy(new Error('The form has no end.')), PATIENCE);
		});
		await pipeline(source, form);
		await written;
	} catch {
		if (diskFault === null) {
			error(400, {
				message: 'The body is not a form that can be read.',
				mend: 'Send the form again from its page.'
			});
		}
	} finally {
		clearTimeout(patience);
	}
	if (diskFault !== null) throw diskFault as Error;
	return name;
}
