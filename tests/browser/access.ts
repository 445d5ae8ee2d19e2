import axe from 'axe-core';
import type chrome from 'selenium-webdriver/chrome';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Person } from './person';

/** Runs axe in the page; what passes is not gathered: on a large page that takes longer than the checks. */
const CHECKED = `
	const [rules, done] = arguments;
	const only = rules.length > 0 ? { runOnly: rules } : {};
	// Colours that change over some moments, and those that follow them, are judged once they stand.
	const settled = async () => {
		for (let moving; (moving = document.getAnimations()).length > 0; ) {
			await Promise.allSettled(moving.map(({ finished }) => finished));
		}
	};
	settled().then(() => axe.run(document, { resultTypes: ['violations'], ...only })).then(
		({ violations }) =>
			done(violations.map(({ id, help, nodes }) => {
				const where = nodes.slice(0, 3).map(({ target }) => target.join(' '));
				return id + ': ' + help + ' (' + where.join(', ') + ')';
			})),
		(cause) => done([String(cause)])
	);`;

/** Screens that everybody can use: by axe in each look, and at 360 px. */
export function canBeUsed(screens: readonly string[]): void {
	let person: Person;
	beforeAll(async () => {
		person = await Person.atTheDemo();
		// The looks are asked for, not the way from one to the other.
		await (person.driver as chrome.Driver).sendDevToolsCommand('Emulation.setEmulatedMedia', {
			features: [{ name: 'prefers-reduced-motion', value: 'reduce' }]
		});
		// Every page has it from the start: handing its half megabyte over each time takes longer.
		await (person.driver as chrome.Driver).sendDevToolsCommand(
			'Page.addScriptToEvaluateOnNewDocument',
			{ source: axe.source }
		);
	});
	afterAll(() => person?.leaves());

	/** What axe finds in the page as it stands; all of its rules, or some. */
	const complaints = (...rules: readonly string[]) =>
		person.driver.executeAsyncScript<string[]>(CHECKED, rules);
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
			expect(await complaints()).toEqual([]);
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
			expect(await complaints(rule)).toEqual([]);
		});

		it('fits 360 px', async () => {
			await setWidth(360, 780);
			const wide = await person.driver.executeScript<number>(
				'return document.documentElement.scrollWidth'
			);
			// What goes for want of room must not leave a thing without its name.
			const nameless = await complaints('button-name', 'link-name', 'label');
			await setWidth(1280, 800);
			expect(wide).toBeLessThanOrEqual(360);
			expect(nameless).toEqual([]);
		});
	});
}
