import saltmarsh from '../../demo/saltmarsh-2026-11-17.zembo-visit.json';
import type { Server } from '../browser/own-server';
import { mutated, rawBody } from './bodies';
import { Random } from './random';
import { findRoutes, type FuzzedRoute } from './routes';

/*
 * Random and mutated requests to every route that the application has. None may be answered with a fault of the
 * server's own, hang, or show a stack trace; and afterwards the server still answers.
 */

/** Longer than that is a hang, ms; reports of the demo's sites take seconds on a busy machine. */
const HANG = 60_000;
const AT_ONCE = 8;

interface Failure {
	readonly request: string;
	readonly why: string;
	/** Number of the request, to be made again with the same seed. */
	readonly number: number;
}

export interface FuzzOutcome {
	readonly requests: number;
	/** Answers by their status. */
	readonly statuses: ReadonlyMap<number, number>;
	readonly routes: number;
	readonly failures: readonly Failure[];
	/** ms */
	readonly slowest: number;
}

interface FuzzedRequest {
	readonly method: string;
	readonly path: string;
	readonly type: string | null;
	readonly body: string | Uint8Array | null;
}

const { site, visit, record, revision } = saltmarsh;
const [string] = record.strings;
const [part] = record.parts;

/** Values of parameters: what is there, what is not, and what no id looks like. */
const PARAMETERS: Readonly<Record<string, readonly string[]>> = {
	site: [site.id],
	visit: [visit.id],
	string: [string!.id],
	part: [part!.id, 'new'],
	type: [record.moduleTypes[0]!.id, 'new'],
	level: ['1', '2', '3'],
	number: ['1', '7', '1e9', '-1'],
	job: ['019a8000-0000-7000-8000-000000000404']
};
const NO_IDS = [
	'019a0000-0000-7000-8000-000000000404',
	'nothing',
	'%00',
	'..%2f..%2fetc',
	'a'.repeat(3000),
	'%F0%9F%94%A5',
	'__proto__'
];

