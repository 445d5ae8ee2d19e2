import { strFromU8, unzipSync } from 'fflate';
import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startServer } from './own-server';
import { Person } from './person';
import { WAIT } from './waiting';

const VISIT = '/visits/019a8000-0000-7000-8000-000000000004';

let person: Person;
beforeAll(async () => {
	person = await Person.atTheDemo();
});
afterAll(() => person?.leaves());

/** What a link of the page hands out. */
async function download(words: string): Promise<{ name: string; type: string; bytes: Uint8Array }> {
	const href = await person.driver.executeScript<string>(
		'return [...document.querySelectorAll("a[download]")].find((one) => one.textContent.includes(arguments[0])).href',
		words
	);
	const answer = await fetch(href);
	expect(answer.status).toBe(200);
	return {
		name: /filename="(.*)"/.exec(answer.headers.get('content-disposition') ?? '')?.[1] ?? '',
		type: answer.headers.get('content-type') ?? '',
		bytes: new Uint8Array(await answer.arrayBuffer())
	};
}
const latin = (bytes: Uint8Array) => Buffer.from(bytes).toString('latin1');

describe('the terminal’s visit', () => {
	it('is handed over as PDF, on the size of page that is chosen', async () => {
		await person.goTo(`${VISIT}/report`);
		const a4 = await download('Report as PDF');
		expect(a4).toMatchObject({
			name: 'saltmarsh-ferry-terminal-2026-11-17.pdf',
			type: 'application/pdf'
		});
		expect(latin(a4.bytes)).toContain('/MediaBox [0 0 595.28');
		await person.choose('select[name=page]', 'Letter');
		expect(latin((await download('Report as PDF')).bytes)).toContain('/MediaBox [0 0 612 792');
	});

	it('has one page in plain words for the owner', async () => {
		const { name, bytes } = await download('One page for the owner');
		expect(name).toMatch(/short\.pdf$/);
		expect(latin(bytes).match(/\/Type \/Page\b(?!s)/g)).toHaveLength(1);
	});

	it('is an archive with its photographs, and a file that is read back', async () => {
		const { name, type, bytes } = await download('All of it as ZIP');
		expect({ name, type }).toEqual({
			name: 'saltmarsh-ferry-terminal-2026-11-17.zip',
			type: 'application/zip'
		});
		const files = unzipSync(bytes);
		const names = Object.keys(files);
		expect(names).toContain('report.pdf');
		expect(names.filter((one) => one.startsWith('photographs/')).length).toBeGreaterThan(0);
		const plain = await (await fetch(`${person.server.address}${VISIT}/visit.json`)).text();
		expect(strFromU8(files['visit.zembo-visit.json']!)).toBe(plain);
		const html = strFromU8(files['report.html']!);
		expect(html).toContain('data:image/jpeg;base64,');
		expect(html).toContain('Saltmarsh Ferry Terminal');
	});

	it('of a kind that is not made is refused in words', async () => {
		const answer = await fetch(`${person.server.address}${VISIT}/report.pdf?page=A0`, {
			headers: { accept: 'application/json' }
		});
		expect(answer.status).toBe(400);
		expect(await answer.text()).toContain('There is no such report');
	});
});

describe('a report that takes its time', () => {
	/** The server's answers to the page held back: the file until it is let go, its progress as told. */
	const HELD = `
		const fetched = window.fetch.bind(window);
		window.asked = [];
		window.fetch = (path, more) => {
			const to = String(path);
			if (to.includes('/reports/')) {
				return Promise.resolve(Response.json({ share: window.asked.length === 0 ? 0 : 0.4 }));
			}
			if (!to.includes('report.pdf')) return fetched(path, more);
			window.asked.push(to);
			return new Promise((resolve, reject) => {
				window.letGo = (ok) => resolve(new Response('%PDF', { status: ok ? 200 : 500 }));
			});
		};`;
	const asked = () => person.driver.executeScript<string[]>('return window.asked');

	it('says how far it is, and a second press makes no second one', async () => {
		await person.goTo(`${VISIT}/report`);
		await person.driver.executeScript(HELD);
		await person.press('Report as PDF');
		await person.sees('Making the report, 40 %', '.making');
		await person.press('Report as PDF');
		expect(await asked()).toHaveLength(1);
		await person.driver.executeScript('window.letGo(true)');
		await person.worksNoMore();
		await person.press('Report as PDF');
		await person.driver.wait(async () => (await asked()).length === 2, WAIT);
		await person.driver.executeScript('window.letGo(true)');
		await person.worksNoMore();
	});

	it('that does not come is said, and can be asked for again', async () => {
		await person.goTo(`${VISIT}/report`);
		await person.driver.executeScript(HELD);
		await person.press('Report as PDF');
		await person.driver.wait(async () => (await asked()).length === 1, WAIT);
		await person.driver.executeScript('window.letGo(false)');
		await person.sees('The report could not be fetched. Try again; nothing is lost.');
		await person.press('Report as PDF');
		await person.driver.wait(async () => (await asked()).length === 2, WAIT);
		await person.driver.executeScript('window.letGo(true)');
		await person.driver.wait(
			async () => !(await person.driver.getPageSource()).includes('could not be fetched'),
			WAIT
		);
	});
});

