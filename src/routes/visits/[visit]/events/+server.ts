import { error } from '@sveltejs/kit';
import { database } from '$lib/server/database';
import { visitExists } from '$lib/server/repositories/visits';
import { hearVisit } from '$lib/server/visit-events';
import type { RequestHandler } from './$types';

/** A word now and then keeps the line open through proxies, ms. */
const BEAT = 15_000;

/** What is stored in a visit while the line is open, as server-sent events. */
export const GET: RequestHandler = async ({ params, url }) => {
	if (!(await visitExists(await database(), params.visit))) {
		error(404, { message: 'There is no such visit.' });
	}
	const since = Number(url.searchParams.get('since'));
	let close = () => {};
	const stream = new ReadableStream<Uint8Array>({
		start(controller) {
			const text = new TextEncoder();
			const say = (words: string) => controller.enqueue(text.encode(words));
			say('retry: 2000\n\n');
			const deaf = hearVisit(params.visit, since, (event) =>
				say(`data: ${JSON.stringify(event)}\n\n`)
			);
			const beat = setInterval(() => say(': here\n\n'), BEAT);
			close = () => {
				clearInterval(beat);
				deaf();
			};
		},
		cancel() {
			close();
		}
	});
	return new Response(stream, {
		headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' }
	});
};
