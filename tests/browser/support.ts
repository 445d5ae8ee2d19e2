import { spawn, type ChildProcess } from 'node:child_process';
import { copyFileSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
	Builder,
	By,
	Key,
	logging,
	until,
	type WebDriver,
	type WebElement
} from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome';
import { DEMO_TEMPLATE, loadDemo } from './demo-template';
import { browserFlags, CHROMEDRIVER, CHROMIUM } from '../../scripts/chromium.mjs';

/** Every command starts in the project's folder. */
const ROOT = process.cwd();
/** The longest that anything is waited for, ms: a ceiling for a busy machine, never a pause. */
export const WAIT = 20_000;

/** As `npm start` has them: a small room for young objects keeps the server's memory steady. */
const SERVER_FLAGS = ['--max-semi-space-size=4'];

/** Zembo's built server on a database of its own. */
export interface Server {
	readonly address: string;
	/** Path of its data. */
	readonly database: string;
	/** Its process, for a benchmark of its memory. */
	pid(): number;
	/** Ends it at once, as a crash would. */
	kill(): Promise<void>;
	/** Starts it again at the same address on the same data. */
	restart(): Promise<void>;
	/** Ends it and removes its data. */
	remove(): Promise<void>;
}

export async function startServer({ demo }: { readonly demo: boolean }): Promise<Server> {
	const folder = mkdtempSync(join(tmpdir(), 'zembo-browser-'));
	// A port of its own, that no other test takes while this server is away and comes back.
	const env = {
		...process.env,
		PORT: String(await freePort()),
		ZEMBO_DATABASE: join(folder, 'zembo.db')
	};
	if (demo) putDemo(env.ZEMBO_DATABASE);
	let running = await listen(env);
	const { address } = running;
	const kill = () =>
		new Promise<void>((resolve) => {
			running.child.once('exit', () => resolve());
			running.child.kill('SIGKILL');
		});
	return {
		address,
		database: env.ZEMBO_DATABASE,
		pid: () => running.child.pid!,
		kill,
		restart: async () => {
			running = await listen(env);
		},
		remove: async () => {
			await kill();
			rmSync(folder, { recursive: true, force: true });
		}
	};
}

/** The demo's data: a copy of what all test files share, or loaded anew for a benchmark. */
function putDemo(path: string): void {
	const template = process.env[DEMO_TEMPLATE];
	if (template) copyFileSync(template, path);
	else loadDemo(path);
}

/** A port that the system gives out, far from those that Zembo tries by itself. */
function freePort(): Promise<number> {
	return new Promise((resolve, reject) => {
		const probe = createServer();
		probe.once('error', reject);
		probe.listen(0, '127.0.0.1', () => {
			const { port } = probe.address() as AddressInfo;
			probe.close(() => resolve(port));
		});
	});
}

function listen(env: NodeJS.ProcessEnv): Promise<{ address: string; child: ChildProcess }> {
	const child = spawn(process.execPath, [...SERVER_FLAGS, 'scripts/serve.mjs'], { cwd: ROOT, env });
	return new Promise((resolve, reject) => {
		let said = '';
		const hear = (chunk: Buffer) => {
			said += chunk.toString();
			const address = /listens at (\S+)/.exec(said)?.[1];
			if (address) resolve({ address, child });
		};
		child.stdout.on('data', hear);
		child.stderr.on('data', hear);
		child.once('exit', () => reject(new Error(`the server ended: ${said}`)));
	});
}

/** Categories of the browser's own trace that hold the main thread's tasks. */
const TRACE = 'toplevel,devtools.timeline,disabled-by-default-devtools.timeline';

interface BrowserWishes {
	/** Keeps the browser's trace, to be read as the log named "performance". */
	readonly traced?: boolean;
	/** What its camera sees: a film as raw frames (.y4m), over and over. */
	readonly camera?: string;
}

/** What was pressed and fetched last on a page, for the words of a test that does not arrive. */
const WITNESS = `
	window.witnessed = [];
	const say = (...words) => witnessed.push([Math.round(performance.now()), ...words]);
	for (const kind of ['mousedown', 'mouseup', 'click']) {
		addEventListener(kind, ({ target, clientX, clientY }) => say(kind, target.outerHTML?.slice(0, 70), clientX, clientY), true);
	}
	const fetched = window.fetch;
	window.fetch = (...asked) => {
		const path = String(asked[0]?.url ?? asked[0]);
		say('fetch', path);
		return fetched(...asked).then(
			(answer) => (say('answer', path.slice(-40), answer.status), answer),
			(cause) => { say('failed', path, String(cause)); throw cause; }
		);
	};
	addEventListener('error', ({ message }) => say('error', message));
	addEventListener('unhandledrejection', ({ reason }) => say('rejected', String(reason)));`;

