import type { RequestEvent } from '@sveltejs/kit';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { withTemporaryFolder } from '../temporary-folder';
import { IDLE, Lane } from './lane';

/** A lane that answers with its process and, where it is asked to, only once it is told to go on. */
const ENTRY = `
import { createServer } from 'node:http';
const waiting = [];
createServer((request, response) => {
	const answer = () => response.end(String(process.pid));
	if (request.url === '/wait') waiting.push(answer);
	else {
		answer();
		if (request.url === '/go') waiting.forEach((go) => go());
	}
}).listen(process.env.ZEMBO_LANE_SOCKET, () => process.send({ kind: 'ready' }));
process.on('disconnect', () => process.exit());
`;
const LIMITS = { atOnce: 4, waiting: 4, longest: 10 * IDLE, memory: 64 };

const to = (path: string) =>
	({ request: new Request(`http://localhost${path}`) }) as unknown as RequestEvent;

/** A lane of its own for as long as something is done with it. */
const withLane = (act: (pid: (path?: string) => Promise<string>) => Promise<void>) =>
	withTemporaryFolder(async (folder) => {
		const entry = join(folder, 'lane.mjs');
		writeFileSync(entry, ENTRY);
		const lane = new Lane('test', LIMITS, entry, () => undefined);
		try {
			await act(async (path = '/') => (await lane.answer(to(path), 0)).text());
		} finally {
			lane.stop();
		}
	});

beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }));
afterEach(() => void vi.useRealTimers());

it('a lane in use stays, however many were answered in it before', () =>
	withLane(async (pid) => {
		const [first] = await Promise.all([pid(), pid()]);
		vi.advanceTimersByTime(IDLE - 1);
		expect(await pid()).toBe(first);
		vi.advanceTimersByTime(IDLE - 1);
		expect(await pid()).toBe(first);
	}));

it('a lane with somebody in it stays', () =>
	withLane(async (pid) => {
		const long = pid('/wait');
		const first = await pid();
		vi.advanceTimersByTime(2 * IDLE);
		expect(await pid('/go')).toBe(first);
		expect(await long).toBe(first);
	}));

it('a lane that nobody needed for long ends, and the next is another', () =>
	withLane(async (pid) => {
		const first = await pid();
		vi.advanceTimersByTime(IDLE);
		expect(await pid()).not.toBe(first);
	}));
