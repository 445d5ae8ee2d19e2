import { randomUUID } from 'node:crypto';
import { usualState } from '$core/visit';
import { once } from 'node:events';
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads';
import { openDatabase } from '$lib/server/database/open';
import { startServer, type Server } from '../tests/browser/own-server';
import { importFile } from '../tests/browser/import-file';
import { largeVisit } from './baseline/large-site';

/*
 * How long light requests wait while the server does something heavy on a site of 1,992 strings: each kind of
 * heavy request beside light ones of all kinds, 20 a second. The baseline is the same light requests with nothing beside them.
 */

const INVERTERS = 166;
const DEPOT = largeVisit(INVERTERS);
const SALTMARSH = '019a8000-0000-7000-8000-000000000004';
const EVERY_MS = 50;
/** The same heavy request is made again until this time is over, so that there is enough to count. */
const LEAST_MS = 6000;

type Target = Pick<Server, 'address' | 'database'>;

const sorted = (values: readonly number[]) => [...values].sort((a, b) => a - b);
const at = (values: readonly number[], share: number) =>
	sorted(values)[Math.min(values.length - 1, Math.floor(share * values.length))] ?? Number.NaN;

async function answered(answer: Response): Promise<void> {
	const text = await answer.text();
	if (!answer.ok) throw new Error(`${answer.url}: ${answer.status} ${text.slice(0, 200)}`);
}
const get = async ({ address }: Target, path: string) => answered(await fetch(address + path));

/** A string of the terminal, and what it reads there. */
const STRING = '019a8000-0000-7000-8000-000000000010';
let standing = '019a8000-0000-7000-8000-000000000040';
let turn = Promise.resolve();

/** Readings of one string, one after the other, so that each replaces the one before. */
async function writeReading({ address }: Server): Promise<void> {
	const reading = {
		id: randomUUID(),
		place: { kind: 'string', string: STRING },
		quantity: 'open-circuit-voltage',
		state: usualState('open-circuit-voltage'),
		value: 476.6,
		atVolts: null,
		typed: '476.6',
		confirmed: true,
		source: 'typed',
		takenAt: new Date().toISOString(),
		by: 'Somebody',
		supersedes: standing
	};
	await answered(
		await fetch(`${address}/visits/${SALTMARSH}/readings`, {
			method: 'POST',
			headers: { 'content-type': 'application/json', origin: address },
			body: JSON.stringify(reading)
		})
	);
	standing = reading.id;
}

async function writeInspection({ address }: Server): Promise<void> {
	const entry = {
		id: randomUUID(),
		stop: 'glass',
		outcome: 'not-seen',
		severity: null,
		place: null,
		words: 'too dark',
		measured: null,
		infrared: null,
		photographs: [],
		at: new Date().toISOString(),
		by: 'Somebody',
		supersedes: null,
		withdrawn: false
	};
	await answered(
		await fetch(`${address}/visits/${SALTMARSH}/inspection`, {
			method: 'POST',
			headers: { 'content-type': 'application/json', origin: address },
			body: JSON.stringify(entry)
		})
	);
}

/** What somebody else does meanwhile. */
const IRRADIANCE: Readonly<Record<string, (server: Server) => Promise<void>>> = {
	library: (server) => get(server, '/library'),
	sites: (server) => get(server, '/'),
	entry: (server) => writeInspection(server),
	reading: (server) => (turn = turn.then(() => writeReading(server)))
};
const KINDS = Object.keys(IRRADIANCE);

const importDepot = (server: Target) => importFile(server, JSON.stringify(DEPOT));

/** A quarter of an hour's steps of 24 inverters, as an export writes them. */
function* exportLines(days: number): Generator<string> {
	yield `time,${Array.from({ length: 24 }, (_, i) => `INV ${i + 1}`).join(',')}\n`;
	const start = Date.UTC(2026, 0, 1);
	for (let step = 0; step < days * 96; step++) {
		const stamp = new Date(start + step * 900_000).toISOString().slice(0, 19).replace('T', ' ');
		const power = Math.max(0, Math.sin(((step % 96) / 96) * 2 * Math.PI - Math.PI / 2)) * 90;
		yield `${stamp},${Array.from({ length: 24 }, (_, i) => (power * (1 + i / 100)).toFixed(3)).join(',')}\n`;
	}
}

