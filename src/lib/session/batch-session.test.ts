import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { EMPTY_BATCH, type ModuleBatch } from '$core/bench';
import { markAfter } from '$lib/bench/mark-after';
import { BatchSession } from './batch-session.svelte';

/* The session against a server that answers as the real one does, or does not answer. */

let stored: { id: string; version: number; batch: ModuleBatch };
let answers: (() => Response | 'gone')[];
const take = (request: RequestInit): Response => {
	const { from, batch } = JSON.parse(String(request.body)) as { from: number; batch: ModuleBatch };
	if (from !== stored.version) {
		return new Response(JSON.stringify({ words: 'changed', stored }), { status: 409 });
	}
	stored = { ...stored, version: from + 1, batch };
	return new Response(JSON.stringify({ version: stored.version }));
};

beforeEach(() => {
	stored = { id: 'p', version: 1, batch: { ...EMPTY_BATCH, name: 'A' } };
	answers = [];
	vi.stubGlobal('fetch', (_: unknown, request: RequestInit) => {
		const answer = answers.shift()?.() ?? take(request);
		return answer === 'gone'
			? Promise.reject(new TypeError('fetch failed'))
			: Promise.resolve(answer);
	});
});
afterEach(() => vi.unstubAllGlobals());

const rename = (name: string) => (batch: ModuleBatch) => ({ ...batch, name });
const settled = (session: BatchSession) =>
	vi.waitFor(() => expect([session.sending, session.unsent]).toEqual([false, 0]));

describe('the session of a batch', () => {
	it('shows a change at once and stores it behind', async () => {
		const session = new BatchSession(stored);
		session.change(rename('B'));
		expect(session.batch.name).toBe('B');
		session.change((batch) => ({ ...batch, name: `${batch.name}C` }));
		await settled(session);
		expect(stored.batch.name).toBe('BC');
	});

	it('makes its changes to theirs where somebody was quicker', async () => {
		const session = new BatchSession(stored);
		stored = {
			...stored,
			version: 5,
			batch: { ...stored.batch, sky: { ...stored.batch.sky, irradiance: 700 } }
		};
		session.change(rename('Mine'));
		await settled(session);
		expect(stored).toMatchObject({ version: 6, batch: { name: 'Mine', sky: { irradiance: 700 } } });
		expect(session.batch.sky.irradiance).toBe(700);
	});

	it('keeps what could not be stored, says so, and stores it when asked again', async () => {
		const session = new BatchSession(stored);
		answers = [() => 'gone'];
		session.change(rename('B'));
		await vi.waitFor(() => expect(session.problem).toContain('did not answer'));
		expect([session.batch.name, session.unsent]).toEqual(['B', 1]);
		await session.store();
		await settled(session);
		expect(stored.batch.name).toBe('B');
		expect(session.problem).toBe('');
	});
});

describe('the mark after another', () => {
	it.each([
		['6', '7'],
		['B9', 'B10'],
		['left', '']
	])('%s is followed by “%s”', (mark, next) => expect(markAfter(mark)).toBe(next));
});
