/* npm run screenshots: one picture of each main view, from the demo's data, into docs/screenshots. */
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBrowser } from './browser.mjs';
import { CHROMEDRIVER, headlessBrowser } from './chromium.mjs';
import { ensureApplication, ensureInstalled, ensureTools, ROOT, run, say } from './ready.mjs';

const VISIT = '/visits/019a8000-0000-7000-8000-000000000004';
const SITE = '/sites/019a8000-0000-7000-8000-000000000002';
const PILE = '/bench/piles/019a8002-0000-7000-8000-000000007fff';
const WATCH = '/sites/019a8003-0000-7000-8000-000000000002/watch';
const STRING = `${VISIT}/strings/019a8000-0000-7000-8000-000000000011`;
const DESK = { width: 1280, height: 800, mobile: false };
const PHONE = { width: 390, height: 844, mobile: true };
const VIEWS = JSON.parse(process.env.LOOK).map(([name,path,phone,press])=>({name,path,size:phone?PHONE:DESK,press}));

ensureInstalled();
ensureBrowser();
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
const hb=headlessBrowser(); options.setChromeBinaryPath(hb.binary);
options.addArguments(...hb.flags, '--hide-scrollbars');
const driver = await new Builder()
	.forBrowser('chrome')
	.setChromeOptions(options)
	.setChromeService(new chrome.ServiceBuilder(CHROMEDRIVER))
	.build();
try {
	const pictures = '/tmp/look';
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
		if (path === WATCH || path.startsWith(STRING) || path.startsWith(`${PILE}/mix`)) {
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
