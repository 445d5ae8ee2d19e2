/* npm run screenshots: one picture of each main view, from the demo's data, into docs/screenshots. */
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { requireBrowser } from './browser.mjs';
import { CHROMEDRIVER, headlessBrowser } from './chromium.mjs';
import { ensureApplication, ensureInstalled, ensureTools, ROOT, run, say } from './ready.mjs';

const VISIT = '/visits/019a8000-0000-7000-8000-000000000004';
const SITE = '/sites/019a8000-0000-7000-8000-000000000002';
const BATCH = '/bench/batches/019a8002-0000-7000-8000-000000007fff';
const MONITORING = '/sites/019a8003-0000-7000-8000-000000000002/monitoring';
const STRING = `${VISIT}/strings/019a8000-0000-7000-8000-000000000011`;
const DESK = { width: 1280, height: 800, mobile: false };
const PHONE = { width: 390, height: 844, mobile: true };
const VIEWS = [
	{ name: 'site', path: SITE, size: DESK },
	{ name: 'array-record', path: `${SITE}/array-record`, size: DESK },
	{ name: 'map', path: `${SITE}/map`, size: DESK },
	{ name: 'diagram', path: `${SITE}/diagram`, size: DESK },
	{ name: 'checks', path: `${SITE}/checks`, size: DESK },
	{ name: 'inspection', path: `${VISIT}/inspection`, size: DESK },
	{ name: 'measurements', path: `${VISIT}/measurements`, size: DESK, why: 'A2' },
	{ name: 'test-plan', path: `${VISIT}/test-plan`, size: DESK },
	{
		name: 'isolation',
		path: '/visits/019a8001-0000-7000-8000-000000000004/isolation?task=dead',
		size: DESK
	},
	{ name: 'comparison', path: `${VISIT}/comparison`, size: DESK },
	{ name: 'measurements-phone', path: `${VISIT}/measurements`, size: PHONE, mode: 'sunlight' },
	{
		name: 'diagnosis',
		path: `${VISIT}/diagnosis?at=019a8000-0000-7000-8000-000000000011`,
		size: DESK
	},
	{
		name: 'repair',
		path: `${VISIT}/repair?at=019a8000-0000-7000-8000-000000000014`,
		size: DESK
	},
	{
		name: 'string',
		path: `${STRING}?light=3.all.30`,
		size: DESK
	},
	{ name: 'batch', path: BATCH, size: DESK },
	{
		name: 'configuration',
		path: `${BATCH}/configuration?of=1%2B2%2B3+%7C+10%2B11%2B5&fuse=12`,
		size: DESK
	},
	{ name: 'monitoring', path: MONITORING, size: DESK },
	{ name: 'report', path: `${VISIT}/report`, size: DESK },
	{
		name: 'training',
		path: '/training/one-string/1',
		size: DESK,
		press: '.ways .act',
		sees: '.paths [data-verdict]'
	}
];

ensureInstalled();
requireBrowser();
ensureTools();
ensureApplication();
const { Builder, By, until } = await import('selenium-webdriver');
const { default: chrome } = await import('selenium-webdriver/chrome.js');

const folder = mkdtempSync(join(tmpdir(), 'zembo-pictures-'));
process.env.ZEMBO_DATABASE = join(folder, 'zembo.db');
run(process.execPath, ['build-tools/load-demo.js']);
const { serve } = await import('./serve.mjs');
const address = await serve();

const options = new chrome.Options();
const { binary, flags } = headlessBrowser();
options.setChromeBinaryPath(binary);
options.addArguments(...flags, '--hide-scrollbars');
const driver = await new Builder()
	.forBrowser('chrome')
	.setChromeOptions(options)
	.setChromeService(new chrome.ServiceBuilder(CHROMEDRIVER))
	.build();
try {
	const pictures = join(ROOT, 'docs/screenshots');
	mkdirSync(pictures, { recursive: true });
	await driver.get(address);
	for (const { name, path, size, mode = 'light', why, press, sees } of VIEWS) {
		await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
			deviceScaleFactor: 1,
			...size
		});
		await driver.manage().addCookie({ name: 'zembo-mode', value: mode });
		await driver.get(address + path);
		await driver.wait(
			() =>
				driver.executeScript(
					'return document.documentElement.dataset.ready === "true" && document.fonts.status === "loaded"'
				),
			10_000
		);
		if (
			path === MONITORING ||
			path.startsWith(STRING) ||
			path.startsWith(`${BATCH}/configuration`)
		) {
			await driver.wait(until.elementLocated(By.css('[data-drawn] canvas')), 10_000);
		}
		if (press) await driver.findElement(By.css(press)).click();
		if (sees) await driver.wait(until.elementLocated(By.css(sees)), 10_000);
		if (why) await driver.findElement(By.css(`[data-string=${why}] button.place`)).click();
		await driver.executeAsyncScript(
			'const done = arguments[0]; document.activeElement?.blur?.(); requestAnimationFrame(() => requestAnimationFrame(() => Promise.all(document.getAnimations().map((one) => one.finished)).then(() => done())));'
		);
		writeFileSync(join(pictures, `${name}.png`), await driver.takeScreenshot(), 'base64');
		say(`docs/screenshots/${name}.png`);
	}
} finally {
	await driver.quit();
	rmSync(folder, { recursive: true, force: true });
}
process.exit(0);
