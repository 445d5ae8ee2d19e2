import { v7 as uuid } from 'uuid';
import { usualState } from '$core/visit';
import { OWN_PROCEDURE } from '$core/isolation';
import { importFile } from '../tests/browser/import-file';
import { startServer, type Server } from '../tests/browser/own-server';
import { LARGE_SITE } from './baseline/large-site';

/*
 * Fifty people on one visit of 120 strings: each opens a page every ten seconds and stores a reading every five. The
 * baseline is one person who does the same.
 */

const SECONDS = 40;
const PAGE_EVERY = 10_000;
const READING_EVERY = 5000;
const VISIT = LARGE_SITE.visit.id;
const PAGES = ['measure', 'plan', 'conditions', 'compare'];

const sorted = (values: readonly number[]) => [...values].sort((a, b) => a - b);
const at = (values: readonly number[], share: number) =>
	sorted(values)[Math.min(values.length - 1, Math.floor(share * values.length))] ?? Number.NaN;
const wait = (ms: number) => new Promise<void>((done) => setTimeout(done, ms));

async function send({ address }: Server, path: string, body: unknown): Promise<void> {
	const answer = await fetch(`${address}/visits/${VISIT}/${path}`, {
		method: 'POST',
		headers: { 'content-type': 'application/json', origin: address },
		body: JSON.stringify(body)
	});
	const text = await answer.text();
	if (answer.status !== 201) throw new Error(`${path}: ${answer.status} ${text.slice(0, 200)}`);
}

/** What one person does until the time is over; strings are shared out, so that nobody replaces another's reading. */
async function person(server: Server, number: number, of: number, times: Times): Promise<void> {
	const own = LARGE_SITE.record.strings.filter((_, i) => i % of === number);
	const standing = new Map<string, string>();
	const end = performance.now() + SECONDS * 1000;
	const timed = async (list: number[], act: () => Promise<unknown>) => {
		const start = performance.now();
		await act();
		list.push(performance.now() - start);
	};
	const every = async (ms: number, act: (n: number) => Promise<void>) => {
		await wait((ms * number) / of);
		for (let n = 0; performance.now() < end; n++) {
			const start = performance.now();
			await act(n);
			await wait(Math.max(0, ms - (performance.now() - start)));
		}
	};
	await Promise.all([
		every(PAGE_EVERY, (n) =>
			timed(times.pages, async () => {
				const page = PAGES[(number + n) % PAGES.length];
				await (await fetch(`${server.address}/visits/${VISIT}/${page}`)).text();
			})
		),
		every(READING_EVERY, (n) =>
			timed(times.writes, async () => {
				const string = own[n % own.length]!;
				const id = uuid();
				await send(server, 'readings', {
					id,
					place: { kind: 'string', string: string.id },
					quantity: 'open-circuit-voltage',
					state: usualState('open-circuit-voltage'),
					value: 900 + (n % 9) / 10,
					atVolts: null,
					typed: '900',
					confirmed: false,
					source: 'typed',
					takenAt: new Date().toISOString(),
					by: `Person ${number}`,
					supersedes: standing.get(string.id) ?? null
				});
				standing.set(string.id, id);
			})
		)
	]);
}

interface Times {
	readonly pages: number[];
	readonly writes: number[];
}

for (const people of [1, 50]) {
	const server = await startServer({ demo: false });
	try {
		await importFile(server, JSON.stringify(LARGE_SITE));
		await send(server, 'safety', {
			task: 'open-live',
			entry: {
				id: uuid(),
				step: OWN_PROCEDURE,
				value: null,
				at: new Date().toISOString(),
				by: 'x',
				supersedes: null,
				withdrawn: false
			}
		});
		const times: Times = { pages: [], writes: [] };
		await Promise.all(
			Array.from({ length: people }, (_, number) => person(server, number, people, times))
		);
		for (const [kind, list] of Object.entries(times)) {
			console.log(
				`${people} people, ${kind}: p50 ${at(list, 0.5).toFixed(0)}, p99 ${at(list, 0.99).toFixed(0)} ms of ${list.length}`
			);
		}
	} finally {
		await server.remove();
	}
}