/** Bodies that a route would take, as its pages send them; each is made anew with ids of its own. */
const BODIES: Readonly<Record<string, (random: Random) => unknown>> = {
	'/visits/[visit]/readings': (random) => ({
		...random.of(visit.readings),
		id: random.uuid(),
		supersedes: null,
		confirmed: true
	}),
	'/visits/[visit]/inspection': (random) => ({
		id: random.uuid(),
		stop: random.of(['glass', 'cells', 'nowhere', 'bonding']),
		outcome: random.of(['fits', 'finding', 'not-seen']),
		severity: random.of([null, 'now', 'soon']),
		place: random.of([null, { kind: 'string', stringId: string!.id }]),
		words: 'cracked',
		measured: random.of([null, 0.4]),
		infrared: null,
		photographs: [],
		at: '2026-11-25T10:00:00Z',
		by: 'x',
		supersedes: null,
		withdrawn: false
	}),
	'/visits/[visit]/repairs': (random) => ({
		id: random.uuid(),
		code: random.of(['module-missing', 'string-reversed', 'soiling', 'fuse-blown']),
		place: { kind: 'string', string: string!.id },
		step: random.of(['repaired', 'accepted', 'rejected', 'confirmed']),
		kind: random.of([null, 'other']),
		words: 'done',
		serial: '',
		photograph: null,
		lookAgain: random.of([null, '2027-01-01']),
		readingsBefore: null,
		at: '2026-11-25T10:00:00Z',
		by: 'x'
	}),
	'/visits/[visit]/safety': (random) => ({
		task: random.of(['open-live', 'dead']),
		entry: {
			id: random.uuid(),
			step: random.of(['own-procedure', 'arrival/kit-volts', 'up/polarity']),
			value: random.of([null, 0, 12.5]),
			at: '2026-11-25T10:00:00Z',
			by: 'x',
			supersedes: null,
			withdrawn: false
		}
	}),
	'/visits/[visit]/curves': (random) => ({
		id: random.uuid(),
		stringId: string!.id,
		points: [
			[0, 9],
			[300, 8.5],
			[450, 0]
		],
		at: null,
		origin: 'tracer',
		takenAt: '2026-11-25T10:00:00Z',
		by: 'x',
		supersedes: null
	}),
	'/visits/[visit]/withdrawals': (random) => ({
		id: random.uuid(),
		readingId: random.of(visit.readings).id,
		at: '2026-11-25T10:00:00Z',
		by: 'x'
	}),
	'/visits/[visit]/purpose': () => ({
		purpose: 'routine',
		inverterSays: 'Isolation low',
		seen: { purpose: 'routine', inverterSays: '' }
	}),
	'/visits/[visit]/record': () => ({ revision: revision.id }),
	'/sites/[site]/changes': (random) => ({
		id: random.uuid(),
		base: revision.id,
		change: [{ op: 'put', list: 'strings', value: { ...string, fuse: { rating: 20 } } }]
	}),
	'/sites/[site]/monitoring/settings': () => {
		const settings = {
			latitude: 55,
			longitude: 2,
			price: null,
			currency: '',
			benchmarkDays: null,
			limit: 0.8
		};
		return { settings, seen: settings };
	},
	'/sites/[site]/monitoring/matching': () => ({ targets: [['K1', { kind: 'array' }]] }),
	'/sites/[site]/monitoring/benchmark': (random) => ({ id: random.uuid(), at: '2026-06-21' }),
	'/sites/[site]/monitoring/imports': (random) => ({
		id: random.uuid(),
		file: 'x.csv',
		delimiter: ',',
		headings: ['time', 'K1'],
		layout: {
			headingLine: 1,
			time: [0],
			form: 'year-first',
			fixedOffset: null,
			mark: '.',
			unitColumn: null,
			quantityColumn: null,
			figures: [{ column: 1, unit: 'K1', watched: 'power', factor: 1 }]
		}
	}),
	'/library/entries': (random) => ({
		put: [{ kind: 'module', ...record.moduleTypes[0], id: random.uuid() }],
		remove: [],
		versions: {}
	}),
	'/instruments/meter': () => ({
		address: '127.0.0.1:1',
		measures: 'dc-voltage',
		probe: null
	}),
	'/instruments/inverter': () => ({ address: '127.0.0.1:1', unit: 1 }),
	'/bench/batches/[batch]': () => ({ from: 1, batch: { name: 'x', modules: [] } })
};

/** Routes that make whole files. */
const REPORTS = /\.(pdf|zip|html)$/;
const METHODS = ['GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS', 'HEAD'];
const QUERIES = [
	'',
	'?form=short&page=LETTER',
	'?form=x',
	'?q=%00',
	'?q=Saltmarsh%20A1',
	`?q=${'a'.repeat(2000)}`,
	'?after=x&after-name=y',
	'?from=0&to=1e30&keys=a',
	'?from=-1',
	'?id=019a0000-0000-7000-8000-000000000404&takenAt=2026-02-30T00:00:00Z',
	'?kind=module',
	'?since=NaN',
	'?below=1e99',
	'?visit=x&with=y'
];

function requestTo({ path, actions, methods }: FuzzedRoute, random: Random): FuzzedRequest {
	const filled = path.replace(/\[(\w+)\]/g, (_, name: string) => {
		const known = PARAMETERS[name] ?? [];
		return known.length > 0 && random.below(4) > 0 ? random.of(known) : random.of(NO_IDS);
	});
	const method = random.of(random.below(8) === 0 ? METHODS : methods);
	const query = random.below(2) === 0 ? '' : random.of(QUERIES);
	if (method === 'GET' || method === 'HEAD') {
		// A line of events stays open for good.
		const data = random.below(5) === 0 && !path.includes('.') ? '/__data.json' : '';
		return { method, path: `${filled}${data}${query}`, type: null, body: null };
	}
	if (random.below(4) === 0) {
		const { type, bytes } = rawBody(random);
		const action = actions.length > 0 ? `?/${random.of(actions)}` : query;
		return { method, path: filled + action, type, body: bytes };
	}
	if (actions.length > 0 && random.below(3) > 0) {
		const action = random.of(actions);
		const fields = new URLSearchParams(formFields(random));
		return {
			method: 'POST',
			path: `${filled}${action === 'default' ? '' : `?/${action}`}`,
			type: 'application/x-www-form-urlencoded',
			body: fields.toString()
		};
	}
	const made = BODIES[path]?.(random) ?? { id: random.uuid(), name: 'x' };
	return {
		method,
		path: filled + query,
		type: 'application/json',
		body: JSON.stringify(mutated(made, random))
	};
}

