import axe from 'axe-core';
import type chrome from 'selenium-webdriver/chrome';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Person } from './person';

/**
 * Runs axe in the page; what passes is not gathered: on a large page that takes longer than the checks.
 *
 * Where only colours are asked for, a text is judged once for all that its contrast follows from: its own
 * colour, size and weight, and what lies behind it. Most screens have none that no screen before them had.
 * Texts that may lie over something that does not hold them are judged wherever they stand.
 */
const CHECKED = `
	const [rules, judgedBefore, done] = arguments;
	const CLEAR = 'rgba(0, 0, 0, 0) none 1 none normal';
	const styles = new Map();
	const behind = (element) => {
		if (!element) return { layers: '', floats: false };
		if (!styles.has(element)) {
			const under = behind(element.parentElement);
			const style = getComputedStyle(element);
			const { backgroundColor, backgroundImage, opacity, filter, mixBlendMode } = style;
			const layer = [backgroundColor, backgroundImage, opacity, filter, mixBlendMode].join(' ');
			const hides = /^(rgb|oklch)[(][^/]*[)] none 1 none normal$/.test(layer);
			const stands = ['static', 'relative'].includes(style.position) && style.transform === 'none';
			styles.set(element, {
				style,
				layers: hides ? layer : layer === CLEAR ? under.layers : under.layers + '/' + layer,
				floats: !hides && (under.floats || !stands)
			});
		}
		return styles.get(element);
	};
	const OFF = ':disabled, [aria-disabled=true]';
	const look = (element) => {
		const { style, layers, floats } = behind(element);
		const { color, textShadow, webkitTextFillColor } = style;
		const size = parseFloat(style.fontSize);
		const large = size >= 24 || (size >= 18.67 && style.fontWeight >= 700);
		const off = Boolean(element.closest(OFF) ?? element.closest('label')?.control?.matches(OFF));
		const place = floats ? location.pathname + ' ' + element.className + element.localName : '';
		return [color, large, textShadow, webkitTextFillColor, off, layers, place].join('|');
	};
	const newLooks = () => {
		const known = new Set(judgedBefore);
		const ones = new Map();
		for (const element of document.querySelectorAll('body, body *')) {
			const says =
				element.matches('input, select, textarea') ||
				[...element.childNodes].some((node) => node.nodeType === Node.TEXT_NODE && node.data.trim());
			// What is for the ear alone has a pixel, or is taken out of sight.
			if (!says || !element.checkVisibility() || element.offsetWidth <= 1) continue;
			const key = look(element);
			if (!known.has(key) && !ones.has(key)) ones.set(key, element);
		}
		return ones;
	};
	// Colours that change over some moments are judged where they end, and those that follow them then.
	const settle = () => {
		const moving = document.getAnimations().filter((one) => one.effect.getComputedTiming().endTime < Infinity);
		for (const one of moving) one.finish();
		if (moving.length > 0) settle();
	};
	const judged = async () => {
		const looks = judgedBefore && newLooks();
		if (looks?.size === 0) return { violations: [], looks: [] };
		const { violations } = await axe.run(looks ? { include: [...looks.values()] } : document, {
			resultTypes: ['violations'],
			...(rules.length > 0 ? { runOnly: rules } : { rules: { 'color-contrast': { enabled: false } } })
		});
		return { violations, looks: [...(looks?.keys() ?? [])] };
	};
	settle();
	judged().then(
		({ violations, looks }) =>
			done({
				looks,
				complaints: violations.map(({ id, help, nodes }) => {
					const where = nodes.slice(0, 3).map(({ target }) => target.join(' '));
					return id + ': ' + help + ' (' + where.join(', ') + ')';
				})
			}),
		(cause) => done({ looks: [], complaints: [String(cause)] })
	);`;

interface Judgement {
	readonly complaints: readonly string[];
	/** What the texts that were judged look like. */
	readonly looks: readonly string[];
}

/** Looks of texts without a complaint, by the look of the page; a worker's files share them. */
const READABLE: Record<string, Set<string>> = {
	light: new Set(),
	dark: new Set(),
	sunlight: new Set()
};

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

	/** What axe finds in the page as it stands; by all of its rules but that of contrast, or by some. */
	const judged = (rules: readonly string[], readable: readonly string[] | null) =>
		person.driver.executeAsyncScript<Judgement>(CHECKED, rules, readable);
	const complaints = async (rules: readonly string[] = []) =>
		(await judged(rules, null)).complaints;
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
			['light', ['color-contrast']],
			['dark', ['color-contrast']],
			// The second leaves to the first what has less than 4.5:1.
			['sunlight', ['color-contrast', 'color-contrast-enhanced']]
		])('can be read in the %s look', async (mode, rules) => {
			await person.driver.executeScript(
				'document.documentElement.dataset.mode = arguments[0]',
				mode
			);
			const readable = READABLE[mode]!;
			const { complaints, looks } = await judged(rules, [...readable]);
			expect(complaints).toEqual([]);
			for (const look of looks) readable.add(look);
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
