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
	`${SITE}/take-over/strings/019a8000-0000-7000-8000-000000000010`,
	`${SITE}/take-over/parts/019a8000-0000-7000-8000-000000000505`,
	`${SITE}/survey`,
	`${SITE}/map`,
	`${SITE}/diagram`,
	`${SITE}/checks`,
	`${SITE}/revisions`,
	`${SITE}/lists`,
	`${SITE}/marks`,
	`${SITE}/emergency`,
	'/library',
	'/library/new?kind=module',
	'/library/new?kind=inverter',
	`${VISIT}/inspect`,
	`${VISIT}/plan`,
	`${VISIT}/make-safe`,
	'/visits/019a8001-0000-7000-8000-000000000004/make-safe?task=dead',
	'/visits/019a8001-0000-7000-8000-000000000004/measure',
	`${VISIT}/conditions`,
	`${VISIT}/measure`,
	`${VISIT}/measure?quantity=fuse-resistance`,
	`${VISIT}/combiner`,
	`${VISIT}/curves`,
	`${VISIT}/instruments`,
	`${VISIT}/compare`,
	`${VISIT}/trace`,
	`${VISIT}/trace?mode=free`,
	'/visits/019a8001-0000-7000-8000-000000003004/trace',
	`${VISIT}/put-right?at=019a8000-0000-7000-8000-000000000014`,
	`${SITE}/history`,
	`${SITE}/rates`,
	'/bench/module',
	`${VISIT}/strings/019a8000-0000-7000-8000-000000000011?light=3.all.30&fault=module-missing&size=3&on=open`,
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

/** In the page itself: there are no frames, so no second window is needed. */
const checker = () => new axe(driver).setLegacyMode();
const complaints = async (builder: axe) =>
	(await builder.analyze()).violations.map(({ id, help, nodes }) => {
		const where = nodes.slice(0, 3).map(({ target }) => target.join(' '));
		return `${id}: ${help} (${where.join(', ')})`;
	});

describe.each(SCREENS)('%s', (path) => {
	beforeAll(() => person.goTo(path));

	it('can be used by everybody', async () => {
		expect(await complaints(checker())).toEqual([]);
	});

	// The looks differ in colour alone; in glare text has 7:1.
	it.each([
		['dark', 'color-contrast'],
		['sunlight', 'color-contrast-enhanced']
	])('can be read in the %s look', async (mode, rule) => {
		await driver.executeScript('document.documentElement.dataset.mode = arguments[0]', mode);
		expect(await complaints(checker().withRules([rule]))).toEqual([]);
	});

	it('fits 360 px', async () => {
		await setWidth(360, 780);
		const wide = await driver.executeScript<number>('return document.documentElement.scrollWidth');
		expect(wide).toBeLessThanOrEqual(360);
		await setWidth(1280, 800);
	});
});

const setWidth = (width: number, height: number) =>
	(driver as chrome.Driver).sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
		width,
		height,
		deviceScaleFactor: 1,
		mobile: width < 700
	});
