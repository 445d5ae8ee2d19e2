import { LARGEST_ARCHIVE } from '$core/document';

const KB = 1024;
const MB = 1024 * KB;

/** Entries and forms: nothing that a person types is longer. */
const ENTRY = 64 * KB;
const RECORD = 16 * MB;
/** What stands around a file in a form. */
const AROUND = 4 * KB;

/** Bytes that the body of a request may have, by its route; for every other route {@link ENTRY}. */
const LIMITS: Readonly<Record<string, number>> = {
	'/': LARGEST_ARCHIVE + AROUND,
	'/bench/batches/[batch]': RECORD,
	'/library/entries': RECORD,
	'/sites/new': RECORD,
	'/sites/[site]/changes': RECORD,
	'/sites/[site]/survey': RECORD,
	'/sites/[site]/array-record/module-types/[type]': MB,
	'/sites/[site]/monitoring/imports': MB,
	'/sites/[site]/monitoring/imports/[import]': MB,
	'/sites/[site]/monitoring/matching': MB,
	'/visits/[visit]/curves': MB,
	'/visits/[visit]/photographs': MB
};

/** What is wrong with the length of a request's body; null where nothing is. */
export type BodyError =
	| { readonly status: 411 }
	| { readonly status: 413; readonly announced: number; readonly most: number };

/**
 * Looks at the length that a request announces, before a byte of its body is read. A body without a length is refused
 * too: the server would have to read it to its end to know.
 */
export function bodyError(routeId: string | null, headers: Pick<Headers, 'get'>): BodyError | null {
	const length = headers.get('content-length');
	if (length === null) return headers.get('transfer-encoding') === null ? null : { status: 411 };
	const announced = Number(length);
	const most = LIMITS[routeId ?? ''] ?? ENTRY;
	return announced > most ? { status: 413, announced, most } : null;
}

/** "64 kB" */
export function sizeWords(bytes: number): string {
	return bytes < MB ? `${Math.ceil(bytes / KB)} kB` : `${Math.ceil(bytes / MB)} MB`;
}

/** A body that is too long is read up to here without being kept, so that the sender gets the answer. */
const MOST_DRAINED = 512 * MB;

/** Reads a body to its end and forgets it. */
export async function drain(body: ReadableStream<Uint8Array> | null): Promise<void> {
	if (!body) return;
	let read = 0;
	const reader = body.getReader();
	try {
		for (;;) {
			const { done, value } = await reader.read();
			if (done || (read += value.length) > MOST_DRAINED) return;
		}
	} catch {
		// The sender is gone, or sent more than it announced.
	}
}
