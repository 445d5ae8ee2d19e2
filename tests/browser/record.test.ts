import { By, Key, type WebDriver } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Server } from './own-server';
import { Person } from './person';

let server: Server;
let driver: WebDriver;
let person: Person;
beforeAll(async () => {
	person = await Person.atTheDemo();
	({ driver, server } = person);
});
afterAll(() => person?.leaves());

const LABEL = {
	name: 'Lintwhite 314',
	cellsInSeries: '120',
	pmax: '314',
	vmp: '30,21',
	imp: '10,39',
	voc: '29,9',
	isc: '11,12',
	alpha: '0,055',
	beta: '-0,32'
};

describe('a site from nothing', () => {
	it('is made, and its label checked against itself', async () => {
		await person.goTo('/sites/new');
		await person.press('Make the site');
		await person.sees('Give the site a name.');
		await person.fill('name', 'Workshop hall');
		await person.fill('inServiceSince', '20011');
		await person.press('Make the site');
		await person.sees('1980 to 2100');
		expect(await (await person.find('input[name=name]')).getAttribute('value')).toBe(
			'Workshop hall'
		);
		await person.fill('inServiceSince', '2015');
		await person.press('Make the site');
		await person.arrivesAt(/\/survey$/);
		await person.press('Record');
		await person.arrivesAt(/\/array-record$/);
		await person.press('Add module type');
		await person.arrivesAt(/\/module-types\/new$/);
		await (await person.find('select[name=technology]')).sendKeys('poly');
		for (const [name, value] of Object.entries(LABEL)) await person.fill(name, value);
		await person.sees('Vmp 30.21 V must be below Voc 29.9 V');
		await person.press('Store the label');
		await person.sees('Vmp 30.21 V must be below Voc 29.9 V');
		expect(await (await person.find('input[name=vmp]')).getAttribute('value')).toBe('30,21');
		await person.fill('voc', '37,47');
		await person.sees('120 cells on the glass are half-cut: 60 are in series');
		await person.press('Take 60');
		await person.sees('Five parameters meet this label exactly.');
		await person.sees('314 W, as on the label');
		await person.fill('pmax', '340');
		await person.sees('7.7 % below Pmax');
		// What is odd warns and does not block.
		await person.press('Store the label');
		await person.arrivesAt(/\/array-record$/);
		await person.find('.plate .odd');
	});

	it('gets its strings, and refuses a count that cannot be', async () => {
		await person.press('Add strings');
		await person.arrivesAt(/\/strings\/new$/);
		await person.fill('labels', 'A1-A4');
		await person.fill('moduleCount', '-11');
		await person.press('Add 4 strings');
		await person.sees('-11 is out of range here: 1 to 200');
		expect(await (await person.find('input[name=labels]')).getAttribute('value')).toBe('A1-A4');
		await person.fill('moduleCount', '11');
		await person.fill('input', '1');
		await person.press('Add 4 strings');
		await person.arrivesAt(/\/array-record$/);
		await person.sees('A1, A2, A3, A4 added: stored');
		await person.press('Add strings');
		await person.arrivesAt(/\/strings\/new$/);
		await person.fill('labels', 'A4');
		await person.press('Add');
		await person.sees('There is a string A4 already');
		await person.press('Array record');
		await person.arrivesAt(/\/array-record$/);
		await person.sees('44', 'dl');
		await person.sees('15.0 kW', 'dl');
	});

	it('takes back what was done, one step after the other', async () => {
		await person.press('Undo');
		await person.sees('None recorded yet.');
		await person.sees('0.0 kW', 'dl');
	});
});

describe('what cannot be', () => {
	it('answers a site, a visit and a page that do not exist', async () => {
		for (const [path, words] of [
			['/sites/019a0000-0000-7000-8000-000000000404', 'There is no such site.'],
			['/visits/nothing/measure', 'There is no such visit.'],
			['/nowhere', 'There is no such page.']
		] as const) {
			expect((await fetch(server.address + path)).status).toBe(404);
			await person.goTo(path);
			await person.sees(words);
			await person.sees('To the sites');
		}
	});

	it('refuses files that are no visit, and stores nothing of them', async () => {
		const choose = async (content: string | Buffer) => {
			await person.goTo('/');
			await person.choosesFile('input[type=file]', 'file.json', content);
		};
		await choose('not json');
		await person.sees('The file is not JSON');
		await choose('{"format":"zembo-visit","version":9}');
		await person.sees('version 9 of zembo-visit; this Zembo reads version 1 to 8');
		await choose(Buffer.alloc(70 * 1024 * 1024, ' '));
		await person.sees('The file has 70 MB; a visit file has at most 64 MB');
		const sites = await driver.findElements(By.css('ul li'));
		expect(sites).toHaveLength(5);
	});

	it('refuses 70 MB that were sent all the same', async () => {
		const body = new FormData();
		body.set('file', new Blob([Buffer.alloc(70 * 1024 * 1024, ' ')]), 'huge.json');
		const answer = await fetch(`${server.address}/?/import`, {
			method: 'POST',
			headers: { origin: server.address, accept: 'application/json' },
			body
		});
		const text = await answer.text();
		expect(text).toContain('a visit file has at most 64 MB');
		expect((await fetch(server.address)).status).toBe(200);
	});

	it('keeps what is typed in a form when the server is gone, and stores it when it is back', async () => {
		await person.goTo('/sites/new');
		await person.fill('name', 'Kiln Lane ticket office');
		await server.kill();
		await person.press('Make the site');
		await person.sees('The server did not answer. Nothing was stored');
		expect(await (await person.find('input[name=name]')).getAttribute('value')).toBe(
			'Kiln Lane ticket office'
		);
		await server.restart();
		await person.press('Make the site');
		await person.arrivesAt(/\/survey$/);
		await person.sees('Kiln Lane ticket office');
	});

	it('keeps conditions that were refused on the screen', async () => {
		const visit = '019a8000-0000-7000-8000-000000000004';
		await person.goTo(`/visits/${visit}/test-conditions`);
		await person.fill('irradiance', '61200');
		await person.types(Key.ENTER);
		await person.sees('1 to 1600 W/m2');
		expect(await (await person.find('input[name=irradiance]')).getAttribute('value')).toBe('61200');
	});
});

describe('the answer’s headers', () => {
	it('carry a strict policy', async () => {
		const { headers } = await fetch(server.address);
		const policy = headers.get('content-security-policy') ?? '';
		expect(policy).toContain("default-src 'self'");
		expect(policy).not.toMatch(/script-src[^;]*unsafe/);
		expect(policy).toContain("frame-ancestors 'none'");
		expect(headers.get('x-content-type-options')).toBe('nosniff');
	});

	it('refuse a form from another origin', async () => {
		const answer = await fetch(`${server.address}/sites/new`, {
			method: 'POST',
			headers: {
				origin: 'http://elsewhere.invalid',
				'content-type': 'application/x-www-form-urlencoded'
			},
			body: 'name=x'
		});
		expect(answer.status).toBe(403);
	});
});
