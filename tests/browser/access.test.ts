import axe from '@axe-core/webdriverjs';
import type { WebDriver } from 'selenium-webdriver';
import type chrome from 'selenium-webdriver/chrome';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Person } from './support';

const VISIT = '/visits/019a8000-0000-7000-8000-000000000004';
const SITE = '/sites/019a8000-0000-7000-8000-000000000002';
const SCREENS = [
	'/',
	'/sites/new',
	SITE,
	`${SITE}/take-over`,
	`${SITE}/take-over/module-types/019a8000-0000-7000-8000-000000000001`,
	`${VISIT}/conditions`,
	`${VISIT}/measure`,
	`${VISIT}/trace`,
	`${VISIT}/hand-over`
];

let driver: WebDriver;
let person: Person;
beforeAll(async () => {
	person = await Person.atTheDemo();
	({ driver } = person);
	await person.goTo('/');
});
afterAll(() => person?.leaves());

describe.each(['light', 'dark', 'sunlight'])('%s', (mode) => {
	it.each(SCREENS)('%s can be used by everybody', async (path) => {
		await driver.manage().addCookie({ name: 'zembo-mode', value: mode });
		await person.goTo(path);
		const { violations } = await new axe(driver).analyze();
		const said = violations.map(
			(v) =>
				`${v.id}: ${v.help} (${v.nodes
					.map((n) => n.target.join(' '))
					.slice(0, 3)
					.join(', ')})`
		);
		expect(said).toEqual([]);
	});
});

describe('a phone', () => {
	it.each(SCREENS)('%s fits 360 px', async (path) => {
		await (driver as chrome.Driver).sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
			width: 360,
			height: 780,
			deviceScaleFactor: 1,
			mobile: true
		});
		await person.goTo(path);
		const wide = await driver.executeScript<number>('return document.documentElement.scrollWidth');
		expect(wide).toBeLessThanOrEqual(360);
	});
});
