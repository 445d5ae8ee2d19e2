import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { copyFileSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NAMEPLATE, testId } from '../support/scenario';
import { DEMO_TEMPLATE } from './demo-template';
import { startServer, type Server } from './own-server';

const VISIT = '019a8000-0000-7000-8000-000000000004';

/** A started `npm run demo` and the address it printed. */
interface Demo {
	readonly child: ChildProcess;
	readonly address: string;
	readonly said: string;
}

const running: ChildProcess[] = [];
const folder = mkdtempSync(join(tmpdir(), 'zembo-commands-'));

function startDemo(...args: string[]): Promise<Demo> {
	const env = { ...process.env, ZEMBO_DATABASE: join(folder, 'demo.db') };
	const child = spawn(process.execPath, ['scripts/demo.mjs', ...args], { env });
	running.push(child);
	return new Promise((resolve, reject) => {
		let said = '';
		const hear = (chunk: Buffer) => {
			said += chunk.toString();
			const address = /demo data: (\S+)/.exec(said)?.[1];
			if (address && said.includes('Ctrl C')) resolve({ child, address, said });
		};
		child.stdout.on('data', hear);
		child.stderr.on('data', hear);
		child.once('exit', () => reject(new Error(`the demo ended: ${said}`)));
	});
}

const ended = (child: ChildProcess) =>
	new Promise<number | null>((resolve) => child.once('exit', (code) => resolve(code)));

afterAll(async () => {
	await Promise.all(
		running.splice(0).map((child) => {
			if (child.exitCode !== null) return null;
			const end = ended(child);
			child.kill('SIGKILL');
			return end;
		})
	);
	rmSync(folder, { recursive: true, force: true });
});

/** The demo that was started last, and goes on. */
let shown: Demo;

describe('npm run demo', () => {
	it('serves on loopback, says what to try, keeps its data, and starts over when told', async () => {
		// Where its data are already, they need not be loaded; below they are.
		copyFileSync(process.env[DEMO_TEMPLATE]!, join(folder, 'demo.db'));
		const first = await startDemo();
		expect(first.said).toMatch(/Try first: open Saltmarsh Ferry Terminal/);
		expect(first.address).toMatch(/^http:\/\/127\.0\.0\.1:\d+$/);
		expect(await (await fetch(first.address)).text()).toContain('Saltmarsh Ferry Terminal');
		// Another address of this machine is not served.
		const port = new URL(first.address).port;
		await expect(fetch(`http://127.0.0.2:${port}`)).rejects.toThrow();
		const made = await fetch(`${first.address}/sites/new`, {
			method: 'POST',
			headers: {
				origin: first.address,
				'content-type': 'application/x-www-form-urlencoded'
			},
			body: new URLSearchParams({ name: 'Herring quay', place: '', timeZone: 'Etc/UTC' })
		});
		expect(made.status).toBe(200);
		first.child.kill('SIGTERM');
		expect(await ended(first.child)).toBe(0);

		const second = await startDemo();
		expect(await (await fetch(second.address)).text()).toContain('Herring quay');
		second.child.kill('SIGTERM');
		await ended(second.child);

		shown = await startDemo('--fresh');
		const page = await (await fetch(shown.address)).text();
		expect(page).toContain('Saltmarsh Ferry Terminal');
		expect(page).not.toContain('Herring quay');
	});

	it('takes the next free port where the first is taken', async () => {
		const other = await startDemo();
		expect(other.address).not.toBe(shown.address);
		expect((await fetch(other.address)).status).toBe(200);
	});
});

describe('npm start', () => {
	it('says what is wrong where the database cannot be opened', () => {
		const { stderr, status } = spawnSync(process.execPath, ['scripts/serve.mjs'], {
			env: { ...process.env, ZEMBO_DATABASE: folder },
			encoding: 'utf8'
		});
		expect(status).toBe(1);
		expect(stderr).toMatch(/Zembo did not start: .*\n.*ZEMBO_DATABASE names another file/);
	});

	it('does not start on a network while it has no accounts', () => {
		const { stderr, status } = spawnSync(process.execPath, ['scripts/serve.mjs'], {
			env: { ...process.env, HOST: '0.0.0.0', ZEMBO_DATABASE: join(folder, 'never.db') },
			encoding: 'utf8'
		});
		expect(status).toBe(1);
		expect(stderr).toContain('ZEMBO_SERVE_WITHOUT_ACCOUNTS');
		expect(existsSync(join(folder, 'never.db'))).toBe(false);
	});
});

