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
		expect(session.trouble).toBe('');
		expect(session.layoutTrouble).toBeNull();
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
		expect(session.trouble).toContain(words);
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
		expect(session.layoutTrouble).not.toBeNull();
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
		expect(session.trouble).toBe('Stopped. Nothing of it was kept.');
		expect(sent.at(-1)!.method).toBe('DELETE');
	});

	it.each([
		[409, 'An import of this site is under way.', false],
		[500, 'The disk is full.', true]
	])('that the server refuses with %i says why', async (status, words, cleared) => {
		const session = await chosen();
		answer = (one) => (one.method === 'PUT' ? Response.json({ words }, { status }) : standing(one));
		expect(await session.run()).toBe(false);
		expect(session.trouble).toBe(`export.csv: ${words} Nothing of it was kept.`);
		// What the server still holds of it is taken back; what it refused outright it does not hold.
		expect(sent.some(({ method }) => method === 'DELETE')).toBe(cleared);
		expect(session.head).not.toBeNull();
	});

	it('to a server that is gone stays here, to be sent again', async () => {
		const session = await chosen();
		answer = () => 'gone';
		expect(await session.run()).toBe(false);
		expect(session.trouble).toContain('did not answer');
		answer = standing;
		expect(await session.run()).toBe(true);
	});
});
