import { Builder, logging, type WebDriver } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome';
import { CHROMEDRIVER, headlessBrowser } from '../../scripts/chromium.mjs';

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
	const { binary, flags } = headlessBrowser();
	const options = new chrome.Options();
	options.setChromeBinaryPath(binary);
	options.addArguments(...flags);
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
	return driver;
}

/** The page as a printer would get it. */
export async function printed(driver: WebDriver): Promise<Buffer> {
	// The package's types know neither the defaults of its options nor its answer.
	const print = driver.printPage.bind(driver) as unknown as (options: object) => Promise<string>;
	return Buffer.from(await print({}), 'base64');
}
