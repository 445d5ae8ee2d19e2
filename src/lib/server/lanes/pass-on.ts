import type { RequestEvent } from '@sveltejs/kit';
import { Agent, request as httpRequest, type IncomingMessage } from 'node:http';
import { Readable } from 'node:stream';
import { TOLD_HEADER } from './relay';

/** An answer, and when it is over: read to its end, or given up. */
export interface Passed {
	readonly response: Response;
	readonly end: Promise<void>;
}

/** Lines to lanes are kept: one that is closed behind an answer would be cut while the body still comes. */
const agent = new Agent({ keepAlive: true });

/** Headers that hold from one server to the next only (RFC 9110, 7.6.1). */
const HOP_BY_HOP = ['connection', 'keep-alive', 'transfer-encoding', 'upgrade', 'expect', 'te'];

/**
 * Passes a request on to a process that listens at a socket, and its answer back; both are streamed. Where the person
 * leaves, the line to the process is cut.
 *
 * @throws where the line breaks before the answer begins
 */
export function passOn(
	{ request }: RequestEvent,
	socketPath: string,
	told: number
): Promise<Passed> {
	const { pathname, search } = new URL(request.url);
	const headers = Object.fromEntries(request.headers);
	for (const name of HOP_BY_HOP) delete headers[name];
	headers[TOLD_HEADER] = String(told);
	return new Promise((resolve, reject) => {
		const onward = httpRequest({
			socketPath,
			agent,
			method: request.method,
			path: pathname + search,
			headers,
			signal: request.signal
		});
		onward.on('error', reject);
		onward.once('response', (answer) => {
			const end = new Promise<void>((done) => answer.once('close', done));
			resolve({ response: responseOf(answer), end });
		});
		if (!request.body) return void onward.end();
		const body = Readable.fromWeb(request.body as Parameters<typeof Readable.fromWeb>[0]);
		body.once('error', (cause) => {
			onward.destroy();
			reject(cause);
		});
		body.pipe(onward);
	});
}

function responseOf(answer: IncomingMessage): Response {
	const headers = new Headers();
	for (let i = 0; i + 1 < answer.rawHeaders.length; i += 2) {
		const name = answer.rawHeaders[i]!.toLowerCase();
		if (!HOP_BY_HOP.includes(name) && name !== 'date')
			headers.append(name, answer.rawHeaders[i + 1]!);
	}
	const status = answer.statusCode ?? 502;
	const bare = status === 204 || status === 304;
	if (bare) answer.on('error', () => undefined).resume();
	return new Response(bare ? null : (Readable.toWeb(answer) as ReadableStream), {
		status,
		headers
	});
}