async function importSamples({ address }: Target, days: number): Promise<void> {
	const id = randomUUID();
	const headings = ['time', ...Array.from({ length: 24 }, (_, i) => `INV ${i + 1}`)];
	const path = `${address}/sites/${DEPOT.site.id}/monitoring/imports`;
	await answered(
		await fetch(path, {
			method: 'POST',
			headers: { 'content-type': 'application/json', origin: address },
			body: JSON.stringify({
				id,
				file: 'depot.csv',
				delimiter: ',',
				headings,
				layout: {
					headingLine: 1,
					time: [0],
					form: 'year-first',
					fixedOffset: null,
					mark: '.',
					unitColumn: null,
					quantityColumn: null,
					figures: headings.slice(1).map((unit, i) => ({
						column: i + 1,
						unit,
						watched: 'power',
						factor: 1000
					}))
				}
			})
		})
	);
	const bytes = Buffer.from([...exportLines(days)].join(''));
	const size = 512 * 1024;
	for (let from = 0; from < bytes.length; from += size) {
		const last = from + size >= bytes.length;
		await answered(
			await fetch(`${path}/${id}?from=${from}${last ? '&last=yes' : ''}`, {
				method: 'PUT',
				headers: { 'content-type': 'application/octet-stream', origin: address },
				body: bytes.subarray(from, from + size)
			})
		);
	}
}

/** Another program holds the database for a time. */
async function holdDatabase({ database }: Target, ms: number): Promise<void> {
	const db = await openDatabase(database);
	try {
		await db.transaction().execute(async () => {
			await new Promise((done) => setTimeout(done, ms));
		});
	} finally {
		await db.destroy();
	}
}

const visit = `/visits/${DEPOT.visit.id}`;
const site = `/sites/${DEPOT.site.id}`;
const HEAVY: Readonly<Record<string, (server: Target) => Promise<void>>> = {
	nothing: () => new Promise((done) => setTimeout(done, LEAST_MS)),
	'page of a small visit': (server) => get(server, `/visits/${SALTMARSH}/test-conditions`),
	'page of a visit': (server) => get(server, `${visit}/measurements`),
	'page of the next test': (server) => get(server, `${visit}/test-plan`),
	'page of the site': (server) => get(server, site),
	'page of the plan': (server) => get(server, `${site}/map`),
	'report as PDF': (server) => get(server, `${visit}/report.pdf`),
	'report as HTML': (server) => get(server, `${visit}/report.html`),
	'archive of a visit': (server) => get(server, `${visit}/visit.zip`),
	'archive of a site': (server) => get(server, `${site}/site.zip`),
	'visit as file': (server) => get(server, `${visit}/visit.json`),
	'import of a visit': importDepot,
	'import of an export': (server) => importSamples(server, 90),
	'another program holds the database': (server) => holdDatabase(server, LEAST_MS)
};

/** Makes heavy requests of one kind until the time is over, in a thread of its own. @returns what each took, ms */
async function keepHeavy(name: string, target: Target): Promise<number[]> {
	const start = performance.now();
	const each: number[] = [];
	while (performance.now() - start < LEAST_MS) {
		const began = performance.now();
		await HEAVY[name]!(target);
		each.push(performance.now() - began);
	}
	return each;
}

async function beside(name: string, server: Server): Promise<void> {
	const times = new Map(KINDS.map((kind) => [kind, [] as number[]]));
	const failed = new Map<string, number>();
	const waiting: Promise<void>[] = [];
	let n = 0;
	const timer = setInterval(() => {
		const start = performance.now();
		const kind = KINDS[n++ % KINDS.length]!;
		const one = IRRADIANCE[kind]!(server)
			.then(() => void times.get(kind)!.push(performance.now() - start))
			.catch((error: unknown) => {
				times.get(kind)!.push(Number.POSITIVE_INFINITY);
				failed.set(String(error), (failed.get(String(error)) ?? 0) + 1);
			});
		waiting.push(one);
	}, EVERY_MS);
	const { address, database } = server;
	const thread = new Worker(new URL(import.meta.url), {
		workerData: { name, target: { address, database } }
	});
	const [each] = (await once(thread, 'message')) as [number[]];
	clearInterval(timer);
	await Promise.all(waiting);
	for (const [why, count] of failed) console.log(`  ${count} times ${why}`);
	const all = [...times.values()].flat();
	const told = [...times, ['all', all] as const].map(
		([kind, own]) => `${kind} ${at(own, 0.5).toFixed(0)}/${at(own, 0.99).toFixed(0)}`
	);
	console.log(
		`${name}: ${each.length} of ${at(each, 0.5).toFixed(0)} ms; p50/p99 ms of ${all.length}: ${told.join(', ')}`
	);
}

if (isMainThread) {
	const wanted = process.argv.find((word) => word.startsWith('--only='))?.slice('--only='.length);
	const server = await startServer({ demo: true });
	try {
		await importDepot(server);
		for (const irradiance of Object.values(IRRADIANCE)) await irradiance(server);
		for (const name of Object.keys(HEAVY)) {
			if (!wanted || name.includes(wanted)) await beside(name, server);
		}
	} finally {
		await server.remove();
	}
} else {
	const { name, target } = workerData as { name: string; target: Target };
	parentPort!.postMessage(await keepHeavy(name, target));
}
