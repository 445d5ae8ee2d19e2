import { readFileSync, readdirSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { largeVisit } from '../../benchmarks/baseline/large-site';
import { usualState } from '$core/visit';
import { OWN_PROCEDURE } from '$core/isolation';
import { testId } from '../support/scenario';
import { importFile } from './import-file';
import { startServer, type Server } from './own-server';

/* What takes long is answered in processes beside the server: the answers are the same, and one that ends is replaced. */

const DEPOT = largeVisit(4);
const VISIT = `/visits/${DEPOT.visit.id}`;

let server: Server;
beforeAll(async () => {
	server = await startServer({ demo: true });
	await importFile(server, JSON.stringify(DEPOT));
});
afterAll(() => server?.remove());

/** Processes that the server started and that still run. */
function lanes(): number[] {
	return readdirSync('/proc')
		.filter((name) => /^\d+$/.test(name))
		.filter((pid) => {
			try {
				const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
				const [state, parent] = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
				return Number(parent) === server.pid() && state !== 'Z';
			} catch {
				return false;
			}
		})
		.map(Number);
}

const get = (path: string) => fetch(server.address + path);
const post = (path: string, body: unknown) =>
	fetch(server.address + path, {
		method: 'POST',
		headers: { 'content-type': 'application/json', origin: server.address },
		body: JSON.stringify(body)
	});

describe('a site of many strings', () => {
	it('is shown, reported and exported', async () => {
		const page = await get(`${VISIT}/measurements`);
		expect(page.status).toBe(200);
		expect(page.headers.get('x-content-type-options')).toBe('nosniff');
		expect(await page.text()).toContain('Depot');
		const data = await get(`${VISIT}/measurements/__data.json`);
		expect(data.headers.get('content-type')).toContain('json');
		const file = await get(`${VISIT}/visit.json`);
		expect((await file.json()).record.strings).toHaveLength(48);
		expect((await get('/visits/nothing/measure')).status).toBe(404);
		expect((await get(`${VISIT}/report.pdf?form=none`)).status).toBe(400);
		expect(lanes().length).toBeGreaterThan(0);
	});

	it('tells everybody who has a visit open what a lane stored', async () => {
		const stop = new AbortController();
		const page = await (await get(`${VISIT}/measurements/__data.json`)).text();
		expect(page).toContain('told');
		const line = await fetch(`${server.address}${VISIT}/events?since=0`, { signal: stop.signal });
		const reader = line.body!.getReader();
		const opened = await post(`${VISIT}/safety`, {
			task: 'open-live',
			entry: {
				id: testId(0x7001),
				step: OWN_PROCEDURE,
				value: null,
				at: new Date().toISOString(),
				by: 'x',
				supersedes: null,
				withdrawn: false
			}
		});
		expect(opened.status).toBe(201);
		const reading = {
			id: testId(0x7002),
			place: { kind: 'string', string: DEPOT.record.strings[7]!.id },
			quantity: 'open-circuit-voltage',
			state: usualState('open-circuit-voltage'),
			value: 900,
			atVolts: null,
			typed: '900',
			confirmed: true,
			source: 'typed',
			takenAt: new Date().toISOString(),
			by: 'x',
			supersedes: null
		};
		expect((await post(`${VISIT}/readings`, reading)).status).toBe(201);
		let heard = '';
		while (!heard.includes(reading.id)) {
			const { value, done } = await reader.read();
			if (done) break;
			heard += new TextDecoder().decode(value);
		}
		expect(heard).toContain(reading.id);
		stop.abort();
	});

	it('is answered again after its lane was ended', async () => {
		const before = lanes();
		for (const pid of before) process.kill(pid, 'SIGKILL');
		await expect.poll(() => lanes().filter((pid) => before.includes(pid))).toEqual([]);
		expect((await get(`${VISIT}/measurements`)).status).toBe(200);
		expect(lanes().length).toBeGreaterThan(0);
	});
});

describe('a connection', () => {
	it('goes on after a body that nobody read', async () => {
		const agent = new Agent({ keepAlive: true, maxSockets: 1 });
		const ask = (method: string, path: string, body: string) =>
			new Promise<number>((resolve, reject) => {
				const headers = { 'content-type': 'application/json', 'content-length': body.length };
				const asked = request(server.address + path, { method, agent, headers }, (answer) => {
					answer.resume().once('end', () => resolve(answer.statusCode!));
				});
				asked.once('error', reject);
				asked.end(body);
			});
		expect(await ask('POST', '/training', 'x'.repeat(60_000))).toBe(405);
		expect(await ask('POST', '/formats/zembo-visit.json', 'x'.repeat(60_000))).toBe(405);
		expect(await ask('GET', '/', '')).toBe(200);
		agent.destroy();
	});

	it('is refused a body that is too long for its route, before it is read', async () => {
		const long = await post(`${VISIT}/readings`, { id: 'x'.repeat(70_000) });
		expect(long.status).toBe(413);
		expect(await long.json()).toMatchObject({ words: expect.stringContaining('64 kB') });
		const deep = await fetch(server.address + `${VISIT}/readings`, {
			method: 'POST',
			headers: { 'content-type': 'application/json', origin: server.address },
			body: '['.repeat(10_000)
		});
		expect(deep.status).toBe(400);
	});
});
