import { readFileSync } from 'node:fs';
import type chrome from 'selenium-webdriver/chrome';
import type { VisitDocument } from '$core/document';
import { median } from '$core/numerics';
import { openBrowser } from '../tests/browser/own-browser';
import { startServer } from '../tests/browser/own-server';
import { Person } from '../tests/browser/person';
import { id, LARGE_SITE } from './baseline/large-site';
import { readEveryString } from './baseline/read-every-string';

/*
 * Every main screen with a site of 3,000 modules, in headless Chromium slowed down four times: first
 * contentful paint of a whole load, and the longest interaction to next paint (event timing) of
 * presses and keys there. Besides, the server's memory at rest with that site. The baseline is an
 * empty page of the same server.
 */

const SLOWED = 4;
const LOADS = 5;
/** Of those, how many are pressed; one press alone says little, whichever it hits upon. */
const PRESSED = 3;
const SITE = `/sites/${LARGE_SITE.site.id}`;
/** One visit with nothing read yet, and one with every string's volts and amps and twelve faults. */
const VISIT = `/visits/${LARGE_SITE.visit.id}`;
const READ_ID = id(5);
const READ = `/visits/${READ_ID}`;

/** What is pressed or typed on a screen, by a selector of each. */
const SCREENS: readonly (readonly [name: string, path: string, acts: readonly string[]])[] = [
	['baseline: formats', '/formats/zembo-library.json', []],
	['Sites', '/', ['header [data-part=item]']],
	['Site', SITE, ['input[name=by]']],
	['Record', `${SITE}/array-record`, ['main button']],
	['Map', `${SITE}/map`, ['.plan svg', 'li[data-string] button']],
	['Diagram', `${SITE}/diagram`, ['header [data-part=item]']],
	['Checks', `${SITE}/checks`, ['summary']],
	['Monitoring', `${SITE}/monitoring`, ['header [data-part=item]']],
	['Library', '/library', ['header [data-part=item]']],
	['Bench', '/bench', ['header [data-part=item]']],
	['Search', '/search?q=depot', ['input[name=q]']],
	['Test plan', `${VISIT}/test-plan`, ['main input, main select, main details > summary']],
	['Isolation', `${VISIT}/isolation`, ['main button']],
	['Inspection', `${VISIT}/inspection`, ['main button']],
	['Test conditions', `${VISIT}/test-conditions`, ['main input']],
	['Measurements', `${VISIT}/measurements`, ['.row']],
	['Measure, all read', `${READ}/measurements`, ['.row']],
	['Comparison', `${READ}/comparison`, ['main select, main button, header [data-part=item]']],
	['Diagnosis', `${READ}/diagnosis`, ['main summary, main button, main select']],
	['Repair', `${READ}/repair`, ['main button', 'main .page > p button']],
	['Report', `${READ}/report`, ['summary']]
];

const server = await startServer({ demo: true });
const driver = await openBrowser();

function memory(): number {
	const status = readFileSync(`/proc/${server.pid()}/status`, 'utf8');
	return Number(/VmRSS:\s+(\d+)/.exec(status)![1]) / 1024;
}

async function importVisit(document: VisitDocument): Promise<void> {
	const body = new FormData();
	body.set('file', new Blob([JSON.stringify(document)]), 'depot.json');
	const answer = await fetch(`${server.address}/?/import`, {
		method: 'POST',
		body,
		headers: { origin: server.address, accept: 'application/json' }
	});
	const said = await answer.text();
	if (!answer.ok || said.includes('"failure"')) throw new Error(said.slice(0, 300));
}

/** Longest time from an input to the next paint since the last asking, ms; and how many inputs there were. */
const INPUTS = `
	return new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(() => {
		const entries = window.inputs.splice(0);
		resolve(entries.length === 0 ? null : Math.max(...entries));
	}, 50))));`;

/** First contentful paint of the page, as soon as it has come. */
const FIRST_PAINT = `
	const done = arguments[0];
	new PerformanceObserver((list) => {
		const paint = list.getEntriesByName('first-contentful-paint')[0];
		if (paint) done(paint.startTime);
	}).observe({ type: 'paint', buffered: true });`;

