import { By, logging, Origin, type Actions, type WebDriver } from 'selenium-webdriver';
import type chrome from 'selenium-webdriver/chrome';
import { openBrowser } from '../tests/browser/own-browser';
import { startServer, type Server } from '../tests/browser/own-server';
import { Person } from '../tests/browser/person';
import { id, LARGE_SITE } from './baseline/large-site';

/*
 * A site of 3,000 modules, 120 strings and 10 inverters: saving one change at the server, opening path
 * view and plan, and the longest task of the main thread while one scrolls and drags, out of the
 * browser's trace. The baselines are the same on the demo's terminal of 96 modules.
 */

const DEMO = '019a8000-0000-7000-8000-000000000002';
const DEMO_REVISION = '019a8000-0000-7000-8000-000000000003';
const SAVES = 40;
const HEADERS = { 'content-type': 'application/json' };

const sorted = (values: readonly number[]) => [...values].sort((a, b) => a - b);
const told = (values: readonly number[]) => {
	const inOrder = sorted(values);
	return `median ${inOrder[Math.floor(inOrder.length / 2)]!.toFixed(1)}, longest ${inOrder.at(-1)!.toFixed(1)} ms of ${values.length}`;
};

async function importLarge({ address }: Server): Promise<number> {
	const text = JSON.stringify(LARGE_SITE);
	const body = new FormData();
	body.set('file', new Blob([text]), 'depot.json');
	const answer = await fetch(`${address}/?/import`, {
		method: 'POST',
		body,
		headers: { origin: address, accept: 'application/json' }
	});
	const said = await answer.text();
	if (!answer.ok || said.includes('"failure"'))
		throw new Error(`not imported: ${said.slice(0, 300)}`);
	return JSON.stringify(LARGE_SITE.record).length;
}

/** Time of each save of one string's fuse, request to answer, ms. */
async function saves(
	{ address }: Server,
	site: string,
	revision: string,
	string: object
): Promise<number[]> {
	let base = revision;
	const times: number[] = [];
	for (let i = 0; i < SAVES; i++) {
		const value = { ...string, fuse: { rating: 20 + (i % 5) } };
		const body = JSON.stringify({
			id: crypto.randomUUID(),
			base,
			change: [{ op: 'put', list: 'strings', value }]
		});
		const start = performance.now();
		const answer = await fetch(`${address}/sites/${site}/changes`, {
			method: 'POST',
			headers: { ...HEADERS, origin: address },
			body
		});
		const stored = (await answer.json()) as { id: string };
		times.push(performance.now() - start);
		if (!answer.ok) throw new Error(JSON.stringify(stored));
		base = stored.id;
	}
	return times;
}

/** From a press on the site's page to the plan drawn and two frames later, ms; and of a whole load. */
async function openings(driver: WebDriver, person: Person, site: string) {
	const pressed: number[] = [];
	for (let i = 0; i < 5; i++) {
		await person.goTo(`/sites/${site}/checks`);
		pressed.push(
			await driver.executeAsyncScript<number>(`
				const done = arguments[arguments.length - 1];
				const start = performance.now();
				const look = () => {
					if (document.querySelector('.plan svg')) requestAnimationFrame(() => requestAnimationFrame(() => done(performance.now() - start)));
					else requestAnimationFrame(look);
				};
				[...document.querySelectorAll('nav a')].find((link) => link.textContent === 'Map').click();
				look();`)
		);
	}
	const loaded: number[] = [];
	for (let i = 0; i < 5; i++) {
		await person.goTo(`/sites/${site}/map`);
		loaded.push(await driver.executeScript<number>('return window.readyAt'));
	}
	return { pressed, loaded };
}

/** What the trace has to tell; it arrives late and in parts, and never ends. */
async function quiet(driver: WebDriver): Promise<logging.Entry[]> {
	const entries: logging.Entry[] = [];
	for (let part = 0; part < 4; part++) {
		await driver.sleep(700);
		entries.push(...(await driver.manage().logs().get('performance')));
	}
	return entries;
}

