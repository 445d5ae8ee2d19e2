import { afterEach, describe, expect, it, vi } from 'vitest';
import { readingAt } from '../../../tests/support/readings';
import { postEntry } from './post-entry';

afterEach(() => vi.unstubAllGlobals());

const reading = readingAt({ kind: 'string', string: 'a1' }, 'open-circuit-voltage', 440);
const answering = (status: number, body: unknown) => {
	const asked = vi.fn<typeof fetch>(() =>
		Promise.resolve(new Response(JSON.stringify(body), { status }))
	);
	vi.stubGlobal('fetch', asked);
	return asked;
};

describe('a reading on its way', () => {
	it('is posted to its visit, and arrives though the page is left', async () => {
		const asked = answering(200, {});
		expect(await postEntry('v1', 'readings', reading)).toEqual({ ok: true });
		const [path, { method, keepalive, body }] = asked.mock.calls[0] as [string, RequestInit];
		expect([path, method, keepalive]).toEqual(['/visits/v1/readings', 'POST', true]);
		expect(JSON.parse(body as string)).toEqual(reading);
	});

	it('that somebody overtook comes back with what stands', async () => {
		const standing = readingAt(reading.place, 'open-circuit-voltage', 442);
		answering(409, { kind: 'overtaken', words: 'Another reading stands here.', standing });
		expect(await postEntry('v1', 'readings', reading)).toEqual({
			ok: false,
			again: false,
			refusal: { kind: 'overtaken', words: 'Another reading stands here.', standing }
		});
	});

	it('that is asked about, or waits for making safe, says so', async () => {
		for (const kind of ['question', 'make-safe'] as const) {
			answering(422, { kind, words: 'Is it meant?' });
			expect(await postEntry('v1', 'readings', reading)).toMatchObject({ refusal: { kind } });
		}
	});

	it('that is refused without a kind is refused in the framework’s words', async () => {
		answering(404, { message: 'There is no such visit.' });
		expect(await postEntry('v1', 'readings', reading)).toEqual({
			ok: false,
			again: false,
			refusal: { kind: 'refused', words: 'There is no such visit.' }
		});
	});

	it('may be sent again after a fault of the server, and where none answers', async () => {
		answering(500, {});
		expect(await postEntry('v1', 'readings', reading)).toMatchObject({
			again: true,
			refusal: { words: 'The server refused it.' }
		});
		vi.stubGlobal('fetch', () => Promise.reject(new TypeError('failed to fetch')));
		expect(await postEntry('v1', 'withdrawals', {})).toMatchObject({
			ok: false,
			again: true,
			refusal: { words: expect.stringContaining('What you typed is kept here') }
		});
	});
});
