import { error, type RequestEvent } from '@sveltejs/kit';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { setPriority, tmpdir } from 'node:os';
import { join } from 'node:path';
import PQueue from 'p-queue';
import { passOn, type Passed } from './pass-on';
import type { FromLane, ToLane } from './relay';

/** What a lane may take. */
export interface LaneLimits {
	/** Requests that it works on at a time, and that wait for it. */
	readonly atOnce: number;
	readonly waiting: number;
	/** Longest time of one request, ms. */
	readonly longest: number;
	/** Memory of its objects, MB. */
	readonly memory: number;
}

/** A lane that does not answer for so long after the last person left is ended, ms. */
const GRACE = 2000;
/** One that nobody needed for so long is ended, ms. */
export const IDLE = 15 * 60_000;
/** Behind the server that people are connected to. */
const NICE = 5;

interface Running {
	readonly child: ChildProcess;
	readonly folder: string;
	readonly socket: string;
	readonly ready: Promise<void>;
}

/**
 * A second process of this server for what takes long: while it computes, the server answers everybody else. It is
 * started when it is first needed, and again after it was ended for taking too much time or memory.
 */
export class Lane {
	readonly #queue: PQueue;
	#running: Running | null = null;
	#inWork = 0;
	#idle: NodeJS.Timeout | undefined;

	/**
	 * @param entry script that serves as a lane
	 * @param hear what the lane tells
	 */
	constructor(
		readonly name: string,
		readonly limits: LaneLimits,
		readonly entry: string,
		readonly hear: (message: FromLane) => void
	) {
		this.#queue = new PQueue({ concurrency: limits.atOnce });
	}

	/**
	 * Answers a request in the lane.
	 *
	 * @throws error 503 where too many wait, or where the lane was ended over it
	 */
	async answer(event: RequestEvent, told: number): Promise<Response> {
		if (this.#queue.size >= this.limits.waiting) {
			error(503, {
				message: 'Too many people wait for long answers just now.',
				mend: 'Try again in a minute. Nothing was changed by this request.'
			});
		}
		const { signal } = event.request;
		return new Promise<Response>((resolve, reject) => {
			this.#queue
				.add(
					async () => {
						const { response, end } = await this.#work(event, told);
						resolve(response);
						await end;
					},
					{ signal }
				)
				.catch(reject);
		});
	}

	/** Ends the lane; whoever comes next is answered in another. */
	stop(): void {
		clearTimeout(this.#idle);
		this.#end(this.#running);
	}

	#end(running: Running | null): void {
		if (this.#running === running) this.#running = null;
		running?.child.kill('SIGKILL');
	}

	/** @param again whether to ask a new lane where this one is gone; not for what might be stored twice */
	async #work(
		event: RequestEvent,
		told: number,
		again = event.request.method === 'GET'
	): Promise<Passed> {
		clearTimeout(this.#idle);
		this.#inWork++;
		let late = false;
		const deadline = setTimeout(() => {
			late = true;
			this.stop();
		}, this.limits.longest);
		const done = () => {
			clearTimeout(deadline);
			this.#inWork--;
			if (event.request.signal.aborted) this.#endIfStuck();
			// One timer for all: each left running would end the lane under whoever is in it by then.
			clearTimeout(this.#idle);
			if (this.#inWork === 0) this.#idle = setTimeout(() => this.stop(), IDLE).unref();
		};
		let running: Running | null = null;
		try {
			running = this.#running ??= this.#start();
			await running.ready;
			const passed = await passOn(event, running.socket, told);
			void passed.end.then(done);
			return passed;
		} catch (cause) {
			done();
			if (event.request.signal.aborted) throw cause;
			console.error(`lane ${this.name}:`, cause);
			if (again && !late) {
				// Its end may be heard of later than its line breaks.
				if (this.#running === running) this.#running = null;
				return this.#work(event, told, false);
			}
			error(503, {
				message: 'This took more time or memory than one request may.',
				mend: 'Try again; if it stays, look at the server’s log.'
			});
		}
	}

	/** The person left; nobody else is in the lane: it ends where it computes on for nobody. */
	#endIfStuck(): void {
		const running = this.#running;
		if (!running?.child.connected || this.#inWork > 0) return;
		const patience = setTimeout(() => {
			if (this.#inWork === 0) this.#end(running);
		}, GRACE);
		const here = (message: FromLane) => {
			if (message.kind !== 'here') return;
			clearTimeout(patience);
			running.child.off('message', here);
		};
		running.child.on('message', here);
		running.child.send({ kind: 'there?' } satisfies ToLane);
	}

	#start(): Running {
		const folder = mkdtempSync(join(tmpdir(), 'zembo-lane-'));
		const socket =
			process.platform === 'win32'
				? String.raw`\\.\pipe\zembo-${process.pid}-${this.name}`
				: join(folder, 'socket');
		const child = spawn(
			process.execPath,
			[`--max-old-space-size=${this.limits.memory}`, this.entry],
			{
				env: { ...process.env, ZEMBO_LANE: this.name, ZEMBO_LANE_SOCKET: socket },
				stdio: ['ignore', 'inherit', 'inherit', 'ipc']
			}
		);
		const ready = new Promise<void>((resolve, reject) => {
			child.on('message', (message: FromLane) => {
				if (message.kind === 'ready') resolve();
				this.hear(message);
			});
			// More than one may come: none of them may end the server.
			child.on('error', reject);
			child.once('exit', (code, signal) => {
				rmSync(folder, { recursive: true, force: true });
				if (this.#running?.child === child) this.#running = null;
				reject(new Error(`it ended with ${code ?? signal}`));
			});
		});
		// Whoever waits for it hears of it; where nobody does, the next request starts another.
		ready.catch(() => undefined);
		if (child.pid !== undefined) {
			try {
				setPriority(child.pid, NICE);
			} catch {
				// Some systems do not allow it; then it competes on equal terms.
			}
		}
		child.unref();
		return { child, folder, socket, ready };
	}
}
