import { readFileSync } from 'node:fs';
import { meterCard } from '../demo/saltmarsh';
import { openBrowser } from '../tests/browser/own-browser';
import { startServer } from '../tests/browser/own-server';
import { Person } from '../tests/browser/person';

/*
 * What a person waits for, in headless Chromium against the built server: Enter to verdict for eight
 * strings typed one after the other, and the JavaScript of the first page. The baseline is the wait
 * for two frames, which is the least that any change on the screen takes.
 */

/** The demo's visit with strings twice as long, as another site. */
async function longStrings(address: string): Promise<void> {
	const text = readFileSync('demo/saltmarsh-2026-11-17.zembo-visit.json', 'utf8')
		.replaceAll('019a8000', '019b8000')
		.replaceAll('"moduleCount": 12', '"moduleCount": 24');
	const body = new FormData();
	body.set('file', new Blob([text]), 'long.json');
	const answer = await fetch(`${address}/?/import`, {
		method: 'POST',
		body,
		headers: { origin: address, accept: 'application/json' }
	});
	const said = await answer.text();
	if (!answer.ok || said.includes('"failure"')) throw new Error(`not imported: ${said}`);
}

const VOLTAGE = meterCard().map(({ openCircuit }) => String(openCircuit));

const server = await startServer({ demo: true });
const driver = await openBrowser();

/** Waits from a move of a slider to the picture of the chart that follows it, ms, shortest first. */
function sliderWaits(css: string, count: number, at: (move: number) => number): Promise<number[]> {
	return driver.executeAsyncScript<number[]>(
		`
		const [css, values, done] = arguments;
		const slider = document.querySelector(css);
		const chart = document.querySelector('[data-drawn]');
		const waits = [];
		const move = () => {
			if (waits.length === values.length) return done(waits.sort((a, b) => a - b));
			const start = performance.now();
			new MutationObserver((_, observer) => {
				observer.disconnect();
				waits.push(performance.now() - start);
				requestAnimationFrame(move);
			}).observe(chart, { attributeFilter: ['data-drawn'] });
			slider.value = String(values[waits.length]);
			slider.dispatchEvent(new Event('input', { bubbles: true }));
		};
		move();`,
		css,
		Array.from({ length: count }, (_, n) => at(n))
	);
}
try {
	const person = new Person(driver, server);
	await person.goTo('/');
	const scripts = await driver.executeScript<{ bytes: number; names: number; charts: boolean }>(`
		const js = performance.getEntriesByType('resource').filter((r) => r.name.endsWith('.js'));
		return {
			bytes: js.reduce((sum, r) => sum + r.encodedBodySize, 0),
			names: js.length
		};`);
	console.log('\nin the browser (headless Chromium, built server on loopback)');
	console.log(
		`  first page: ${(scripts.bytes / 1000).toFixed(1)} kB of JavaScript as sent (gzip), ${scripts.names} files`
	);

	await person.startsVisit();
	const frames = await driver.executeAsyncScript<number>(`
		const done = arguments[arguments.length - 1];
		const start = performance.now();
		requestAnimationFrame(() => requestAnimationFrame(() => done(performance.now() - start)));`);
	const waits: number[] = [];
	for (const [i, voltage] of VOLTAGE.entries()) {
		await person.hasFocus('reading');
		await person.types(voltage);
		waits.push(
			await driver.executeAsyncScript<number>(
				`
				const done = arguments[arguments.length - 1];
				const row = document.querySelectorAll('.row')[arguments[0]];
				const start = performance.now();
				new MutationObserver((_, observer) => {
					if (!row.querySelector('.said .verdict')) return;
					observer.disconnect();
					done(performance.now() - start);
				}).observe(row, { subtree: true, childList: true });
				document.activeElement.dispatchEvent(
					new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true })
				);`,
				i
			)
		);
	}
	const sorted = [...waits].sort((a, b) => a - b);
	console.log(`  baseline: two frames ${frames.toFixed(1)} ms`);
	console.log(
		`  Enter to verdict: ${waits.map((wait) => wait.toFixed(0)).join(', ')} ms in the order of typing; median ${sorted[4]!.toFixed(1)}, longest ${sorted.at(-1)!.toFixed(1)} ms`
	);

	await longStrings(server.address);
	await person.goTo(
		'/visits/019b8000-0000-7000-8000-000000000004/strings/019b8000-0000-7000-8000-000000000011'
	);
	await person.find('[data-drawn] canvas');
	const moves = await sliderWaits('input[type=range]', 100, (n) => 99 - n);
	console.log(
		`  slider to curve, 24 modules beside three strings: median ${moves[50]!.toFixed(1)}, nine of ten ${moves[90]!.toFixed(1)}, longest ${moves.at(-1)!.toFixed(1)} ms of ${moves.length}`
	);
	await person.goTo(
		'/bench/batches/019a8002-0000-7000-8000-000000007fff/mix?of=1%2B2%2B3+%7C+6%2B7%2B9+%7C+10%2B11%2B5+%7C+12%2B15%2B16'
	);
	await person.find('[data-drawn] canvas');
	await person.click('.circuit button');
	// By the slider's own steps: any other value would change nothing.
	const mixes = await sliderWaits('input[name=light]', 40, (n) => 95 - 5 * (n % 19));
	console.log(
		`  light on one of twelve modules to circuit and curve of the mix: median ${mixes[20]!.toFixed(1)}, nine of ten ${mixes[36]!.toFixed(1)}, longest ${mixes.at(-1)!.toFixed(1)} ms of ${mixes.length}`
	);
} finally {
	await driver.quit();
	await server.remove();
}
