import { spawn, type ChildProcess } from 'node:child_process';
import { randomInt } from 'node:crypto';
import { copyFileSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DEMO_TEMPLATE, loadDemo } from './demo-template';

/** Every command starts in the project's folder. */
const ROOT = process.cwd();
/** As `npm start` has them: a small room for young objects keeps the server's memory steady. */
const SERVER_FLAGS = ['--max-semi-space-size=4'];

/** Zembo's built server on a database of its own. */
export interface Server {
	readonly address: string;
	/** Path of its data. */
	readonly database: string;
	/** Ports that it may ask instruments at; nothing listens there unless a test starts it. */
	readonly instruments: readonly [meter: number, inverter: number];
	/** Its process, for a benchmark of its memory. */
	pid(): number;
	/** Ends it at once, as a crash would. */
	kill(): Promise<void>;
	/** Starts it again at the same address on the same data. */
	restart(): Promise<void>;
	/** Ends it and removes its data. */
	remove(): Promise<void>;
}

/** @param database path of its data, where they are to stay; else it has a folder of its own */
export async function startServer({
	demo,
	database
}: {
	readonly demo: boolean;
	readonly database?: string;
}): Promise<Server> {
	const folder = mkdtempSync(join(tmpdir(), 'zembo-browser-'));
	// A port of its own, that no other test takes while this server is away and comes back.
	const instruments = [await freePort(), await freePort()] as const;
	const env = {
		...process.env,
		PORT: String(await freePort()),
		ZEMBO_INSTRUMENT_PORTS: instruments.join(),
		ZEMBO_DATABASE: database ?? join(folder, 'zembo.db')
	};
	if (demo) putDemo(env.ZEMBO_DATABASE);
	let running = await listen(env);
	const { address } = running;
	const kill = () =>
		new Promise<void>((resolve) => {
			running.child.once('exit', () => resolve());
			running.child.kill('SIGKILL');
		});
	return {
		address,
		database: env.ZEMBO_DATABASE,
		instruments,
		pid: () => running.child.pid!,
		kill,
		restart: async () => {
			running = await listen(env);
		},
		remove: async () => {
			await kill();
			rmSync(folder, { recursive: true, force: true });
		}
	};
}

/** The demo's data: a copy of what all test files share, or loaded anew for a benchmark. */
function putDemo(path: string): void {
	const template = process.env[DEMO_TEMPLATE];
	if (template) copyFileSync(template, path);
	else loadDemo(path);
}

/** Ports of this worker, below those that the system hands out to whoever asks for any: 32,768 on. */
const PORTS = { from: 20_000, each: 2_000 };
let nextPort = randomInt(PORTS.each);

/**
 * A port that nobody listens on, and that nobody is given before the server that it is for has started: between a look
 * and a start the system would hand out one of its own to a browser's driver.
 */
async function freePort(): Promise<number> {
	const first = PORTS.from + (Number(process.env.VITEST_POOL_ID ?? 0) % 6) * PORTS.each;
	for (let tried = 0; tried < PORTS.each; tried++) {
		const port = first + (nextPort++ % PORTS.each);
		if (await isFree(port)) return port;
	}
	throw new Error(`every port from ${first} on is taken`);
}

function isFree(port: number): Promise<boolean> {
	return new Promise((resolve) => {
		const probe = createServer();
		probe.once('error', () => resolve(false));
		probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
	});
}

function listen(env: NodeJS.ProcessEnv): Promise<{ address: string; child: ChildProcess }> {
	const child = spawn(process.execPath, [...SERVER_FLAGS, 'scripts/serve.mjs'], { cwd: ROOT, env });
	return new Promise((resolve, reject) => {
		let said = '';
		const hear = (chunk: Buffer) => {
			said += chunk.toString();
			const address = /listens at (\S+)/.exec(said)?.[1];
			if (address) resolve({ address, child });
		};
		child.stdout.on('data', hear);
		child.stderr.on('data', hear);
		child.once('exit', () => reject(new Error(`the server ended: ${said}`)));
	});
}
