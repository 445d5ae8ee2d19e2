import axe from '@axe-core/webdriverjs';
import type chrome from 'selenium-webdriver/chrome';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Person } from './support';

/** Screens that everybody can use: by axe in each look, and at 360 px. */
export function canBeUsed(screens: readonly string[]): void {
	let person: Person;
	beforeAll(async () => {
		person = await Person.atTheDemo();
		await person.goTo('/');
	});
	afterAll(() => person?.leaves());

	/** In the page itself: there are no frames, so no second window is needed. */
	const checker = () =>
		new axe(person.driver)
			.setLegacyMode()
			// What passes is not gathered: on a large page that takes longer than the checks.
			.options({ resultTypes: ['violations'] });
	const complaints = async (builder: axe) =>
		(await builder.analyze()).violations.map(({ id, help, nodes }) => {
			const where = nodes.slice(0, 3).map(({ target }) => target.join(' '));
			return `${id}: ${help} (${where.join(', ')})`;
		});
	const setWidth = (width: number, height: number) =>
		(person.driver as chrome.Driver).sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
			width,
			height,
			deviceScaleFactor: 1,
			mobile: width < 700
		});

	describe.each(screens)('%s', (path) => {
		beforeAll(async () => {
			await person.goTo(path);
			await person.worksNoMore();
		});

		it('can be used by everybody', async () => {
			expect(await complaints(checker())).toEqual([]);
		});

		// The looks differ in colour alone; in glare text has 7:1.
		it.each([
			['dark', 'color-contrast'],
			['sunlight', 'color-contrast-enhanced']
		])('can be read in the %s look', async (mode, rule) => {
			await person.driver.executeScript(
				'document.documentElement.dataset.mode = arguments[0]',
				mode
			);
			expect(await complaints(checker().withRules([rule]))).toEqual([]);
		});

		it('fits 360 px', async () => {
			await setWidth(360, 780);
			const wide = await person.driver.executeScript<number>(
				'return document.documentElement.scrollWidth'
			);
			// What goes for want of room must not leave a thing without its name.
			const nameless = await complaints(checker().withRules(['button-name', 'link-name', 'label']));
			await setWidth(1280, 800);
			expect(wide).toBeLessThanOrEqual(360);
			expect(nameless).toEqual([]);
		});
	});
}
