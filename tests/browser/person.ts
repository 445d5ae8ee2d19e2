import { type Quantity } from '$core/visit';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { openBrowser } from './own-browser';
import { startServer, type Server } from './own-server';
import { visitAtTheTerminal } from './own-visit';
import { untilPage } from './waiting';

/** What can be read of the first element of a selector: as the browser lays it out, blanks as one. */
const TEXT = `(css) => {
	const element = document.querySelector(css);
	return element?.checkVisibility() ? element.innerText.replace(/[^\\S\\n]+/g, ' ') : '';
}`;

/** The things a person does, each waiting for what it needs and no longer. */
export class Person {
	constructor(
		readonly driver: WebDriver,
		readonly server: Server
	) {}

	/** Somebody in front of a browser, at a server of their own with the demo's data. */
	static async atTheDemo(): Promise<Person> {
		const [server, driver] = await Promise.all([startServer({ demo: true }), openBrowser()]);
		return new Person(driver, server);
	}

	#files: string | null = null;
	/** Folder of the files that this person chooses from. */
	get files(): string {
		return (this.#files ??= mkdtempSync(join(tmpdir(), 'zembo-files-')));
	}

	/** Closes the browser and takes the server away. */
	async leaves(): Promise<void> {
		await this.driver.quit();
		await this.server.remove();
		if (this.#files) rmSync(this.#files, { recursive: true });
	}

	/** Chooses a file of some content in the nth place for files of the page. */
	async choosesFile(css: string, name: string, content: string | Buffer, nth = 0): Promise<void> {
		const path = join(this.files, name);
		writeFileSync(path, content);
		await this.find(css);
		await (await this.driver.findElements(By.css(css)))[nth]!.sendKeys(path);
	}

	async goTo(path: string): Promise<void> {
		await this.driver.get(this.server.address + path);
		// Letters that come late move what is about to be pressed.
		await untilPage(
			this.driver,
			`() => document.documentElement.dataset.ready === 'true' && document.fonts.status === 'loaded'`,
			[],
			`${path} does not get ready`
		);
	}

	/** Waits until nothing on the page tells of work under way. */
	async worksNoMore(): Promise<void> {
		await untilPage(
			this.driver,
			`() => !document.querySelector('progress')`,
			[],
			'it works on and on'
		);
	}

	find(css: string): Promise<WebElement> {
		return untilPage(
			this.driver,
			'(css) => document.querySelector(css)',
			[css],
			`nothing is ${css}`
		);
	}

	async press(words: string): Promise<void> {
		const pressed = '//*[self::button or self::a or self::summary]';
		await this.#presses(
			`${pressed}[contains(normalize-space(.), ${JSON.stringify(words)})]`,
			`nothing to press says ${words}`
		);
	}

	/** Clicks the label of a choice by its words. */
	async tick(words: string): Promise<void> {
		await this.#presses(
			`//label[contains(normalize-space(.), ${JSON.stringify(words)})]`,
			`no choice says ${words}`
		);
	}

