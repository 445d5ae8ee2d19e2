import { By, Key, type WebDriver } from 'selenium-webdriver';
import type chrome from 'selenium-webdriver/chrome';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Server } from './own-server';
import { visitAtTheTerminal } from './own-visit';
import { Person } from './person';
import { WAIT } from './waiting';

let server: Server;
let driver: WebDriver;
let person: Person;
beforeAll(async () => {
	person = await Person.atTheDemo();
	({ driver, server } = person);
});
afterAll(() => person?.leaves());

interface Stored {
	readonly record: { readonly strings: readonly { label: string; moduleCount: number }[] };
	readonly revision: { readonly number: number };
	readonly visit: {
		readonly readings: readonly { typed: string; value: number; by: string }[];
		readonly conditions: readonly object[];
		readonly meters: { readonly volts: { readonly pctOfReading: number } };
	};
}
const stored = async (visit: string) =>
	(await (await fetch(`${server.address}/visits/${visit}/visit.json`)).json()) as Stored;
const readingsStored = (visit: string, count: number) =>
	driver.wait(async () => (await stored(visit)).visit.readings.length === count, WAIT);

describe('conditions and meters', () => {
	it('entered anew judge every reading anew, and both entries are kept', async () => {
		const visit = await person.startsVisit();
		await person.types('460.8', Key.ENTER);
		await person.sees('Pass', '[data-string=A1]');
		await readingsStored(visit, 1);
		await person.goTo(`/visits/${visit}/test-conditions`);
		await person.fill('cellTemperature', '5');
		await person.press('Save and measure');
		await person.arrivesAt(/\/measurements$/);
		// One string alone against 36 K: it is the string that is off, or the temperature.
		await person.sees(/Fail|Marginal/, '[data-string=A1]');
		expect((await stored(visit)).visit.conditions).toHaveLength(2);
		await person.goTo(`/visits/${visit}/test-conditions`);
		await person.sees(/5 °C[\s\S]*41 °C/);
	});

	it('a worse meter gives a wider band; what was refused stays in its field', async () => {
		const visit = await person.measures();
		const band = async () => {
			const words = await person.sees(/expected [\d.]+\s+±\s+[\d.]+/, '#entry-words');
			return Number(/±\s+([\d.]+)/.exec(words)![1]);
		};
		const narrow = await band();
		await person.goTo(`/visits/${visit}/test-conditions`);
		await person.fill('voltsPct', 'three');
		await person.press('Store the meters');
		await person.sees('Volts, % of reading: “three” is not a number');
		expect(await (await person.find('input[name=voltsPct]')).getAttribute('value')).toBe('three');
		expect((await stored(visit)).visit.meters.volts.pctOfReading).toBe(0.5);
		await person.fill('voltsPct', '3');
		await person.press('Store the meters');
		await person.sees('Stored.', 'form .done');
		await person.goTo(`/visits/${visit}/measurements`);
		expect(await band()).toBeGreaterThan(narrow);
	});
});

describe('entering', () => {
	it('by the keypad of a phone', async () => {
		const visit = await person.measures();
		await (driver as chrome.Driver).sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
			width: 390,
			height: 844,
			deviceScaleFactor: 1,
			mobile: true
		});
		await person.goTo(`/visits/${visit}/measurements`);
		await person.isAt('A1', 'open-circuit-voltage');
		const tap = async (sign: string) => {
			const key = await person.find('.keypad');
			await key.findElement(By.xpath(`./button[normalize-space(.)="${sign}"]`)).click();
		};
		for (const sign of ['4', '6', '0', '.', '8', '5', '±']) await tap(sign);
		const field = await person.find('input[name=reading]');
		expect(await field.getAttribute('value')).toBe('-460.85');
		await tap('±');
		// The key that takes the last sign back shows a drawing alone.
		await (await person.find('.keypad button:nth-child(13)')).click();
		expect(await field.getAttribute('value')).toBe('460.8');
		await tap('Enter');
		await person.isAt('A2', 'open-circuit-voltage');
		await person.sees('Pass', '[data-string=A1]');
		await readingsStored(visit, 1);
		expect((await stored(visit)).visit.readings[0]).toMatchObject({ typed: '460.8', value: 460.8 });
		await (driver as chrome.Driver).sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
			width: 1280,
			height: 800,
			deviceScaleFactor: 1,
			mobile: false
		});
	});

	it('says no to a question with Escape, and the figure is still there', async () => {
		const visit = await person.measures();
		await person.types('4608', Key.ENTER);
		await person.sees('about ten times as much', '.question');
		await person.types(Key.ESCAPE);
		await driver.wait(
			async () => (await driver.findElements(By.css('.question'))).length === 0,
			WAIT
		);
		await person.hasFocus('reading');
		expect(await (await person.find('input[name=reading]')).getAttribute('value')).toBe('4608');
		expect((await stored(visit)).visit.readings).toEqual([]);
	});

	it('keeps what was typed at one place while another is looked at', async () => {
		await person.measures();
		await person.types('460');
		await person.types(Key.ARROW_DOWN);
		await person.isAt('A2', 'open-circuit-voltage');
		await person.types(Key.ARROW_UP);
		await person.isAt('A1', 'open-circuit-voltage');
		expect(await (await person.find('input[name=reading]')).getAttribute('value')).toBe('460');
	});

	it('a correction replaces what stands, under the name of whoever made it', async () => {
		const visit = await person.measures();
		await person.types('406.8', Key.ENTER);
		await person.isAt('A2', 'open-circuit-voltage');
		await readingsStored(visit, 1);
		const by = await person.find('.by input');
		await by.clear();
		await by.sendKeys('Odile Farrant');
		await (await person.find('[data-string=A1] button.place')).click();
		await person.isAt('A1', 'open-circuit-voltage');
		await person.sees('406.8', '#entry-words');
		await person.types('460.8', Key.ENTER);
		await readingsStored(visit, 2);
		expect((await stored(visit)).visit.readings[1]).toMatchObject({ by: 'Odile Farrant' });
		await person.press('History: 2 entries');
		await person.sees(/460\.8 V[\s\S]*Odile Farrant[\s\S]*406\.8 V[\s\S]*Tamsin Orrell/, '.why');
	});

	it('names what all strings share where none of them is alive', async () => {
		await person.measures();
		for (const [i, label] of ['A1', 'A2', 'A3'].entries()) {
			await person.isAt(label, 'open-circuit-voltage');
			await person.types(`7.${i}`, Key.ENTER);
		}
		await person.sees('No string that was read has voltage. Check first what they share');
		await person.press('Diagnosis');
		await person.arrivesAt(/\/diagnosis$/);
		await person.sees('a disconnect, rapid shutdown and its supply');
	});
});

