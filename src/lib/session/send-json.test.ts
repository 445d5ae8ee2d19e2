import { afterEach, describe, expect, it, vi } from 'vitest';
import { send, sendJson } from './send-json';

afterEach(() => vi.unstubAllGlobals());

/** A server that answers every request alike; null: none is reached. */
const answering = (status: number, body: string | null) => {
	const asked = vi.fn<typeof fetch>(() =>
		body === null
			? Promise.reject(new TypeError('failed to fetch'))
			: Promise.resolve(new Response(body, { status }))
	);
	vi.stubGlobal('fetch', asked);
	return asked;
};

describe('what is sent', () => {
	it('is posted as JSON', async () => {
		const asked = answering(200, '{"stored":true}');
		expect(await sendJson('/visits/1/readings', { value: 4 })).toEqual({
			ok: true,
			body: { stored: true }
		});
		expect(asked).toHaveBeenCalledWith('/visits/1/readings', {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: '{"value":4}'
		});
	});

	it('goes as it is where it is no JSON', async () => {
		const asked = answering(200, '{}');
		await send('/photographs', { method: 'PUT', body: 'picture' });
		expect(asked).toHaveBeenCalledWith('/photographs', { method: 'PUT', body: 'picture' });
	});
});

describe('what is refused', () => {
	it('comes back in the server’s words, and is not sent again', async () => {
		answering(409, '{"words":"A second reading came from elsewhere.","standing":"r7"}');
		expect(await sendJson('/', {})).toEqual({
			ok: false,
			words: 'A second reading came from elsewhere.',
			again: false,
			body: { words: 'A second reading came from elsewhere.', standing: 'r7' }
		});
	});

	it('by the framework comes back in its message', async () => {
		answering(404, '{"message":"There is no such visit."}');
		expect(await sendJson('/', {})).toMatchObject({ words: 'There is no such visit.' });
	});

	it('without words is said to be refused', async () => {
		answering(400, '{}');
		expect(await sendJson('/', {})).toMatchObject({
			words: 'The server refused it.',
			again: false
		});
	});

	it('by a fault of the server may be sent once more', async () => {
		answering(503, '{"words":"The disk is full."}');
		expect(await sendJson('/', {})).toMatchObject({ words: 'The disk is full.', again: true });
	});
});

describe('what is not answered', () => {
	it.each([
		['no server is reached', null],
		['the answer is no JSON', '<html>'],
		['the answer is empty', '']
	])('since %s is kept, and may be sent again', async (_, body) => {
		answering(200, body);
		expect(await sendJson('/', {})).toEqual({
			ok: false,
			words: expect.stringContaining('what you did stays here'),
			again: true,
			body: null
		});
	});
});
