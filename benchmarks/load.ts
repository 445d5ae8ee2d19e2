import { v7 as uuid } from 'uuid';
import { usualState } from '$core/visit';
import { OWN_PROCEDURE } from '$core/isolation';
import { importFile } from '../tests/browser/import-file';
import { startServer, type Server } from '../tests/browser/own-server';
import { id, LARGE_SITE } from './baseline/large-site';

/*
 * npm run load [-- seconds]: twenty clients on one visit against the built server on loopback, ten
 * readings a second together, each client hearing all the others. Nothing may be lost or doubled, neither
 * in the store nor on the line.
 */

const CLIENTS = 20;
const PER_SECOND = 10;
const SECONDS = Number(process.argv[2] ?? 300);
const TOTAL = SECONDS * PER_SECOND;
const VISIT = LARGE_SITE.visit.id;
const JSON_HEADERS = { 'content-type': 'application/json' };

interface Client {
	readonly number: number;
	/** Ids of readings that its line told. */
	readonly heard: string[];
	/** Last reading of each string of its own. */
	readonly standing: Map<string, string>;
	readonly close: () => void;
}

async function post(server: Server, path: string, body: unknown): Promise<Response> {
	return fetch(`${server.address}${path}`, {
		method: 'POST',
		headers: JSON_HEADERS,
		body: JSON.stringify(body)
	});
}

/** Opens a client's line and keeps what it tells. */
async function connect(server: Server, number: number): Promise<Client> {
	const stop = new AbortController();
	const answer = await fetch(`${server.address}/visits/${VISIT}/events`, { signal: stop.signal });
	const heard: string[] = [];
	const text = new TextDecoder();
	let rest = '';
	void (async () => {
		try {
			for await (const chunk of answer.body!) {
				rest += text.decode(chunk as Uint8Array, { stream: true });
				const events = rest.split('\n\n');
				rest = events.pop() ?? '';
				for (const event of events) {
					const [, data] = /^data: (.*)$/m.exec(event) ?? [];
					if (!data) continue;
					const { kind, entry } = JSON.parse(data) as { kind: string; entry: { id: string } };
					if (kind === 'reading') heard.push(entry.id);
				}
			}
		} catch {
			// The line was closed on purpose.
		}
	})();
	return { number, heard, standing: new Map(), close: () => stop.abort() };
}

/** One reading of a client: its own strings in turn, so that each replaces what it stored itself. */
async function enter(
	server: Server,
	client: Client,
	n: number
): Promise<{ id: string; ms: number }> {
	const own = LARGE_SITE.record.strings.filter((_, i) => i % CLIENTS === client.number);
	const string = own[n % own.length]!;
	const reading = {
		id: uuid(),
		place: { kind: 'string', string: string.id },
		quantity: 'open-circuit-voltage',
		state: usualState('open-circuit-voltage'),
		value: Number((900 + (n % 50) / 10).toFixed(1)),
		atVolts: null,
		typed: String(n),
		confirmed: true,
		source: 'typed',
		takenAt: new Date().toISOString(),
		by: `Client ${client.number}`,
		supersedes: client.standing.get(string.id) ?? null
	};
	const start = performance.now();
	const answer = await post(server, `/visits/${VISIT}/readings`, reading);
	const ms = performance.now() - start;
	if (answer.status !== 201) throw new Error(`${answer.status}: ${await answer.text()}`);
	client.standing.set(string.id, reading.id);
	return { id: reading.id, ms };
}

const server = await startServer({ demo: false });
try {
	await importFile(server, JSON.stringify(LARGE_SITE));
	const procedure = {
		id: uuid(),
		step: OWN_PROCEDURE,
		value: null,
		at: new Date().toISOString(),
		by: 'Load',
		supersedes: null,
		withdrawn: false
	};
	const opened = await post(server, `/visits/${VISIT}/safety`, {
		task: 'open-live',
		entry: procedure
	});
	if (!opened.ok) throw new Error(await opened.text());
	const clients = await Promise.all(Array.from({ length: CLIENTS }, (_, i) => connect(server, i)));
	console.log(`${CLIENTS} clients, ${PER_SECOND} readings a second, ${SECONDS} s, ${id(2)}`);

	const sent: string[] = [];
	const times: number[] = [];
	const running: Promise<void>[] = [];
	const turns = clients.map(() => Promise.resolve());
	await new Promise<void>((resolve) => {
		let n = 0;
		const timer = setInterval(() => {
			if (n >= TOTAL) {
				clearInterval(timer);
				resolve();
				return;
			}
			const at = n++;
			const client = clients[at % CLIENTS]!;
			// A person stores one figure after the other.
			turns[client.number] = turns[client.number]!.then(async () => {
				const stored = await enter(server, client, Math.floor(at / CLIENTS));
				sent.push(stored.id);
				times.push(stored.ms);
			});
			running.push(turns[client.number]!);
		}, 1000 / PER_SECOND);
	});
	await Promise.all(running);
	const inTime = Date.now();
	while (clients.some(({ heard }) => heard.length < TOTAL) && Date.now() - inTime < 5000) {
		await new Promise((resolve) => setImmediate(resolve));
	}

	const file = await fetch(`${server.address}/visits/${VISIT}/visit.json`);
	const { visit } = (await file.json()) as typeof LARGE_SITE;
	const stored = visit.readings.map((reading) => reading.id);
	const sorted = times.toSorted((a, b) => a - b);
	const share = (p: number) => sorted[Math.min(sorted.length - 1, Math.floor(p * sorted.length))]!;
	const unheard = clients.map(({ heard }) => TOTAL - new Set(heard).size);
	const doubled = clients.map(({ heard }) => heard.length - new Set(heard).size);
	console.log(
		[
			`sent ${sent.length}, stored ${stored.length}, lost ${sent.filter((one) => !stored.includes(one)).length}, doubled ${stored.length - new Set(stored).size}`,
			`heard by every client: lost ${Math.max(...unheard)}, doubled ${Math.max(...doubled)}`,
			`answer: median ${share(0.5).toFixed(1)} ms, 95 % under ${share(0.95).toFixed(1)} ms, longest ${sorted.at(-1)!.toFixed(1)} ms`
		].join('\n')
	);
	for (const client of clients) client.close();
} finally {
	await server.remove();
}
