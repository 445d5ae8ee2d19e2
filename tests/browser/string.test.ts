import { By, Key, type WebDriver } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Person } from './person';
import { WAIT } from './waiting';

const VISIT = '/visits/019a8000-0000-7000-8000-000000000004';
const A2 = `${VISIT}/strings/019a8000-0000-7000-8000-000000000011`;

let driver: WebDriver;
let person: Person;
beforeAll(async () => {
	person = await Person.atTheDemo();
	({ driver } = person);
});
afterAll(() => person?.leaves());

/** Waits for the curve, then counts the pixels of the chart that are not ground. */
async function painted(): Promise<number> {
	await person.find('[data-drawn] canvas');
	return driver.executeScript<number>(`
		const canvas = document.querySelector('.chart canvas');
		const { data } = canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height);
		let inked = 0;
		for (let i = 3; i < data.length; i += 4) if (data[i] > 0) inked++;
		return inked;`);
}

/** A figure of the read-out as recorded or now. */
async function figure(row: string, column: 'recorded' | 'now'): Promise<number> {
	const cell = await driver.findElement(
		By.xpath(`//tr[th[normalize-space(.)="${row}"]]/td[${column === 'recorded' ? 1 : 2}]`)
	);
	return Number.parseFloat((await cell.getText()).replace('\u2212', '-'));
}

async function choose(name: string, words: string): Promise<void> {
	const option = await person.find(`select[name=${name}]`);
	await option.findElement(By.xpath(`option[normalize-space(.)="${words}"]`)).click();
}

const until = (holds: () => Promise<boolean>, what: string) => driver.wait(holds, WAIT, what);

describe('what would this string read', () => {
	it('opens from the entry with the curve as recorded, and draws it', async () => {
		await person.goTo(`${VISIT}/measurements`);
		const charts = await driver.executeScript<string[]>(
			'return performance.getEntriesByType("resource").map((r) => r.name).filter((n) => n.includes("chart"))'
		);
		expect(charts).toEqual([]);
		await person.press('The curve of A1, and what if');
		await person.arrivesAt(/\/strings\/[0-9a-f-]+$/);
		await person.sees('What would A1 read, if');
		expect(await painted()).toBeGreaterThan(2000);
		expect(await figure('Open circuit', 'now')).toBe(await figure('Open circuit', 'recorded'));
		expect(await figure('Volts on its load', 'now')).toBeGreaterThan(300);
	});

	it('follows the light of one section, and keeps it in the address', async () => {
		await person.goTo(`${A2}?alone=yes`);
		await painted();
		await (await person.find('button[aria-label^="Module 3"]')).click();
		await (await person.find('button[aria-label="Section 2"]')).click();
		const slider = await person.find('input[type=range]');
		await slider.sendKeys(Key.HOME);
		await until(
			async () =>
				(await figure('Volts on its load', 'now')) <
				(await figure('Volts on its load', 'recorded')) - 5,
			'the dark section changes nothing'
		);
		await until(
			async () => (await driver.getCurrentUrl()).endsWith('?light=3.2.0&alone=yes'),
			'the address does not follow'
		);
		const voltage = await figure('Volts on its load', 'now');
		await driver.navigate().refresh();
		await painted();
		await person.sees('Module 3');
		expect(await figure('Volts on its load', 'now')).toBe(voltage);
		await person.press('Back to as recorded');
		await until(
			async () =>
				(await figure('Volts on its load', 'now')) ===
				(await figure('Volts on its load', 'recorded')),
			'it does not go back'
		);
	});

	it('shows a fed-back string with its caution, and what its fuse does', async () => {
		await person.goTo(A2);
		await painted();
		await choose('fault', 'Fewer modules than recorded');
		await choose('holder', 'Nothing: open circuit');
		await person.sees(/Current flows back into A2 \(\d+\.\d\d A\)\. The 15 A fuse of A2/);
		await person.sees('Open no fuse, connector or switch');
		expect(await figure('Amps on its load', 'now')).toBeLessThan(-1);
		await (await person.find('input[type=checkbox]')).click();
		await until(async () => (await figure('Amps on its load', 'now')) === 0, 'it is still fed');
	});

	it('sits on a battery where its controller puts it, and keeps what cannot be volts', async () => {
		await person.goTo(`${A2}?alone=yes`);
		await painted();
		await choose('holder', 'A battery, PWM controller');
		await person.fill('volts', '48');
		await until(async () => (await figure('Volts on its load', 'now')) === 48, 'not at 48 V');
		await person.fill('volts', '4800');
		await person.sees('Give 0 to 2000 V.');
		expect(await figure('Volts on its load', 'now')).toBeLessThanOrEqual(480);
		expect(await (await person.find('input[name=volts]')).getAttribute('value')).toBe('4800');
	});

	it('reads an earth fault from both poles and says where it lies', async () => {
		await person.goTo(`${A2}?fault=earth-fault&at=4.1&size=100&alone=yes`);
		await painted();
		await person.sees(/The fault lies\s+4\.0 ± 0\.\d modules up from the negative end/);
		await person.sees('Treat both poles and all metal as live to earth until measured.');
	});

	it('complains to nobody while it does all that', async () => {
		const logs = await driver.manage().logs().get('browser');
		expect(logs.map(({ message }) => message)).toEqual([]);
	});

	it('says what is missing at an address without a string', async () => {
		await person.goTo(`${VISIT}/strings/nothing`);
		await person.sees('There is no such string');
	});
});