const FIELDS = [
	'name',
	'place',
	'timeZone',
	'hours',
	'keep',
	'purpose',
	'reason',
	'by',
	'irradiance',
	'cellTemperature',
	'voltsPct',
	'seen',
	'modules',
	'count',
	'__superform_id',
	'__superform_json'
];
const TYPED = [
	'',
	'0',
	'-1',
	'900',
	'1e999',
	'OL',
	'12,5',
	'Etc/UTC',
	'routine',
	'NaN',
	'\u0000',
	'[{"a":1}]'
];

function formFields(random: Random): [string, string][] {
	return Array.from({ length: random.below(8) }, () => [random.of(FIELDS), random.of(TYPED)]);
}

/** Makes requests from a seed, some at a time. */
export async function fuzz(
	server: Server,
	{ requests, seed }: { readonly requests: number; readonly seed: number }
): Promise<FuzzOutcome> {
	const routes = findRoutes().filter(({ path }) => !path.endsWith('/events'));
	const entries = routes.filter(({ path }) => BODIES[path] !== undefined);
	const random = new Random(seed);
	const statuses = new Map<number, number>();
	const failures: Failure[] = [];
	let slowest = 0;
	let next = 0;
	const lane = async () => {
		while (next < requests) {
			const number = next++;
			let route = routes[number % routes.length]!;
			// A report takes as long as a hundred entries.
			if (REPORTS.test(route.path) && random.below(20) > 0) route = random.of(entries);
			const request = requestTo(route, random);
			const start = performance.now();
			const { status, why } = await answerTo(server, request);
			slowest = Math.max(slowest, performance.now() - start);
			statuses.set(status, (statuses.get(status) ?? 0) + 1);
			if (why === null) continue;
			const body = typeof request.body === 'string' ? request.body.slice(0, 600) : '(bytes)';
			failures.push({
				number,
				why,
				request: `${request.method} ${request.path.slice(0, 300)} ${request.type ?? ''} ${body}`
			});
		}
	};
	await Promise.all(Array.from({ length: AT_ONCE }, lane));
	const alive = await answerTo(server, { method: 'GET', path: '/', type: null, body: null });
	if (alive.status !== 200) {
		failures.push({ number: requests, why: `afterwards: ${alive.status}`, request: 'GET /' });
	}
	return { requests, statuses, routes: routes.length, failures, slowest };
}

async function answerTo(
	{ address }: Server,
	{ method, path, type, body }: FuzzedRequest
): Promise<{ readonly status: number; readonly why: string | null }> {
	try {
		const answer = await fetch(address + path, {
			method,
			redirect: 'manual',
			headers: { origin: address, ...(type !== null && { 'content-type': type }) },
			body: body as BodyInit | null,
			signal: AbortSignal.timeout(HANG)
		});
		const text = await answer.text();
		const { status } = answer;
		// An instrument that does not answer is told as 502, in words of its own.
		const told = status === 502 && path.startsWith('/instruments/') && text.includes('"words"');
		if (status >= 500 && !told) return { status, why: `${status} ${text.slice(0, 200)}` };
		if (/\n\s+at .+\.[jt]s:\d+/.test(text)) return { status, why: 'a stack trace' };
		return { status, why: null };
	} catch (error) {
		const why =
			error instanceof Error ? `${error.message} ${String(error.cause ?? '')}` : 'no answer';
		return { status: 0, why };
	}
}