/** Longest tasks of the page's main thread since the trace was last read, ms. */
async function longestTasks(driver: WebDriver): Promise<number[]> {
	const entries = await quiet(driver);
	const threads = new Set<string>();
	const tasks: { thread: string; ms: number }[] = [];
	for (const { message } of entries) {
		const { method, params } = (JSON.parse(message) as { message: TraceMessage }).message;
		if (method !== 'Tracing.dataCollected') continue;
		const thread = `${params.pid}/${params.tid}`;
		if (params.name === 'thread_name' && params.args?.name === 'CrRendererMain')
			threads.add(thread);
		if (params.name === 'FunctionCall' || params.name === 'UpdateLayoutTree') threads.add(thread);
		if (params.dur !== undefined && /RunTask/.test(params.name ?? '')) {
			tasks.push({ thread, ms: params.dur / 1000 });
		}
	}
	return sorted(tasks.filter(({ thread }) => threads.has(thread)).map(({ ms }) => ms)).slice(-3);
}
interface TraceMessage {
	readonly method: string;
	readonly params: {
		readonly name?: string;
		readonly pid: number;
		readonly tid: number;
		readonly dur?: number;
		readonly args?: { readonly name?: string };
	};
}

async function scroll(driver: WebDriver): Promise<void> {
	// The package's types do not know the wheel yet.
	const wheel = () => driver.actions() as unknown as { scroll: (...at: number[]) => Actions };
	for (let i = 0; i < 30; i++) await wheel().scroll(600, 400, 0, 240).perform();
}

async function dragOver(driver: WebDriver, css: string, dx: number, dy: number): Promise<void> {
	const held = await driver.findElement(By.css(css));
	await driver.executeScript('arguments[0].scrollIntoView({block: "center"})', held);
	const actions = driver.actions({ async: false }).move({ origin: held }).press();
	for (let i = 1; i <= 40; i++)
		actions.move({ origin: Origin.POINTER, x: dx, y: dy, duration: 16 });
	await actions.release().perform();
}

const server = await startServer({ demo: true });
const driver = await openBrowser({ traced: true });
try {
	const bytes = await importLarge(server);
	console.log(`\na site of 3,000 modules (its record is ${(bytes / 1000).toFixed(0)} kB of JSON)`);
	const demo = (await (
		await fetch(`${server.address}/visits/019a8000-0000-7000-8000-000000000004/visit.json`)
	).json()) as typeof LARGE_SITE;
	console.log(
		`  baseline: save of one change, 96 modules: ${told(await saves(server, DEMO, DEMO_REVISION, demo.record.strings[0]!))}`
	);
	console.log(
		`  save of one change, 3,000 modules:        ${told(await saves(server, id(2), id(3), LARGE_SITE.record.strings[0]!))}`
	);
	await (driver as chrome.Driver).sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
		source: `
			const look = () => document.documentElement?.dataset.ready
				? requestAnimationFrame(() => (window.readyAt ??= performance.now()))
				: requestAnimationFrame(look);
			look();`
	});
	const person = new Person(driver, server);
	for (const [name, site] of [
		['baseline: 96 modules', DEMO],
		['3,000 modules', id(2)]
	] as const) {
		const { pressed, loaded } = await openings(driver, person, site);
		console.log(
			`  path view and plan, ${name}: by a press ${told(pressed)}; whole page, until it answers ${told(loaded)}`
		);
	}
	for (const [name, act] of [
		['scrolling', () => scroll(driver)],
		['dragging a module', () => dragOver(driver, '.plan svg [data-string] .glass', 6, 2)],
		['dragging a string', () => dragOver(driver, 'li[data-string] .grip', 0, 6)]
	] as const) {
		await person.goTo(`/sites/${id(2)}/map`);
		await quiet(driver);
		await act();
		const tasks = await longestTasks(driver);
		console.log(
			`  ${name}: longest tasks of the main thread ${tasks.map((ms) => ms.toFixed(1)).join(', ')} ms`
		);
	}
} finally {
	await driver.quit();
	await server.remove();
}
