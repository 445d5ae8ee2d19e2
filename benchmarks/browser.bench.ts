import { readFileSync } from 'node:fs';
import { meterCard } from '../demo/saltmarsh';
import { openBrowser, Person, startServer } from '../tests/browser/support';

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

const VOLTS = meterCard().map(({ openCircuit }) => String(openCircuit));

const server = await startServer({ demo: true });
const driver = await openBrowser();
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
	for (const [i, volts] of VOLTS.entries()) {
		await person.hasFocus('reading');
		await person.types(volts);
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
	const moves = await driver.executeAsyncScript<number[]>(`
		const done = arguments[arguments.length - 1];
		const slider = document.querySelector('input[type=range]');
		const chart = document.querySelector('[data-drawn]');
		const waits = [];
		const move = () => {
			if (waits.length === 100) return done(waits.sort((a, b) => a - b));
			const start = performance.now();
			new MutationObserver((_, observer) => {
				observer.disconnect();
				waits.push(performance.now() - start);
				requestAnimationFrame(move);
			}).observe(chart, { attributeFilter: ['data-drawn'] });
			slider.value = String(99 - waits.length);
			slider.dispatchEvent(new Event('input', { bubbles: true }));
		};
		move();`);
	console.log(
		`  slider to curve, 24 modules beside three strings: median ${moves[50]!.toFixed(1)}, nine of ten ${moves[90]!.toFixed(1)}, longest ${moves.at(-1)!.toFixed(1)} ms of ${moves.length}`
	);
} finally {
	await driver.quit();
	await server.remove();
}