	/** Clicks the first that an XPath finds, once it is visible, brought into sight. */
	async #presses(xpath: string, otherwise: string): Promise<void> {
		const element = await untilPage<WebElement>(
			this.driver,
			`(xpath) => {
				const found = document.evaluate(xpath, document, null, XPathResult.FIRST_ORDERED_NODE_TYPE).singleNodeValue;
				if (!found?.checkVisibility({ visibilityProperty: true })) return null;
				found.scrollIntoView({ block: 'center' });
				return found;
			}`,
			[xpath],
			otherwise
		);
		await element.click();
	}

	/** An element by its selector, brought into sight. */
	#broughtIntoSight(css: string): Promise<WebElement> {
		return untilPage(
			this.driver,
			`(css) => {
				const found = document.querySelector(css);
				found?.scrollIntoView({ block: 'center' });
				return found;
			}`,
			[css],
			`nothing is ${css}`
		);
	}

	/** Clicks an element by its selector, brought into sight first. */
	async click(css: string): Promise<void> {
		await (await this.#broughtIntoSight(css)).click();
	}

	/** Chooses a place of a list by its words. */
	async choose(css: string, words: string): Promise<void> {
		await untilPage(
			this.driver,
			`(css, words) => {
				const option = [...document.querySelectorAll(css)].find((one) => one.textContent.includes(words));
				if (!option) return false;
				const list = option.closest('select');
				list.value = option.value;
				list.dispatchEvent(new Event('change', { bubbles: true }));
				return true;
			}`,
			[`${css} option`, words],
			`${css} has no ${words}`
		);
	}

	/** Fills a field by its name; what stood there is replaced. */
	async fill(name: string, value: string, inside = ''): Promise<void> {
		const field = await this.#broughtIntoSight(`${inside} input[name=${name}]`);
		await field.clear();
		await field.sendKeys(value);
	}

	/** Waits until the page's text has it; fails with what the page says instead. */
	async sees(words: string | RegExp, css = 'body'): Promise<string> {
		const regular = typeof words === 'string' ? null : [words.source, words.flags];
		try {
			return await untilPage(
				this.driver,
				`(css, words, regular) => {
					const text = (${TEXT})(css);
					return (regular ? new RegExp(...regular).test(text) : text.includes(words)) && text;
				}`,
				[css, regular ? '' : words, regular],
				`${css} does not say ${words}`
			);
		} catch (cause) {
			const instead = await this.driver.executeScript<string>(
				`return (${TEXT})(arguments[0])`,
				css
			);
			throw new Error(`${css} does not say ${words}; it says: ${instead.slice(0, 1500)}`, {
				cause
			});
		}
	}

	/** Everything an element says, the parts out of sight too, which the browser has not laid out yet. */
	async readsToTheEnd(css: string): Promise<string> {
		return this.driver.executeScript<string>(
			`const all = new CSSStyleSheet();
			all.replaceSync('* { content-visibility: visible !important }');
			document.adoptedStyleSheets.push(all);
			const text = (${TEXT})(arguments[0]);
			document.adoptedStyleSheets.pop();
			return text;`,
			css
		);
	}

	async arrivesAt(path: RegExp): Promise<void> {
		try {
			await untilPage(
				this.driver,
				`(path, flags) => document.documentElement.dataset.ready === 'true' && new RegExp(path, flags).test(location.href)`,
				[path.source, path.flags],
				`never at ${path.source}`
			);
		} catch (cause) {
			const at = await this.driver.getCurrentUrl();
			const last = await this.driver.executeScript('return window.witnessed?.slice(-14)');
			throw new Error(`${at} is not ${path.source}: ${JSON.stringify(last)}`, { cause });
		}
	}

	/** At the place where a new visit at the demo's terminal takes its first reading. */
	async measures(): Promise<string> {
		const visit = await visitAtTheTerminal(this.server.address);
		await this.goTo(`/visits/${visit}/measurements`);
		await this.isAt('A1', 'open-circuit-voltage');
		return visit;
	}

	/** Starts a visit at the demo's terminal with its conditions; ends on the page of entry. */
	async startsVisit(): Promise<string> {
		await this.goTo('/');
		await this.press('Saltmarsh Ferry Terminal');
		await this.arrivesAt(/\/sites\/[0-9a-f-]+$/);
		await this.fill('by', 'Tamsin Orrell');
		await this.press('Start a visit');
		await this.arrivesAt(/\/test-plan$/);
		await this.sees('Plan of the visit', 'h1');
		await this.press('Test conditions');
		await this.arrivesAt(/\/test-conditions$/);
		await this.fill('irradiance', '838');
		await this.fill('cellTemperature', '41');
		await this.press('Save and measure');
		await this.arrivesAt(/\/measurements$/);
		await this.answersForOwnProcedure();
		await this.isAt('A1', 'open-circuit-voltage');
		return new URL(await this.driver.getCurrentUrl()).pathname.split('/')[2]!;
	}

	/** Answers for a written procedure of one's own, where Zembo would lead through making safe. */
	async answersForOwnProcedure(): Promise<void> {
		await this.press('Use our own written procedure');
		await this.press('Confirm own procedure');
	}

	/** Waits until a place is lit and its field has the focus. */
	async isAt(label: string, quantity: Quantity, field = 'reading'): Promise<void> {
		await this.sees(label, `.entry h1[data-quantity="${quantity}"]`);
		await this.hasFocus(field);
	}

	/** Waits until a field has the focus; fails with what the page says instead. */
	async hasFocus(name: string): Promise<void> {
		try {
			await untilPage(
				this.driver,
				'(name) => document.activeElement?.getAttribute("name") === name',
				[name],
				`${name} has not got the focus`
			);
		} catch (cause) {
			const text = await this.driver.findElement(By.css('main')).getText();
			throw new Error(`${name} has not got the focus; the page says: ${text.slice(0, 1500)}`, {
				cause
			});
		}
	}

	/** Waits until a reading stands among the last ones and all of them are stored, not on their way. */
	async hasStored(figure: string): Promise<void> {
		await this.sees(figure, '.recent li');
		await untilPage(
			this.driver,
			`() => !document.querySelector('.recent [data-stored=false]')`,
			[],
			`${figure} is not stored`
		);
	}

	/** Replaces what stands in the field that has the focus. */
	async retypes(...keys: string[]): Promise<void> {
		await this.types(Key.chord(Key.CONTROL, 'a'), ...keys);
	}

	/** Types into whatever has the focus. */
	async types(...keys: string[]): Promise<void> {
		await this.driver
			.switchTo()
			.activeElement()
			.sendKeys(...keys);
	}
}
