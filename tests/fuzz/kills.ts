import Database from 'better-sqlite3';
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { largeVisit } from '../../benchmarks/baseline/large-site';
import { importFile } from '../browser/import-file';
import { startServer, type Server } from '../browser/own-server';
import { Random } from './random';

/*
 * npm run kills [-- rounds [seed [kind]]]: ends the program in the midst of what it stores, at a moment by chance, starts it
 * again, and looks at what is there: all that was acknowledged, once, and nothing by halves.
 */

const SALTMARSH = '019a8000-0000-7000-8000-000000000004';
const DEPOT = largeVisit(6);
const JSON_HEADERS = { 'content-type': 'application/json' };

const [, , rounds = '20', seed = '1', only] = process.argv;
const random = new Random(Number(seed));
const wait = (ms: number) => new Promise<void>((done) => setTimeout(done, ms));

interface Count {
	done: number;
	/** Of those, how many had come to their end before. */
	late: number;
	readonly wrong: string[];
}

/** Looks at a database that nobody has open: whole, and with these counts. */
function look<T>(path: string, see: (db: Database.Database) => T): T {
	const db = new Database(path);
	try {
		const [{ integrity_check: state }] = db.pragma('integrity_check') as [
			{ integrity_check: string }
		];
		if (state !== 'ok') throw new Error(`${path}: ${state}`);
		return see(db);
	} finally {
		db.close();
	}
}
const countOf = (db: Database.Database, table: string) =>
	(db.prepare(`select count(*) as n from ${table}`).get() as { n: number }).n;

/** Runs one of the tools and ends it after a time, or lets it end. @returns whether it was ended */
function runTool(
	args: readonly string[],
	database: string,
	endAfter: number | null,
	input = ''
): Promise<boolean> {
	const child = spawn(process.execPath, [...args], {
		env: { ...process.env, ZEMBO_DATABASE: database },
		stdio: ['pipe', 'ignore', 'ignore']
	});
	child.stdin.on('error', () => undefined);
	child.stdin.end(input);
	const timer = endAfter === null ? null : setTimeout(() => child.kill('SIGKILL'), endAfter);
	return new Promise((resolve) => {
		child.once('exit', (_, signal) => {
			if (timer) clearTimeout(timer);
			resolve(signal === 'SIGKILL');
		});
	});
}

/** What the demo holds when it is loaded whole. */
interface Whole {
	readonly visits: number;
	readonly readings: number;
}
const holds = (path: string): Whole =>
	look(path, (db) => ({ visits: countOf(db, 'visit'), readings: countOf(db, 'reading') }));

type Kill = (folder: string, count: Count, whole: Whole) => Promise<void>;

async function withServer(act: (server: Server) => Promise<void>): Promise<void> {
	const server = await startServer({ demo: true });
	try {
		await act(server);
	} finally {
		await server.remove();
	}
}

const inspection = () => ({
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
});

