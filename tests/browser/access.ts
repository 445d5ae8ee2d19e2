import axe from 'axe-core';
import type chrome from 'selenium-webdriver/chrome';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Person } from './person';

/**
 * Runs axe in the page; what passes is not gathered: on a large page that takes longer than the checks.
 *
 * Where it is told so, of texts that are alike in all that styles ask for, with all around them, one is
 * judged: a list of a hundred rows takes as long as one of a row.
 */
const CHECKED = `
	const [rules, oneOfAlike, done] = arguments;
	const OWN = new Set(['id', 'href', 'for', 'title', 'aria-label', 'aria-labelledby', 'aria-controls']);
	const look = new Map();
	const lookOf = (element) => {
		if (!element) return '';
		if (!look.has(element)) {
			const said = [...element.attributes]
				.filter(({ name }) => !OWN.has(name))
				.map(({ name, value }) => name + '=' + value);
			const before = element.previousElementSibling?.localName ?? 'first';
			const place = element.nextElementSibling ? before : before + ' last';
			look.set(element, [lookOf(element.parentElement) + '>' + element.localName, place, ...said].join(' '));
		}
		return look.get(element);
	};
	const oneOfEach = () => {
		const ones = new Map();
		for (const element of document.querySelectorAll('body, body *')) {
			const says =
				element.matches('input, select, textarea') ||
				[...element.childNodes].some((node) => node.nodeType === Node.TEXT_NODE && node.data.trim());
			if (!says || !element.checkVisibility() || ones.has(lookOf(element))) continue;
			ones.set(lookOf(element), element);
		}
		return [...ones.values()];
	};
	// Colours that change over some moments, and those that follow them, are judged once they stand.
	const settled = async () => {
		for (let moving; (moving = document.getAnimations()).length > 0; ) {
			await Promise.allSettled(moving.map(({ finished }) => finished));
		}
	};
	const judged = () =>
		axe.run(oneOfAlike ? { include: oneOfEach() } : document, {
			resultTypes: ['violations'],
			...(rules.length > 0 && { runOnly: rules })
		});
	settled().then(judged).then(
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
	const complaints = (rules: readonly string[] = [], oneOfAlike = false) =>
		person.driver.executeAsyncScript<string[]>(CHECKED, rules, oneOfAlike);
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
			['dark', ['color-contrast']],
			// The second leaves to the first what has less than 4.5:1.
			['sunlight', ['color-contrast', 'color-contrast-enhanced']]
		])('can be read in the %s look', async (mode, rules) => {
			await person.driver.executeScript(
				'document.documentElement.dataset.mode = arguments[0]',
				mode
			);
			expect(await complaints(rules, true)).toEqual([]);
		});

		it('fits 360 px', async () => {
			await setWidth(360, 780);
			const wide = await person.driver.executeScript<number>(
				'return document.documentElement.scrollWidth'
			);
			// What goes for want of room must not leave a thing without its name.
			const nameless = await complaints(['button-name', 'link-name', 'label']);
			await setWidth(1280, 800);
			expect(wide).toBeLessThanOrEqual(360);
			expect(nameless).toEqual([]);
		});
	});
}