/** ms from one look of a wait to the next: a page answers in tens of them, the package would wait 200. */
const LOOK = 25;

export async function openBrowser({ traced, camera }: BrowserWishes = {}): Promise<WebDriver> {
	const profile = mkdtempSync(join(tmpdir(), 'zembo-chromium-'));
	const options = new chrome.Options();
	options.setChromeBinaryPath(CHROMIUM);
	options.addArguments(...browserFlags(profile));
	if (camera) {
		options.addArguments(
			'--use-fake-ui-for-media-stream',
			'--use-fake-device-for-media-stream',
			`--use-file-for-fake-video-capture=${camera}`
		);
	}
	if (traced) {
		const level = new logging.Preferences();
		level.setLevel(logging.Type.PERFORMANCE, logging.Level.ALL);
		options.setLoggingPrefs(level);
		// The package's types name preferences that the driver no longer takes.
		const prefs = { enableNetwork: false, enablePage: false, traceCategories: TRACE };
		options.setPerfLoggingPrefs(
			prefs as unknown as Parameters<chrome.Options['setPerfLoggingPrefs']>[0]
		);
	}
	const driver = (await new Builder()
		.forBrowser('chrome')
		.setChromeOptions(options)
		.setChromeService(new chrome.ServiceBuilder(CHROMEDRIVER))
		.build()) as WebDriver & chrome.Driver;
	const { wait } = driver;
	driver.wait = ((...[condition, timeout, message, poll = LOOK]: Parameters<typeof wait>) =>
		wait.call(driver, condition, timeout, message, poll)) as typeof wait;
	await driver.sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: WITNESS });
	await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
		width: 1280,
		height: 800,
		deviceScaleFactor: 1,
		mobile: false
	});
	const quit = driver.quit.bind(driver);
	driver.quit = async () => {
		await quit();
		rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
	};
	return driver;
}

/** What can be read of the first element of a selector: as the browser lays it out, blanks as one. */
const TEXT = `
	const element = document.querySelector(arguments[0]);
	return element?.checkVisibility() ? element.innerText.replace(/[^\\S\\n]+/g, ' ') : '';`;

