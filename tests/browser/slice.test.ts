import { Key, type WebDriver } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { meterCard } from '../../demo/saltmarsh';
import { openBrowser, printed } from './own-browser';
import { startServer, type Server } from './own-server';
import { Person } from './person';

/** As typed: one string with decimal commas, the others with points. */
const typed = (mark: string, figure: number) =>
	mark === 'A2' ? String(figure).replace('.', ',') : String(figure);

let server: Server;
let empty: Server;
let driver: WebDriver;
let person: Person;
beforeAll(async () => {
	[server, empty] = await Promise.all([startServer({ demo: true }), startServer({ demo: false })]);
	driver = await openBrowser();
	person = new Person(driver, server);
});
afterAll(async () => {
	await driver?.quit();
	await Promise.all([server?.remove(), empty?.remove()]);
});

describe('the first day at the terminal', () => {
	let visit: string;

	it('types eight strings, the verdict standing there before the next number', async () => {
		visit = await person.startsVisit();
		const card = meterCard();
		for (const { mark, openCircuit } of card) {
			await person.isAt(mark, 'open-circuit-voltage');
			await person.types(typed(mark, openCircuit), Key.ENTER);
		}
		for (const { mark: label, busVolts: busVoltage, running } of card) {
			// The volts of an input are typed once; its other strings have them already.
			if (label === 'A1' || label === 'B1') {
				await person.isAt(label, 'operating-current', 'bus');
				await person.types(String(busVoltage), Key.ENTER);
			}
			await person.isAt(label, 'operating-current');
			await person.types(typed(label, running), Key.ENTER);
			await person.sees(`${label} I`, '.recent');
		}
		await person.press('Open-circuit voltage');
		await person.sees(/Fail\s+−\d+\.\d V −2\.\d %\s+about one substring short/, '[data-string=A2]');
		await person.sees(/about one module short/, '[data-string=A4]');
		await person.sees(/Pass/, '[data-string=B4]');
		await person.sees('16 of 16', 'nav');
	});

	it('opens a verdict to its reasons', async () => {
		const place = await person.find('[data-string=A2] button.place');
		await place.click();
		await person.sees(/446\.8 V read,\s+\d+\.\d V expected/, '.why');
		await person.press('How sure');
		await person.sees('spread of the modules’ voltage', '.why');
	});

	it('finds the shorted diode, the missing module and the blown fuse, and cautions', async () => {
		await driver.executeScript('window.scrollTo(0, 0)');
		await person.press('Diagnosis');
		await person.arrivesAt(/\/diagnosis$/);
		await person.press('All causes and tests');
		await person.sees(/Bypass diode shorted/i, '[data-finding=A2]');
		await person.sees('Fewer modules than recorded', '[data-finding=A4]');
		const fuse = await person.sees('String fuse blown', '[data-finding=B1]');
		expect(fuse).toContain('Again: clamp the operating current of B1');
		await person.sees('Low current, cause not determined', '[data-finding=B3]');
		await person.press('Resistance of B1, fuse +');
		await person.sees('Complete the steps of “Isolation”', '[data-finding=B1]');
		expect(await driver.getPageSource()).not.toMatch(/\bsafe to\b/i);
	});

	it('hands over a page that prints', async () => {
		await person.press('Report');
		await person.arrivesAt(/\/report$/);
		await person.sees('Cautions for what comes next', '.report');
		const text = await person.readsToTheEnd('.report');
		for (const words of [
			'Tamsin Orrell',
			'838 W/m²',
			'Skerrymoor 335 M60',
			'421.4 V',
			'String fuse blown',
			'The sun cannot be switched off'
		]) {
			expect(text).toContain(words);
		}
		const pdf = await printed(driver);
		expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
		expect(pdf.length).toBeGreaterThan(20_000);
	});

	it('exports the visit and reads it back elsewhere without loss', async () => {
		const from = (place: Server) => fetch(`${place.address}/visits/${visit}/visit.json`);
		const exported = await (await from(server)).text();
		const elsewhere = new Person(driver, empty);
		await elsewhere.goTo('/');
		await elsewhere.sees('No site yet');
		await person.choosesFile('input[type=file]', 'visit.json', exported);
		await elsewhere.arrivesAt(/\/measurements\?import=done$/);
		await elsewhere.sees('The visit was imported.');
		expect(await (await from(empty)).text()).toBe(exported);
		await elsewhere.goTo('/');
		await person.choosesFile('input[type=file]', 'visit.json', exported);
		await elsewhere.arrivesAt(/import=already-here$/);
	});
});