describe('a server on loopback', () => {
	/** What a request under some name is answered: fetch would not let it choose one. */
	const statusUnder = (host: string, path: string, method = 'GET') =>
		new Promise<number>((resolve, reject) => {
			const { port } = new URL(shown.address);
			request(
				{ host: '127.0.0.1', port, path, method, headers: { host, origin: `http://${host}` } },
				(response) => {
					response.destroy();
					resolve(response.statusCode!);
				}
			)
				.once('error', reject)
				.end();
		});

	it('answers under its own names alone, whatever is asked', async () => {
		const { host } = new URL(shown.address);
		expect(await statusUnder(host, '/')).toBe(200);
		expect(await statusUnder('localhost', `/visits/${VISIT}/events`)).toBe(200);
		for (const [path, method] of [
			['/', 'GET'],
			['/mark.svg', 'GET'],
			[`/visits/${VISIT}/events`, 'GET'],
			[`/visits/${VISIT}/readings`, 'POST'],
			['/anything', 'DELETE']
		] as const) {
			expect(await statusUnder('attack.example', path, method)).toBe(421);
		}
	});
});

describe('npm run -s zembo', () => {
	it('answers with JSON alone', () => {
		const { stdout, status } = spawnSync('npm', ['run', '-s', 'zembo', '--', 'operate'], {
			input: JSON.stringify({ plate: NAMEPLATE, irradiance: 800, cellTemperature: 45 }),
			encoding: 'utf8'
		});
		expect(status).toBe(0);
		expect(Object.keys(JSON.parse(stdout) as object)).toEqual(['voc', 'isc', 'vmp', 'imp', 'pmp']);
	});
});

const RUNNING = {
	ac: 'on',
	transmitter: 'none',
	disconnect: 'closed',
	fuse: 'in',
	siblings: 'joined',
	shorted: false,
	covered: false
};