/** The page as a printer would get it. */
export async function printed(driver: WebDriver): Promise<Buffer> {
	// The package's types know neither the defaults of its options nor its answer.
	const print = driver.printPage.bind(driver) as unknown as (options: object) => Promise<string>;
	return Buffer.from(await print({}), 'base64');
}

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
		await this.driver.wait(until.elementLocated(By.css('html[data-ready=true]')), WAIT);
		// Letters that come late move what is about to be pressed.
		await this.driver.executeAsyncScript('document.fonts.ready.then(arguments[0])');
	}

	/** Waits until nothing on the page tells of work under way. */
	async worksNoMore(): Promise<void> {
		await this.driver.wait(
			async () => (await this.driver.findElements(By.css('progress'))).length === 0,
			WAIT,
			'it works on and on'
		);
	}

	find(css: string): Promise<WebElement> {
		return this.driver.wait(until.elementLocated(By.css(css)), WAIT, `nothing is ${css}`);
	}

	async press(words: string): Promise<void> {
		const xpath = `//*[self::button or self::a or self::summary][contains(normalize-space(.), ${JSON.stringify(words)})]`;
		const element = await this.driver.wait(
			until.elementLocated(By.xpath(xpath)),
			WAIT,
			`nothing to press says ${words}`
		);
		await this.driver.wait(until.elementIsVisible(element), WAIT);
		await this.driver.executeScript('arguments[0].scrollIntoView({block: "center"})', element);
		await element.click();
	}

	/** Clicks the label of a choice by its words. */
	async tick(words: string): Promise<void> {
		const xpath = `//label[contains(normalize-space(.), ${JSON.stringify(words)})]`;
		const label = await this.driver.wait(until.elementLocated(By.xpath(xpath)), WAIT, words);
		await this.driver.executeScript('arguments[0].scrollIntoView({block: "center"})', label);
		await label.click();
	}

	/** Clicks an element by its selector, brought into sight first. */
	async click(css: string): Promise<void> {
		const element = await this.find(css);
		await this.driver.executeScript('arguments[0].scrollIntoView({block: "center"})', element);
		await element.click();
	}

	/** Chooses a place of a list by its words. */
	async choose(css: string, words: string): Promise<void> {
		const option = `${css} option`;
		await this.driver.wait(
			() =>
				this.driver.executeScript<boolean>(
					`const [css, words] = arguments;
					const option = [...document.querySelectorAll(css)].find((one) => one.textContent.includes(words));
					if (!option) return false;
					const list = option.closest('select');
					list.value = option.value;
					list.dispatchEvent(new Event('change', { bubbles: true }));
					return true;`,
					option,
					words
				),
			WAIT,
			`${css} has no ${words}`
		);
	}

	/** Fills a field by its name; what stood there is replaced. */
	async fill(name: string, value: string, inside = ''): Promise<void> {
		const field = await this.find(`${inside} input[name=${name}]`);
		await this.driver.executeScript('arguments[0].scrollIntoView({block: "center"})', field);
		await field.clear();
		await field.sendKeys(value);
	}

	/** Waits until the page's text has it; fails with what the page says instead. */
	async sees(words: string | RegExp, css = 'body'): Promise<string> {
		let text = '';
		const appears = async () => {
			text = await this.driver.executeScript<string>(TEXT, css);
			return typeof words === 'string' ? text.includes(words) : words.test(text);
		};
		try {
			await this.driver.wait(appears, WAIT);
		} catch (cause) {
			const instead = text.slice(0, 1500);
			throw new Error(`${css} does not say ${words}; it says: ${instead}`, { cause });
		}
		return text;
	}

	async arrivesAt(path: RegExp): Promise<void> {
		let at = '';
		const there = async () => path.test((at = await this.driver.getCurrentUrl()));
		await this.driver.wait(there, WAIT).catch(async (error: unknown) => {
			const last = await this.driver.executeScript('return window.witnessed?.slice(-14)');
			throw new Error(`${at} is not ${path.source}: ${JSON.stringify(last)}`, { cause: error });
		});
		await this.driver.wait(until.elementLocated(By.css('html[data-ready=true]')), WAIT);
	}

	/** Starts a visit at the demo's terminal with its conditions; ends on the page of entry. */
	async startsVisit(irradiance = '838', cellTemperature = '41'): Promise<string> {
		await this.goTo('/');
		await this.press('Saltmarsh Ferry Terminal');
		await this.arrivesAt(/\/sites\/[0-9a-f-]+$/);
		await this.fill('by', 'Tamsin Orrell');
		await this.press('Start a visit');
		await this.arrivesAt(/\/plan$/);
		await this.sees('Plan of the visit', 'h1');
		await this.press('Conditions');
		await this.arrivesAt(/\/conditions$/);
		await this.fill('irradiance', irradiance);
		await this.fill('cellTemperature', cellTemperature);
		await this.press('Store and measure');
		await this.arrivesAt(/\/measure$/);
		await this.answersForOwnProcedure();
		await this.isAt('A1', 'open circuit');
		return new URL(await this.driver.getCurrentUrl()).pathname.split('/')[2]!;
	}

	/** Answers for a written procedure of one's own, where Zembo would lead through making safe. */
	async answersForOwnProcedure(): Promise<void> {
		await this.press('Under our own written procedure');
		await this.press('I answer for it');
	}

	/** Waits until a place is lit and its field has the focus. */
	async isAt(label: string, quantity: string, field = 'reading'): Promise<void> {
		await this.sees(`${label} ${quantity}`, '.entry h1');
		await this.hasFocus(field);
	}

	/** Waits until a field has the focus; fails with what the page says instead. */
	async hasFocus(name: string): Promise<void> {
		const focused = () =>
			this.driver.executeScript<boolean>(
				'return document.activeElement?.getAttribute("name") === arguments[0]',
				name
			);
		try {
			await this.driver.wait(focused, WAIT);
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
		await this.driver.wait(
			async () =>
				(await this.driver.findElements(By.css('.recent [data-stored=false]'))).length === 0,
			WAIT,
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
