import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { withTemporaryFolder } from '../temporary-folder';
import { receiveFile } from './receive-file';

const CONTENT = new Uint8Array(300_000).map((_, i) => (i * 7) % 251);

const sent = (body: BodyInit, headers: HeadersInit = {}) =>
	new Request('http://localhost/', { method: 'POST', body, headers });

function form(field: string, content: Uint8Array<ArrayBuffer>): FormData {
	const data = new FormData();
	data.set('note', 'beside it');
	data.set(field, new Blob([content]), 'ferry-hall.zip');
	return data;
}

/** A form of which the sender leaves in the midst of the file. */
async function cutShort(): Promise<Request> {
	const whole = sent(form('file', CONTENT));
	const bytes = new Uint8Array(await whole.arrayBuffer());
	const cut = new ReadableStream({
		start: (stream) => {
			stream.enqueue(bytes.subarray(0, 100_000));
			stream.error(new Error('aborted'));
		}
	});
	return new Request('http://localhost/', {
		method: 'POST',
		body: cut,
		headers: { 'content-type': whole.headers.get('content-type')! },
		duplex: 'half'
	} as RequestInit);
}

describe('a file that arrives', () => {
	it('lies in the folder to the byte, under the name it had', () =>
		withTemporaryFolder(async (folder) => {
			const file = (await receiveFile(sent(form('file', CONTENT)), 'file', folder))!;
			expect(file).toMatchObject({ name: 'ferry-hall.zip', bytes: CONTENT.length });
			expect(Buffer.compare(await readFile(file.path), CONTENT)).toBe(0);
		}));

	it('is the first in its field, and all others are read to their end', () =>
		withTemporaryFolder(async (folder) => {
			for (let i = 0; i < 20; i++) {
				const several = form('other', CONTENT);
				several.append('file', new Blob([CONTENT.subarray(0, 70_000)]), 'first.zip');
				several.append('file', new Blob([CONTENT]), 'second.zip');
				several.append('after', new Blob([CONTENT]), 'third.zip');
				const file = await receiveFile(sent(several), 'file', folder);
				expect(file).toMatchObject({ name: 'first.zip', bytes: 70_000 });
			}
		}));

	it.each([
		['no file', () => form('other', CONTENT)],
		['an empty file', () => form('file', new Uint8Array())]
	])('%s is none', (_, body) =>
		withTemporaryFolder(async (folder) => {
			expect(await receiveFile(sent(body()), 'file', folder)).toBeNull();
		})
	);

	it.each([
		['no form', async () => sent('{}', { 'content-type': 'application/json' })],
		[
			'a form without an end',
			async () => sent('--x\r\n', { 'content-type': 'multipart/form-data; boundary=x' })
		],
		['a form that breaks off', cutShort]
	])('%s is refused as such', (_, request) =>
		withTemporaryFolder(async (folder) => {
			await expect(receiveFile(await request(), 'file', folder)).rejects.toMatchObject({
				status: 400
			});
		})
	);

	it('a disk that takes nothing is no fault of the form', () =>
		withTemporaryFolder(async (folder) => {
			const missing = join(folder, 'missing');
			await expect(receiveFile(sent(form('file', CONTENT)), 'file', missing)).rejects.toMatchObject(
				{ code: 'ENOENT' }
			);
		}));
});