describe('what programs send', () => {
	let server: Server;
	beforeAll(async () => {
		server = await startServer({ demo: true });
	});
	afterAll(() => server?.remove());

	const send = (path: string, body: string) =>
		fetch(`${server.address}${path}`, {
			method: 'POST',
			headers: { 'content-type': 'application/json', accept: 'application/json' },
			body
		});
	const readings = async () => {
		const file = await fetch(`${server.address}/visits/${VISIT}/visit.json`);
		return ((await file.json()) as { visit: { readings: object[] } }).visit.readings;
	};
	const reading = async (change: object) =>
		JSON.stringify({ ...(await readings())[0], id: testId(7), ...change });

	it('is refused in words where it cannot be, and nothing stored is harmed', async () => {
		const before = await readings();
		const path = `/visits/${VISIT}/readings`;
		const cases: [string, number, RegExp][] = [
			['not json', 400, /not JSON/],
			['{}', 400, /./],
			[await reading({ value: 'NaN' }), 400, /./],
			[await reading({ value: null }), 400, /./],
			[await reading({ value: 1e9 }), 400, /beyond what can be read here/],
			[
				await reading({ place: { kind: 'string', string: testId(8) } }),
				400,
				/No string of the record/
			],
			[await reading({ state: RUNNING }), 400, /before measuring open-circuit voltage/],
			[await reading({ quantity: 'fuse-resistance' }), 400, /not read at a place of this kind/],
			[await reading({ surprise: true }), 400, /surprise/],
			[await reading({ takenAt: 'yesterday' }), 400, /./],
			// Somebody else's reading stands at the place.
			[await reading({ supersedes: null }), 409, /meanwhile/]
		];
		for (const [body, status, words] of cases) {
			const answer = await send(path, body);
			expect(answer.status).toBe(status);
			expect(await answer.text()).toMatch(words);
		}
		expect((await send(`/visits/${testId(404)}/readings`, await reading({}))).status).toBe(404);
		expect((await send(`/visits/${VISIT}/withdrawals`, '{"id":1}')).status).toBe(400);
		expect(await readings()).toEqual(before);
	});

	it('is stored once however often it is sent', async () => {
		const [standing] = (await readings()) as { id: string }[];
		const body = await reading({ supersedes: standing!.id, value: 470.1 });
		const path = `/visits/${VISIT}/readings`;
		const answers = await Promise.all([send(path, body), send(path, body), send(path, body)]);
		expect(answers.map(({ status }) => status)).toEqual([201, 201, 201]);
		expect(await readings()).toHaveLength(17);
	});

	it('of steps, curves and purpose is refused in words where it cannot be', async () => {
		const at = (path: string) => `/visits/${VISIT}/${path}`;
		const step = (change: object) =>
			JSON.stringify({
				task: 'dead',
				entry: {
					id: crypto.randomUUID(),
					step: 'arrival/weather',
					value: null,
					at: '2026-11-24T09:00:00Z',
					by: 'Program',
					supersedes: null,
					withdrawn: false,
					...change
				}
			});
		const curve = (change: object) =>
			JSON.stringify({
				id: crypto.randomUUID(),
				stringId: '019a8000-0000-7000-8000-000000000010',
				points: [
					[0, 9],
					[400, 8],
					[470, 0]
				],
				at: null,
				origin: 'typed',
				takenAt: '2026-11-24T09:00:00Z',
				by: 'Program',
				supersedes: null,
				...change
			});
		const purpose = (wanted: string, before: string) => {
			const seen = { purpose: before, inverterSays: '' };
			return JSON.stringify({ ...seen, purpose: wanted, seen });
		};
		const cases: [path: string, body: string, status: number, words: RegExp][] = [
			['safety', '{}', 400, /./],
			['safety', step({ step: 'arrival/rack-dc', value: 0 }), 409, /steps before this one/],
			['safety', step({ step: 'down/never' }), 409, /no such step/],
			['safety', step({ surprise: 1 }), 400, /surprise/],
			['safety', step({}), 201, /arrival\/weather/],
			['curves', curve({ points: [[0, 9]] }), 400, /./],
			['curves', curve({ stringId: testId(8) }), 400, /no such string/],
			[
				'curves',
				curve({
					points: [
						[0, 9],
						[1e9, 1],
						[2, 0]
					]
				}),
				400,
				/./
			],
			['curves', curve({}), 201, /typed/],
			['purpose', '{"purpose":"holiday","inverterSays":""}', 400, /./],
			['purpose', '{"purpose":"insurance","inverterSays":"Iso low"}', 400, /seen/],
			['purpose', purpose('insurance', 'fault'), 200, /insurance/],
			['purpose', purpose('take-over', 'fault'), 409, /Somebody changed this meanwhile/]
		];
		for (const [path, body, status, words] of cases) {
			const answer = await send(at(path), body);
			expect([path, answer.status]).toEqual([path, status]);
			expect(await answer.text()).toMatch(words);
		}
		for (const path of ['safety', 'curves', 'purpose']) {
			const body = {
				safety: step({}),
				curves: curve({}),
				purpose: purpose('routine', 'routine')
			};
			const nowhere = await send(`/visits/${testId(404)}/${path}`, body[path as keyof typeof body]);
			expect(nowhere.status).toBe(404);
		}
	});

	it('to instruments goes to listed addresses and ports alone', async () => {
		const meter = (address: string) =>
			send('/instruments/meter', JSON.stringify({ address, measures: 'dc-voltage', probe: null }));
		for (const [address, words] of [
			['8.8.8.8:5025', /list of instrument networks/],
			['127.0.0.1:22', /list of instrument ports/],
			['meter:5025', /not looked up/],
			['127.0.0.1', /no address/]
		] as const) {
			const answer = await meter(address);
			expect(answer.status).toBe(400);
			expect(await answer.text()).toMatch(words);
		}
		const closed = await meter(`127.0.0.1:${server.instruments[0]}`);
		expect([closed.status, await closed.text()]).toEqual([
			502,
			expect.stringMatching(/Nothing listens/)
		]);
		const inverter = await send('/instruments/inverter', '{"address":"127.0.0.1:1","unit":900}');
		expect(inverter.status).toBe(400);
	});

	it('is told to everybody who has the visit open, as it is stored', async () => {
		const stop = new AbortController();
		const line = await fetch(`${server.address}/visits/${VISIT}/events`, { signal: stop.signal });
		expect(line.headers.get('content-type')).toBe('text/event-stream');
		const reader = line.body!.getReader();
		const heard = async (words: RegExp) => {
			let text = '';
			while (!words.test(text)) {
				const { value, done } = await reader.read();
				if (done) throw new Error(`the line ended: ${text}`);
				text += new TextDecoder().decode(value);
			}
			return text;
		};
		await heard(/retry: 2000/);
		const [first] = (await readings()) as { id: string }[];
		const body = JSON.stringify({
			...first,
			id: testId(0x71),
			quantity: 'positive-to-earth',
			value: 1.5,
			supersedes: null
		});
		expect((await send(`/visits/${VISIT}/readings`, body)).status).toBe(201);
		expect(await heard(/"kind":"reading"/)).toContain(testId(0x71));
		stop.abort();
		expect((await fetch(`${server.address}/visits/${testId(404)}/events`)).status).toBe(404);
	});
});
