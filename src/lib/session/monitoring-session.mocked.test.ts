import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { MonitoredYear, YearAnalysis } from '$core/monitoring';
import { yearToBytes } from '../monitoring/year-bytes';
import { MonitoringSession } from './monitoring-session.svelte';

const worker = vi.hoisted(() => ({
	started: 0,
	stopped: 0,
	end: [] as { resolve: (watch: unknown) => void; reject: (cause: unknown) => void }[]
}));
vi.mock('$lib/workers/monitoring', () => ({
	analyseInWorker: (_: ArrayBuffer, tell: (progress: unknown) => void) => {
		worker.started++;
		tell({ done: 0.5, words: 'Units beside their peers' });
		return {
			found: new Promise((resolve, reject) => worker.end.push({ resolve, reject })),
			stop: () => worker.stopped++
		};
	}
}));

const YEAR = {
	times: { start: 0, step: 900_000, count: 4 },
	days: [],
	observer: null,
	units: [
		{
			key: 'module:a:1',
			label: 'A, module 1',
			power: new Float64Array([0, 1, 2, 3]),
			volts: null,
			amps: null
		}
	],
	irradiance: null,
	cellTemperature: null,
	airTemperature: null
} as unknown as MonitoredYear;
const FOUND = { underperformers: [] } as unknown as YearAnalysis;

let answer: () => Promise<Response>;
let asked: string[];
beforeEach(() => {
	worker.started = worker.stopped = 0;
	worker.end = [];
	asked = [];
	answer = () => Promise.resolve(new Response(yearToBytes(YEAR)));
	vi.stubGlobal('fetch', (path: string, { signal }: RequestInit) => {
		asked.push(path);
		return Promise.race([
			answer(),
			new Promise<never>((_, reject) => {
				signal?.addEventListener('abort', () => reject(new DOMException('', 'AbortError')));
			})
		]);
	});
});
afterEach(() => vi.unstubAllGlobals());
const running = async (session: MonitoringSession, until: number | null = null) => {
	const looking = session.look(until);
	await vi.waitFor(() => expect(worker.end.length).toBeGreaterThan(0));
	return looking;
};
async function looked(until: number | null = null): Promise<MonitoringSession> {
	const session = new MonitoringSession('site');
	const looking = session.look(until);
	await vi.waitFor(() => expect(worker.end).toHaveLength(1));
	worker.end[0]!.resolve(FOUND);
	await looking;
	return session;
}

describe('a watched year', () => {
	it('is loaded once, looked through, and shown by its units', async () => {
		const session = await looked();
		expect(asked).toEqual(['/sites/site/monitoring/year']);
		expect(session.found).toBe(FOUND);
		expect(session.progress).toBeNull();
		expect([...session.unit('module:a:1')!.power!]).toEqual([0, 1, 2, 3]);
		expect(session.labelOf('module:a:1')).toBe('A, module 1');
		expect(session.labelOf('module:b:2')).toBe('module:b:2');
		expect(session.unit('module:b:2')).toBeNull();
	});

	it('may end before now', async () => {
		await looked(1_700_000_000_000);
		expect(asked).toEqual(['/sites/site/monitoring/year?until=1700000000000']);
	});

	it('tells how far it is', async () => {
		const session = new MonitoringSession('site');
		const looking = session.look();
		expect(session.progress).toEqual({ done: 0, words: 'Fetching the exports' });
		await vi.waitFor(() => expect(session.progress?.words).toBe('Units beside their peers'));
		worker.end[0]!.resolve(FOUND);
		await looking;
	});
});

describe('a look that comes to nothing', () => {
	it('was stopped: what was shown stays', async () => {
		const session = await looked();
		const again = running(session);
		await vi.waitFor(() => expect(worker.end).toHaveLength(2));
		session.stop();
		expect(worker.stopped).toBe(1);
		worker.end[1]!.resolve({ underperformers: ['new'] });
		await again;
		expect(session.stopped).toBe(true);
		expect(session.found).toBe(FOUND);
		expect(session.progress).toBeNull();
	});

	it('was stopped while it was fetched', async () => {
		answer = () => new Promise(() => {});
		const session = new MonitoringSession('site');
		const looking = session.look();
		session.stop();
		await looking;
		expect(worker.started).toBe(0);
		expect(session.problem).toBe('');
		expect(session.stopped).toBe(true);
	});

	it.each([
		[
			'the server’s words',
			() => Promise.resolve(Response.json({ message: 'No such site.' }, { status: 404 })),
			'No such site.'
		],
		['a server that is gone', () => Promise.reject(new TypeError('gone')), 'gone']
	])('says so: %s', async (_, reply, words) => {
		answer = reply as () => Promise<Response>;
		const session = new MonitoringSession('site');
		await session.look();
		expect(session.problem).toContain(words);
		expect(session.problem).toContain('Nothing is lost');
		expect(session.progress).toBeNull();
	});

	it('failed in its worker, and can be tried again', async () => {
		const session = new MonitoringSession('site');
		const looking = session.look();
		await vi.waitFor(() => expect(worker.end).toHaveLength(1));
		worker.end[0]!.reject(new Error('out of memory'));
		await looking;
		expect(session.problem).toContain('out of memory');
		const again = session.look();
		await vi.waitFor(() => expect(worker.end).toHaveLength(2));
		worker.end[1]!.resolve(FOUND);
		await again;
		expect(session.problem).toBe('');
		expect(session.found).toBe(FOUND);
	});
});
