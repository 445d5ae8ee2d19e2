import type { Writable } from 'node:stream';
import type { Report } from '$lib/report/block';
import type { ReportPage } from './page-sizes';

/** What is to be made. */
export interface PdfOrder {
	readonly report: Report;
	readonly page: ReportPage;
	/** Instant that the file carries. */
	readonly at: string;
}

/** Bytes of photographs by their id, one after the other. */
export type Photographs = AsyncIterable<readonly [id: string, bytes: Uint8Array]>;

/*
 * On the way to the process that makes it: the length of the order and the order as JSON; then of each
 * photograph the length of its id and the id, the length of its bytes and the bytes. Lengths have four
 * bytes, big-endian.
 */

export async function sendOrder(
	order: PdfOrder,
	photographs: Photographs,
	to: Writable
): Promise<void> {
	const send = (bytes: Uint8Array): Promise<void> => {
		const length = Buffer.alloc(4);
		length.writeUInt32BE(bytes.length);
		to.write(length);
		return new Promise((sent, failed) => {
			to.write(bytes, (error) => (error ? failed(error) : sent()));
		});
	};
	await send(Buffer.from(JSON.stringify(order)));
	for await (const [id, bytes] of photographs) {
		await send(Buffer.from(id));
		await send(bytes);
	}
	to.end();
}

export async function orderFrom(
	from: AsyncIterable<Uint8Array>
): Promise<PdfOrder & { readonly pictures: ReadonlyMap<string, Uint8Array> }> {
	const parts = await partsOf(from);
	const order = JSON.parse(parts[0]!.toString()) as PdfOrder;
	const pictures = new Map<string, Uint8Array>();
	for (let i = 1; i + 1 < parts.length; i += 2) pictures.set(parts[i]!.toString(), parts[i + 1]!);
	return { ...order, pictures };
}

async function partsOf(from: AsyncIterable<Uint8Array>): Promise<Buffer[]> {
	const pieces: Uint8Array[] = [];
	for await (const piece of from) pieces.push(piece);
	const all = Buffer.concat(pieces);
	const parts: Buffer[] = [];
	for (let at = 0; at + 4 <= all.length;) {
		const length = all.readUInt32BE(at);
		parts.push(all.subarray(at + 4, at + 4 + length));
		at += 4 + length;
	}
	return parts;
}
