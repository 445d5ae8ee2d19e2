/** All pieces of a file that comes piece by piece. */
export async function whole(pieces: AsyncIterable<Uint8Array>): Promise<Uint8Array> {
	const all: Uint8Array[] = [];
	for await (const piece of pieces) all.push(piece);
	return Buffer.concat(all);
}
