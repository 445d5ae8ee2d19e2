import { readFileSync } from 'node:fs';
import { openBrowser } from '../tests/browser/own-browser';
import { startServer } from '../tests/browser/own-server';
import { Person } from '../tests/browser/person';

/*
 * Monitoring as a person meets it, in headless Chromium against the built server: ten million samples
 * taken in over HTTP with the server's memory, pictures of them dragged and zoomed, and the demo's
 * export looked through from the press to the answer. The baseline is the wait for two frames.
 */

const SITE = '/sites/019a8003-0000-7000-8000-000000000002';
const UNITS = 96;
const SAMPLES = 10_000_000;
const PIECE = 256 * 1024;
const QUARTER = 900_000;
const BEGIN = Date.UTC(2022, 0, 1);

const server = await startServer({ demo: true });
const driver = await openBrowser();

/** Resident memory of the server, MB. */
function memory(): number {
	const status = readFileSync(`/proc/${server.pid()}/status`, 'utf8');
	return Number(/VmRSS:\s+(\d+)/.exec(status)![1]) / 1024;
}

/** A number from 0 to 1 that looks like chance and is the same each time. */
function chance(seed: number): number {
	const x = Math.sin(seed * 12.9898) * 43758.5453;
	return x - Math.floor(x);
}

/** W of a module: nothing by night, a day's arch by its cloud, with flicker from quarter to quarter. */
function power(row: number, unit: number): number {
	const hour = (row % 96) / 4;
	const day = Math.floor(row / 96);
	const season = 0.7 - 0.3 * Math.cos((2 * Math.PI * day) / 365.25);
	const arch = Math.max(0, Math.sin((Math.PI * (hour - 6)) / 12));
	const cloud = 1 - 0.8 * chance(day) ** 2;
	return 300 * season * arch * cloud * (1 - 0.3 * chance(row + 0.01 * unit));
}

/** Lines of an export of 96 units, one after the other. */
function* lines(): Generator<string> {
	yield `time;${Array.from({ length: UNITS }, (_, u) => `U${u + 1}`).join(';')}\n`;
	for (let row = 0; row < SAMPLES / UNITS; row++) {
		const time = new Date(BEGIN + row * QUARTER).toISOString().slice(0, 16).replace('T', ' ');
		const figures = Array.from({ length: UNITS }, (_, u) => power(row, u).toFixed(1));
		yield `${time};${figures.join(';')}\n`;
	}
}

async function send(path: string, method: string, body: BodyInit, type: string): Promise<unknown> {
	const answer = await fetch(`${server.address}${SITE}/monitoring/imports${path}`, {
		method,
		body,
		headers: { 'content-type': type }
	});
	const said: unknown = await answer.json();
	if (!answer.ok) throw new Error(JSON.stringify(said));
	return said;
}

async function takeIn(): Promise<void> {
	const id = '019c0000-0007-7000-8000-000000000001';
	const figures = Array.from({ length: UNITS }, (_, u) => ({
		column: u + 1,
		unit: `U${u + 1}`,
		watched: 'power',
		factor: 1
	}));
	const layout = {
		headingLine: 1,
		time: [0],
		form: 'year-first',
		fixedOffset: null,
		mark: '.',
		unitColumn: null,
		quantityColumn: null,
		figures
	};
	const start = { id, file: 'ten-million.csv', delimiter: ';', layout, headings: [] };
	await send('', 'POST', JSON.stringify(start), 'application/json');
	const before = memory();
	let peak = before;
	let from = 0;
	let text = '';
	let spent = 0;
	const flush = async (last: boolean) => {
		const piece = new TextEncoder().encode(text);
		const began = performance.now();
		await send(
			`/${id}?from=${from}${last ? '&last=yes' : ''}`,
			'PUT',
			piece,
			'application/octet-stream'
		);
		spent += performance.now() - began;
		from += piece.length;
		text = '';
		peak = Math.max(peak, memory());
	};
	for (const line of lines()) {
		text += line;
		if (text.length >= PIECE) await flush(false);
	}
	await flush(true);
	console.log(
		`  ten million samples over HTTP: ${Math.round(SAMPLES / (spent / 1000)).toLocaleString('en')} a second; server's resident memory ${before.toFixed(0)} MB before, ${peak.toFixed(0)} MB at most`
	);
}

/** From a press on a button until the picture of what was fetched for it is on the screen, ms. */
function pressToPicture(words: string): Promise<number> {
	return driver.executeAsyncScript<number>(
		`
		const [words, done] = arguments;
		const button = [...document.querySelectorAll('.steps button')].find((one) => one.textContent.trim() === words);
		const chart = document.querySelector('.course [data-drawn]');
		const real = window.fetch;
		let fetched = false;
		window.fetch = async (...args) => { const answer = await real(...args); fetched = true; window.fetch = real; return answer; };
		const start = performance.now();
		new MutationObserver((_, observer) => {
			if (!fetched) return;
			observer.disconnect();
			requestAnimationFrame(() => requestAnimationFrame(() => done(performance.now() - start)));
		}).observe(chart, { attributeFilter: ['data-drawn'] });
		button.click();`,
		words
	);
}

try {
	const person = new Person(driver, server);
	console.log('\nmonitoring in the browser (headless Chromium, built server on loopback)');
	await person.goTo('/');
	const frames = await driver.executeAsyncScript<number>(`
		const done = arguments[arguments.length - 1];
		const start = performance.now();
		requestAnimationFrame(() => requestAnimationFrame(() => done(performance.now() - start)));`);
	console.log(`  baseline: two frames ${frames.toFixed(1)} ms`);

	await person.goTo(`${SITE}/monitoring/exports`);
	const looked = await driver.executeAsyncScript<number>(`
		const done = arguments[arguments.length - 1];
		const start = performance.now();
		new MutationObserver((_, observer) => {
			if (!document.querySelector('[data-event=step]')) return;
			observer.disconnect();
			done(performance.now() - start);
		}).observe(document.body, { subtree: true, childList: true });
		[...document.querySelectorAll('a')].find((one) => one.textContent === 'What lags').click();`);
	console.log(
		`  demo's export, 24 units over 293 days at 15 minutes: from the press to who lags ${looked.toFixed(0)} ms`
	);

	await takeIn();
	const units = [1, 2, 3, 4].map((u) => `unit=name:U${u}`).join('&');
	await person.goTo(`${SITE}/monitoring/course?${units}&until=${BEGIN + 900 * 86_400_000}`);
	await person.find('.course [data-drawn] canvas');
	const first: string[] = [];
	while (first.length < 5) first.push((await pressToPicture('Earlier')).toFixed(0));
	console.log(
		`  four lines of ten million samples, the first presses on the page: ${first.join(', ')} ms`
	);
	for (const words of ['Earlier', 'Later', 'Day', 'Week', 'Month', 'All']) {
		const waits: number[] = [];
		for (let n = 0; n < 10; n++) {
			if (words !== 'Earlier' && words !== 'Later') await pressToPicture(n % 2 ? 'Day' : 'Week');
			waits.push(await pressToPicture(words));
		}
		waits.sort((a, b) => a - b);
		console.log(
			`  four lines of ten million samples, ${words.padEnd(8)} press to picture on the screen: median ${waits[5]!.toFixed(0)}, longest ${waits[9]!.toFixed(0)} ms of 10`
		);
	}
} finally {
	await driver.quit();
	await server.remove();
}