describe('the record under a visit', () => {
	it('is not rewritten: a string is changed and one taken out, the visit keeps what it saw', async () => {
		const visit = await person.measures();
		await person.press('Array record');
		await person.arrivesAt(/\/array-record$/);
		const open = async (label: string) => {
			await person.click(`[data-string=${label}] a`);
			await person.arrivesAt(/\/strings\//);
		};
		await open('A4');
		await person.fill('moduleCount', '11');
		await person.press('Store the change');
		await person.arrivesAt(/\/array-record$/);
		await person.sees('A4 changed: stored, revision 2');
		await open('B4');
		await person.press('Take B4 out of the record');
		await person.arrivesAt(/\/array-record$/);
		await person.sees('B4 taken out: stored, revision 3');
		const before = await stored(visit);
		expect(before.revision.number).toBe(1);
		expect(before.record.strings).toHaveLength(8);
		const later = await stored(await visitAtTheTerminal(server.address));
		expect(later.revision.number).toBe(3);
		expect(later.record.strings).toHaveLength(7);
		expect(later.record.strings.find(({ label }) => label === 'A4')!.moduleCount).toBe(11);
	});

	it('takes a label without coefficients, and says what it took instead', async () => {
		await person.goTo('/sites/019a8000-0000-7000-8000-000000000002/take-over/module-types/new');
		await (await person.find('select[name=technology]')).sendKeys('poly');
		const label = { name: 'Lintwhite 314', cellsInSeries: '60', pmax: '314', vmp: '30.21' };
		for (const [name, value] of Object.entries(label)) await person.fill(name, value);
		// Odd already, though half of the label is not typed yet.
		await person.fill('voc', '29');
		await person.sees('Vmp 30.21 V must be below Voc 29 V');
		await person.fill('voc', '37.47');
		await person.fill('imp', '10.39');
		await person.fill('isc', '11.12');
		await person.sees('The label states no temperature coefficient of Voc: -0.32 %/K');
		await person.press('Store the label');
		await person.arrivesAt(/\/array-record$/);
		await person.sees('Lintwhite 314');
	});
});

describe('a page of a visit that is left', () => {
	/** Keeps every line to the server that a page opens, for its state to be asked. */
	const KEPT_LINES = `
		window.lines = [];
		window.EventSource = class extends EventSource {
			constructor(...asked) {
				super(...asked);
				lines.push(this);
			}
		};`;
	const lines = () =>
		driver.executeScript<boolean[]>('return lines.map(({ readyState }) => readyState !== 2)');
	const linesAre = (...open: boolean[]) =>
		driver.wait(async () => String(await lines()) === String(open), WAIT, `not ${String(open)}`);
	const says = (event: 'pagehide' | 'pageshow') =>
		driver.executeScript(
			'dispatchEvent(new PageTransitionEvent(arguments[0], { persisted: true }))',
			event
		);

	it('keeps no line to the server open: a browser has six, and would wait for ever', async () => {
		const visit = await visitAtTheTerminal(server.address);
		await (driver as chrome.Driver).sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
			source: KEPT_LINES
		});
		await person.goTo(`/visits/${visit}/test-plan`);
		await linesAre(true);
		await says('pagehide');
		await linesAre(false);
		// Back from the browser's store of pages that were left, it hears again what others store.
		await says('pageshow');
		await linesAre(false, true);
		await person.press('Test conditions');
		await person.arrivesAt(/\/test-conditions$/);
		await person.press('Sites');
		await person.arrivesAt(/\/$/);
		await linesAre(false, false);
	});
});