/** The middle one and the longest, as they are printed. */
function spread(list: readonly number[]): string {
	const words = (value: number) => (value === 0 ? 'under 16' : value.toFixed(0));
	return `${words(median(list))}, ${words(Math.max(...list))}`;
}

const IN_SIGHT = `
	const [css] = arguments;
	const one = [...document.querySelectorAll(css)].find((e) => e.offsetParent !== null || e.ownerSVGElement);`;

/** Presses what a selector finds, and types where it is a field; ms to the next paint, null where nothing is. */
async function press(css: string): Promise<number | null> {
	const there = await driver.executeScript<boolean>(
		`${IN_SIGHT} one?.scrollIntoView({ block: 'center' }); return Boolean(one);`,
		css
	);
	if (!there) return null;
	// Somebody looks at what they press.
	await driver.sleep(500);
	const box = await driver.executeScript<{ x: number; y: number }>(
		`${IN_SIGHT}
		const { x, y, width, height } = one.getBoundingClientRect();
		return { x: Math.round(x + Math.min(width / 2, 200)), y: Math.round(y + Math.min(height / 2, 40)) };`,
		css
	);
	await driver.executeScript('window.inputs.length = 0');
	await driver.actions().move(box).click().perform();
	if (/input|#reading/.test(css)) await driver.actions().sendKeys('41').perform();
	return (await driver.executeScript<number | null>(INPUTS)) ?? 0;
}

try {
	const read = readEveryString(READ_ID);
	// The conditions alone, with ids of their own: none stands in two visits.
	const conditions = read.visit.conditions.map((entry, n) => ({ ...entry, id: id(0x7e00 + n) }));
	await importVisit({ ...LARGE_SITE, visit: { ...LARGE_SITE.visit, conditions } });
	await importVisit(read);
	const browser = driver as chrome.Driver;
	await browser.sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
		source: `
			window.inputs = [];
			new PerformanceObserver((list) => {
				for (const entry of list.getEntries()) if (entry.interactionId) window.inputs.push(entry.duration);
			}).observe({ type: 'event', durationThreshold: 16, buffered: true });`
	});
	await browser.sendDevToolsCommand('Emulation.setCPUThrottlingRate', { rate: SLOWED });
	const person = new Person(driver, server);
	console.log(
		`\nmain screens with a site of 3,000 modules, headless Chromium slowed ${SLOWED} times (built server on loopback)`
	);
	console.log(
		`  screen             first paint, ms (median, longest of ${LOADS})   input to paint, ms (median, longest of ${PRESSED})`
	);
	for (const [name, path, acts] of SCREENS) {
		const paints: number[] = [];
		const inputs = acts.map((): number[] => []);
		for (let n = 0; n < LOADS; n++) {
			if (acts.length === 0) await driver.get(server.address + path);
			else await person.goTo(path);
			paints.push(await driver.executeAsyncScript<number>(FIRST_PAINT));
			if (n < LOADS - PRESSED) continue;
			// Somebody reads before they press.
			await driver.sleep(2000);
			for (const [i, css] of acts.entries()) {
				const took = await press(css);
				if (took !== null) inputs[i]!.push(took);
			}
		}
		const words = inputs.map((took, i) =>
			took.length > 0 ? spread(took) : `${acts[i]} not there`
		);
		console.log(`  ${name.padEnd(18)} ${spread(paints)}`.padEnd(62) + words.join('; '));
	}
	await driver.get('about:blank');
	await driver.sleep(30_000);
	console.log(`  server's resident memory half a minute later: ${memory().toFixed(0)} MB`);
	await server.kill();
	await server.restart();
	await fetch(`${server.address}${SITE}`);
	await driver.sleep(5000);
	console.log(`  and after a start and one page of that site: ${memory().toFixed(0)} MB`);
} finally {
	await driver.quit();
	await server.remove();
}