const KILLS: Readonly<Record<string, Kill>> = {
	/** Entries of four people; each that was acknowledged is there once. */
	write: (_, count) =>
		withServer(async (server) => {
			const acknowledged: string[] = [];
			let over = false;
			const people = Array.from({ length: 4 }, async () => {
				while (!over) {
					const entry = inspection();
					const answer = await fetch(`${server.address}/visits/${SALTMARSH}/inspection`, {
						method: 'POST',
						headers: { ...JSON_HEADERS, origin: server.address },
						body: JSON.stringify(entry)
					}).catch(() => null);
					if (answer?.status === 201) acknowledged.push(entry.id);
				}
			});
			await wait(50 + random.below(900));
			await server.kill();
			over = true;
			await Promise.all(people);
			look(server.database, (db) => {
				for (const id of acknowledged) {
					const { n } = db
						.prepare('select count(*) as n from inspection_entry where id = ?')
						.get(id) as { n: number };
					if (n !== 1) count.wrong.push(`entry ${id}: ${n} times`);
				}
			});
			await server.restart();
			count.done++;
		}),

	/** A start on a new file: its tables are made whole or not at all. */
	migrate: async (folder, count, whole) => {
		const path = join(folder, `${randomUUID()}.db`);
		if (!(await runTool(['build-tools/load-demo.js'], path, 80 + random.below(700)))) count.late++;
		await runTool(['build-tools/load-demo.js'], path, null);
		const found = holds(path);
		if (JSON.stringify(found) !== JSON.stringify(whole)) {
			count.wrong.push(`${JSON.stringify(found)} instead of ${JSON.stringify(whole)}`);
		}
		count.done++;
	},

	/** A visit and its site: all of it or nothing; the same import goes through afterwards. */
	import: (_, count) =>
		withServer(async (server) => {
			const text = JSON.stringify(DEPOT);
			const sent = importFile(server, text).catch(() => undefined);
			await wait(20 + random.below(900));
			await server.kill();
			await sent;
			const { sites, visits } = look(server.database, (db) => ({
				sites: (
					db.prepare('select count(*) as n from site where id = ?').get(DEPOT.site.id) as {
						n: number;
					}
				).n,
				visits: (
					db.prepare('select count(*) as n from visit where id = ?').get(DEPOT.visit.id) as {
						n: number;
					}
				).n
			}));
			if (sites !== visits) count.wrong.push(`${sites} sites with ${visits} visits`);
			await server.restart();
			await importFile(server, text);
			const answer = await fetch(`${server.address}/visits/${DEPOT.visit.id}/visit.json`);
			if (!answer.ok) count.wrong.push(`${answer.status} after the import was repeated`);
			count.done++;
		}),

	/** A report and an archive on their way; the server starts again and gives them. */
	report: (_, count) =>
		withServer(async (server) => {
			const path = `${server.address}/visits/${SALTMARSH}/visit.zip`;
			const sent = fetch(path)
				.then((answer) => answer.arrayBuffer())
				.catch(() => undefined);
			await wait(100 + random.below(2500));
			await server.kill();
			await sent;
			await server.restart();
			const answer = await fetch(path);
			const bytes = new Uint8Array(await answer.arrayBuffer());
			if (!answer.ok || bytes[0] !== 0x50) count.wrong.push(`${answer.status}, no archive`);
			count.done++;
		}),

	/** A copy: whatever bears a copy's name is whole. */
	backup: async (folder, count, whole) => {
		const path = await loaded(folder);
		if (!(await runTool(['build-tools/backup.js'], path, 40 + random.below(400)))) count.late++;
		const copies = join(folder, 'backups');
		for (const name of existsSync(copies) ? readdirSync(copies) : []) {
			if (!name.endsWith('.db')) continue;
			const found = holds(join(copies, name));
			if (found.readings !== whole.readings)
				count.wrong.push(`${name}: ${found.readings} readings`);
		}
		count.done++;
	},

	/** A copy put back: the next start has what was there or what was put back, never nothing. */
	restore: async (folder, count, whole) => {
		const path = await loaded(folder);
		await runTool(['build-tools/backup.js'], path, null);
		const name = readdirSync(join(folder, 'backups')).find((one) => one.endsWith('.db'))!;
		const restoring = ['build-tools/backup.js', 'restore', name];
		if (!(await runTool(restoring, path, 40 + random.below(400), 'yes\n'))) count.late++;
		const server = await startServer({ demo: false, database: path });
		const answer = await fetch(`${server.address}/visits/${SALTMARSH}/visit.json`);
		if (!answer.ok) count.wrong.push(`${answer.status} after the start`);
		await server.kill();
		const found = holds(path);
		if (found.readings !== whole.readings) count.wrong.push(`${found.readings} readings`);
		count.done++;
	}
};

async function loaded(folder: string): Promise<string> {
	const path = join(folder, 'zembo.db');
	await runTool(['build-tools/load-demo.js'], path, null);
	return path;
}

const base = mkdtempSync(join(tmpdir(), 'zembo-kills-'));
let failed = false;
try {
	const whole = holds(await loaded(base));
	for (const [name, kill] of Object.entries(KILLS)) {
		if (only !== undefined && name !== only) continue;
		const count: Count = { done: 0, late: 0, wrong: [] };
		for (let i = 0; i < Number(rounds); i++) {
			const folder = mkdtempSync(join(base, `${name}-`));
			await kill(folder, count, whole);
			rmSync(folder, { recursive: true, force: true });
		}
		for (const wrong of count.wrong.slice(0, 10)) console.log(`  ${wrong}`);
		const late = count.late > 0 ? ` (${count.late} after its end)` : '';
		console.log(`${name}: ${count.done} kills${late}, ${count.wrong.length} wrong`);
		failed ||= count.wrong.length > 0;
	}
} finally {
	rmSync(base, { recursive: true, force: true });
}
process.exitCode = failed ? 1 : 0;
