import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { EMPTY_PILE, type Pile } from '$core/bench/pile';
import { markAfter } from '$lib/bench/mark-after';
import { PileSession } from './pile-session.svelte';

/* The session against a server that answers as the real one does, or does not answer. */

let stored: { id: string; version: number; pile: Pile };
let answers: (() => Response | 'gone')[];
const take = (request: RequestInit): Response => {
	const { from, pile } = JSON.parse(String(request.body)) as { from: number; pile: Pile };
	if (from !== stored.version) {
		return new Response(JSON.stringify({ words: 'changed', stored }), { status: 409 });
	}
	stored = { ...stored, version: from + 1, pile };
	return new Response(JSON.stringify({ version: stored.version }));
};

beforeEach(() => {
	stored = { id: 'p', version: 1, pile: { ...EMPTY_PILE, name: 'A' } };
	answers = [];
	vi.stubGlobal('fetch', (_: unknown, request: RequestInit) => {
		const answer = answers.shift()?.() ?? take(request);
		return answer === 'gone'
			? Promise.reject(new TypeError('fetch failed'))
			: Promise.resolve(answer);
	});
});
afterEach(() => vi.unstubAllGlobals());

const rename = (name: string) => (pile: Pile) => ({ ...pile, name });
const settled = (session: PileSession) =>
	vi.waitFor(() => expect([session.sending, session.unsent]).toEqual([false, 0]));

describe('the session of a pile', () => {
	it('shows a change at once and stores it behind', async () => {
		const session = new PileSession(stored);
		session.change(rename('B'));
		expect(session.pile.name).toBe('B');
		session.change((pile) => ({ ...pile, name: `${pile.name}C` }));
		await settled(session);
		expect(stored.pile.name).toBe('BC');
	});

	it('makes its changes to theirs where somebody was quicker', async () => {
		const session = new PileSession(stored);
		stored = {
			...stored,
			version: 5,
			pile: { ...stored.pile, sky: { ...stored.pile.sky, irradiance: 700 } }
		};
		session.change(rename('Mine'));
		await settled(session);
		expect(stored).toMatchObject({ version: 6, pile: { name: 'Mine', sky: { irradiance: 700 } } });
		expect(session.pile.sky.irradiance).toBe(700);
	});

	it('keeps what could not be stored, says so, and stores it when asked again', async () => {
		const session = new PileSession(stored);
		answers = [() => 'gone'];
		session.change(rename('B'));
		await vi.waitFor(() => expect(session.trouble).toContain('did not answer'));
		expect([session.pile.name, session.unsent]).toEqual(['B', 1]);
		await session.store();
		await settled(session);
		expect(stored.pile.name).toBe('B');
		expect(session.trouble).toBe('');
	});
});

describe('the mark after another', () => {
	it.each([
		['6', '7'],
		['B9', 'B10'],
		['left', '']
	])('%s is followed by “%s”', (mark, next) => expect(markAfter(mark)).toBe(next));
});
