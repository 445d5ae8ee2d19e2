import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { InspectionEntry } from '$core/inspection';
import { InspectionSession, type Answer } from './inspection-session.svelte';

const glass: Answer = {
	stop: 'glass',
	outcome: 'fits',
	severity: null,
	place: null,
	words: '',
	measured: null,
	infrared: null,
	photographs: []
};
const cracked: Answer = { ...glass, outcome: 'finding', severity: 'mend-soon', words: 'Cracked' };

let sent: InspectionEntry[];
let replies: (Response | 'gone')[];
let session: InspectionSession;
beforeEach(() => {
	sent = [];
	replies = [];
	vi.stubGlobal('fetch', (_: string, { body }: RequestInit) => {
		sent.push(JSON.parse(String(body)) as InspectionEntry);
		const reply = replies.shift() ?? new Response('{}');
		return reply === 'gone' ? Promise.reject(new TypeError('gone')) : Promise.resolve(reply);
	});
	session = new InspectionSession('visit', [], () => 'Tamsin Orrell');
});
afterEach(() => vi.unstubAllGlobals());

const refused = (status: number, words: string) =>
	new Response(JSON.stringify({ words }), { status });

describe('an answer of the walk', () => {
	it('stands at once, with who and when, and is stored behind it', async () => {
		const stored = session.answer(glass);
		expect(session.last).toMatchObject({ stop: 'glass', by: 'Tamsin Orrell', supersedes: null });
		expect(session.pending).toBe(true);
		expect(await stored).toBe(true);
		expect(session.pending).toBe(false);
		expect(sent[0]).toMatchObject({ stop: 'glass', withdrawn: false });
	});

	it('is replaced by a newer one and taken back, both kept in the list', async () => {
		await session.answer(glass);
		const first = session.last!;
		await session.answer(cracked, first);
		expect(session.last).toMatchObject({ words: 'Cracked', supersedes: first.id });
		await session.withdraw(session.last!);
		expect(session.last).toBeNull();
		expect(session.entries).toHaveLength(3);
	});

	it('that could not be sent waits, and goes out again as the same', async () => {
		replies.push('gone');
		expect(await session.answer(cracked)).toBe(false);
		expect(session.unsent).toHaveLength(1);
		expect(session.last?.words).toBe('Cracked');
		await session.sendAgain(session.unsent[0]!);
		expect(session.unsent).toEqual([]);
		expect(sent[1]!.id).toBe(sent[0]!.id);
		expect(session.entries).toHaveLength(1);
	});

	it('keeps its turn where it gets no answer again', async () => {
		replies.push('gone', 'gone', 'gone');
		await session.answer(glass);
		await session.answer(cracked);
		await session.resend();
		expect(session.unsent.map(({ entry }) => entry.id)).toEqual([sent[0]!.id, sent[1]!.id]);
		expect(sent).toHaveLength(3);
	});

	it('is sent by itself where it got no answer, and not where it was refused', async () => {
		replies.push('gone', refused(422, 'Say what was found.'));
		await session.answer(glass);
		await session.answer(cracked);
		expect(session.unsent.map(({ again }) => again)).toEqual([true, false]);
		await session.resend();
		expect(sent.map(({ id }) => id)).toEqual([sent[0]!.id, sent[1]!.id, sent[0]!.id]);
		expect(session.unsent.map(({ again }) => again)).toEqual([false]);
	});

	it('that the server will never take does not look stored, and its words are there', async () => {
		replies.push(refused(422, 'Say what was found.'));
		expect(await session.answer(cracked)).toBe(false);
		expect(session.last).toBeNull();
		expect(session.unsent[0]).toMatchObject({ words: 'Say what was found.' });
		expect(session.unsent[0]!.entry.words).toBe('Cracked');
	});

	it('stays where the server has a fault of its own', async () => {
		replies.push(refused(503, 'The disk is full.'));
		await session.answer(cracked);
		expect(session.last?.words).toBe('Cracked');
		expect(session.unsent[0]?.words).toBe('The disk is full.');
	});
});