describe('the screen', () => {
	it('keeps the look that was chosen, over pages and a second visit', async () => {
		await person.goTo('/');
		await (
			await person.find('.mode-control [data-value=sunlight], [data-part=item]:nth-of-type(3)')
		).click();
		await driver.wait(
			() =>
				driver.executeScript<boolean>(
					'return document.documentElement.dataset.mode === "sunlight"'
				),
			WAIT
		);
		await person.goTo('/sites/new');
		expect(await driver.executeScript<string>('return document.documentElement.dataset.mode')).toBe(
			'sunlight'
		);
		expect(await (await fetch(server.address)).text()).toContain('data-mode="light"');
		await driver.manage().deleteCookie('zembo-mode');
	});

	it('shows what people typed as text, never as a page', async () => {
		await person.goTo('/sites/new');
		const nasty = '<img src=x onerror="document.title=1"> & "quoted"';
		await person.fill('name', nasty);
		await person.press('Make the site');
		await person.arrivesAt(/\/survey$/);
		await person.sees(nasty);
		await person.goTo('/');
		await person.sees(nasty);
		expect(await driver.getTitle()).toBe('Sites · Zembo');
	});

	it('is used by keyboard alone from the list of sites to the first reading', async () => {
		await person.goTo('/');
		const tabTo = async (words: RegExp) => {
			for (let presses = 0; presses < 60; presses++) {
				// Not through the element: the one for files would take the key for a file's name.
				await driver.actions().sendKeys(Key.TAB).perform();
				const at = await driver.executeScript<string>(
					'const e = document.activeElement; return e.name || e.textContent'
				);
				if (words.test(at)) return;
			}
			throw new Error(`Tab does not reach ${words}`);
		};
		await tabTo(/Saltmarsh/);
		await person.types(Key.ENTER);
		await person.arrivesAt(/\/sites\/[0-9a-f-]+$/);
		await tabTo(/^by$/);
		await person.types('Tamsin Orrell');
		await tabTo(/Start a visit/);
		await person.types(Key.ENTER);
		await person.arrivesAt(/\/test-plan$/);
		await person.sees('Plan of the visit', 'h1');
		await tabTo(/Test conditions/);
		await person.types(Key.ENTER);
		await person.arrivesAt(/\/test-conditions$/);
		await tabTo(/^irradiance$/);
		await person.types('838');
		await tabTo(/^cellTemperature$/);
		await person.types('41', Key.ENTER);
		await person.arrivesAt(/\/measurements$/);
		await tabTo(/own written procedure/);
		await person.types(Key.ENTER);
		await tabTo(/Confirm own procedure/);
		await person.types(Key.ENTER);
		await person.isAt('A1', 'open-circuit-voltage');
		await person.types('460.8', Key.ENTER);
		await person.sees('Pass', '[data-string=A1]');
		await person.types('?');
		await person.sees('store, next place', '.entry');
	});

	it('prints the report alone', async () => {
		await person.goTo('/visits/019a8000-0000-7000-8000-000000000004/hand-over');
		await (driver as chrome.Driver).sendDevToolsCommand('Emulation.setEmulatedMedia', {
			media: 'print'
		});
		const shown = (css: string) =>
			driver.executeScript<boolean>(
				'const e = document.querySelector(arguments[0]); return e !== null && e.offsetParent !== null',
				css
			);
		expect(await shown('.report')).toBe(true);
		for (const css of ['header.no-print', 'nav', '.sky', '.act'])
			expect(await shown(css)).toBe(false);
		await (driver as chrome.Driver).sendDevToolsCommand('Emulation.setEmulatedMedia', {
			media: ''
		});
	});

	it('has nothing to complain of: no refused script, style or font, no error', async () => {
		const visit = '/visits/019a8000-0000-7000-8000-000000000004';
		const entries = await driver.manage().logs().get('browser');
		for (const path of [
			'/',
			'/sites/new',
			`${visit}/measurements`,
			`${visit}/diagnosis`,
			`${visit}/report`
		]) {
			await person.goTo(path);
			entries.push(...(await driver.manage().logs().get('browser')));
		}
		const complaints = entries
			.filter(({ level }) => level.name === 'SEVERE')
			.map(({ message }) => message)
			// A refused form answers with a status of its own, which the browser notes.
			.filter((message) => !/status of 4\d\d|ERR_CONNECTION_REFUSED/.test(message));
		expect(complaints).toEqual([]);
	});
});
