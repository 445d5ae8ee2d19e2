import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { KILN_LANE } from '../../../tests/support/sites';
import { ImportSession } from './import-session.svelte';

/* An export on its way, against a server that keeps what it is sent. */

const SITE = '019a8003-0000-7000-8000-000000000002';
const [unit] = KILN_LANE.record.strings;
const LINES = 3000;
const EXPORT = [
	`time;${unit!.label} power (W)`,
	...Array.from({ length: LINES }, (_, n) => {
		const at = new Date(Date.UTC(2026, 5, 1, 0, 15 * n)).toISOString().slice(0, 16);
		return `${at.replace('T', ' ')};${(n % 96) * 3},5`;
	})
].join('\n');
const fileOf = (text: string, name = 'export.csv') => new File([text], name);

interface Sent {
	readonly method: string;
	readonly path: string;
	readonly bytes: number;
}
let sent: Sent[];
let answer: (one: Sent) => Response | 'gone';
const received = () => sent.reduce((sum, { bytes }) => sum + bytes, 0);
const standing = (one: Sent) =>
	Response.json({
		received: received(),
		samples: 10 * sent.length,
		done: one.path.includes('last')
	});

beforeEach(() => {
	sent = [];
	answer = standing;
	vi.stubGlobal('fetch', (path: string, { method = 'GET', body }: RequestInit) => {
		const one = { method, path, bytes: body instanceof Blob ? body.size : 0 };
		sent.push(one);
		const reply = answer(one);
		return reply === 'gone' ? Promise.reject(new TypeError('gone')) : Promise.resolve(reply);
	});
});
afterEach(() => vi.unstubAllGlobals());

async function chosen(text = EXPORT): Promise<ImportSession> {
	const session = new ImportSession(SITE, 'Etc/UTC');
	await session.choose(fileOf(text));
	return session;
}

describe('an export that is looked at', () => {
	it('shows what its beginning says, before anything is sent', async () => {
		const session = await chosen();
		expect(session.problem).toBe('');
		expect(session.layoutProblem).toBeNull();
		const preview = session.preview(KILN_LANE.record)!;
		expect(preview.count).toBeGreaterThan(300);
		expect(preview.refused).toEqual([]);
		expect(preview.samples.slice(0, 2)).toMatchObject([
			{ watched: 'power', value: 0.5 },
			{ watched: 'power', value: 3.5 }
		]);
		expect(sent).toEqual([]);
	});

	it.each([
		['', 'The file is empty'],
		['PK\u0003\u0004\u0000\u0000binary', 'not a text file']
	])('that is nothing is refused in words', async (text, words) => {
		const session = await chosen(text);
		expect(session.problem).toContain(words);
		expect(session.head).toBeNull();
		expect(session.preview(KILN_LANE.record)).toBeNull();
		expect(await session.run()).toBe(false);
		expect(sent).toEqual([]);
	});

	it('can be cut at another mark, and its columns said anew', async () => {
		const session = await chosen();
		session.cutAt(',');
		expect(session.head?.delimiter ?? ';').toMatch(/[,;]/);
		session.cutAt(';');
		session.change({ figures: [] });
		expect(session.layoutProblem).not.toBeNull();
		expect(session.preview(KILN_LANE.record)).toBeNull();
	});
});

describe('an export that is sent', () => {
	it('goes piece by piece, all of it, and the last is marked', async () => {
		const long = `${EXPORT}\n${EXPORT.split('\n').slice(1).join('\n').repeat(8)}`;
		const session = await chosen(long);
		expect(await session.run()).toBe(true);
		const pieces = sent.filter(({ method }) => method === 'PUT');
		expect(pieces.length).toBeGreaterThan(1);
		expect(received()).toBe(new Blob([long]).size);
		expect(pieces.map(({ path }) => path.includes('last=yes'))).toEqual(
			pieces.map((_, i) => i === pieces.length - 1)
		);
		expect(session.done).toEqual({ file: 'export.csv', samples: 10 * sent.length });
		expect(session.running).toBeNull();
		expect(session.head).toBeNull();
	});

	it('is stopped between two pieces, and nothing of it is kept', async () => {
		const session = await chosen();
		answer = (one) => {
			if (one.method === 'PUT') session.stop();
			return Response.json({ received: received(), samples: 1, done: false });
		};
		expect(await session.run()).toBe(false);
		expect(session.problem).toBe('Stopped. Nothing of it was kept.');
		expect(sent.at(-1)!.method).toBe('DELETE');
	});

	it('that the server refuses says why, and is not asked to take back what it does not hold', async () => {
		const session = await chosen();
		const words = 'Most lines cannot be read.';
		answer = (one) =>
			one.method === 'PUT' ? Response.json({ words }, { status: 422 }) : standing(one);
		expect(await session.run()).toBe(false);
		expect(session.problem).toBe(`export.csv: ${words} Nothing of it was kept.`);
		expect(sent.some(({ method }) => method === 'DELETE')).toBe(false);
		expect(session.head).not.toBeNull();
	});

	it('sends a piece again where it could not be stored, and goes on', async () => {
		vi.useFakeTimers();
		try {
			const session = await chosen();
			let failures = 3;
			answer = (one) => {
				if (one.method !== 'PUT' || failures === 0) return standing(one);
				failures--;
				return failures === 1
					? 'gone'
					: Response.json({ words: 'The disk is full.' }, { status: 500 });
			};
			const over = session.run();
			await vi.advanceTimersByTimeAsync(200);
			expect(session.problem).toContain('The disk is full.');
			expect(session.running).not.toBeNull();
			await vi.advanceTimersByTimeAsync(60_000);
			expect(await over).toBe(true);
			expect(session.problem).toBe('');
			const pieces = sent.filter(({ method }) => method === 'PUT');
			expect(new Set(pieces.map(({ path }) => path)).size).toBe(pieces.length - 3);
			expect(sent.some(({ method }) => method === 'DELETE')).toBe(false);
		} finally {
			vi.useRealTimers();
		}
	});

	it('to a server that is gone stays here, to be sent again', async () => {
		const session = await chosen();
		answer = () => 'gone';
		expect(await session.run()).toBe(false);
		expect(session.problem).toContain('did not answer');
		answer = standing;
		expect(await session.run()).toBe(true);
	});
});