describe('backups', () => {
	it('are made and checked while the server runs', async () => {
		await person.goTo('/');
		await person.press('Backups');
		await person.arrivesAt(/\/backup$/);
		await person.sees('None yet');
		await person.press('Back up now');
		await person.sees(/zembo-\S+\.db is opened and checked: 4 sites/);
	});
	it('come by themselves as often as is said, and nonsense keeps what was typed', async () => {
		await person.fill('hours', '0');
		await person.press('Store');
		await person.sees('0 hours is out of range here');
		await person.fill('hours', '12');
		await person.press('Store');
		await person.sees('Stored.');
	});
});

describe('search', () => {
	it('finds a part by its serial, a finding by its words, and keeps the filter in the address', async () => {
		await person.goTo('/');
		await person.press('Search');
		await person.arrivesAt(/\/search$/);
		await person.fill('q', 'glass cracked');
		await person.click('form[role=search] button');
		await person.sees('Glass cracked from the lower left corner');
		await person.press('Findings 1');
		await person.arrivesAt(/in=findings/);
		await person.goTo('/search?q=skerrymoor');
		await person.press('Skerrymoor 335 M60, module type');
		await person.arrivesAt(/\/module-types\//);
	});
	it('that finds nothing says how to go on', async () => {
		await person.goTo('/search?q=zzz%25_x');
		await person.sees('Nothing has all of these words');
	});
});

describe('a site', () => {
	it('goes whole from one Zembo to another that is empty, and back again to the byte', async () => {
		const site = '/sites/019a8000-0000-7000-8000-000000000002';
		await person.goTo(site);
		const { name, bytes } = await download('All of the site as ZIP');
		expect(name).toBe('saltmarsh-ferry-terminal.zip');
		const pdf = await download('Report over the years');
		expect(latin(pdf.bytes).slice(0, 5)).toBe('%PDF-');
		const elsewhere = await startServer({ demo: false });
		try {
			const there = new Person(person.driver, elsewhere);
			await there.goTo('/');
			await there.choosesFile('input[type=file]', name, Buffer.from(bytes));
			await there.arrivesAt(/\/sites\/019a8000.*import=done/);
			await there.sees('its record, its visits and their photographs are here');
			const again = await download('All of the site as ZIP');
			expect(Buffer.compare(Buffer.from(again.bytes), Buffer.from(bytes))).toBe(0);
			await there.goTo('/');
			await there.choosesFile('input[type=file]', name, Buffer.from(bytes.subarray(0, 5000)));
			await there.sees('The archive cannot be unpacked');
		} finally {
			await elsewhere.remove();
		}
	});
});

describe('help', () => {
	it('opens by its key and its button, says what the page is for, and gives the focus back', async () => {
		const { driver } = person;
		await person.goTo(`${VISIT}/test-conditions`);
		await driver.actions().sendKeys('?').perform();
		await person.sees('Every expected value depends on them', 'dialog[open]');
		await driver.actions().sendKeys(Key.ESCAPE).perform();
		await person.goTo('/bench');
		await person.press('Help');
		await person.sees('For modules that are not on a roof', 'dialog[open]');
		await person.press('Close');
		expect(await driver.switchTo().activeElement().getText()).toBe('Help');
	});
	it('stands at the field, by the mouse and by F1', async () => {
		const { driver } = person;
		await person.goTo('/sites/019a8000-0000-7000-8000-000000000002/take-over/module-types/new');
		await person.click('[aria-label="What is Voc?"]');
		await person.sees('Open-circuit voltage under standard test conditions');
		await person.click('input[name=beta]');
		await driver.actions().sendKeys(Key.F1).perform();
		await person.sees('How Voc changes with temperature');
	});
});
