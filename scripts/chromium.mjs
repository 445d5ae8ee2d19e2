/* Where Debian's packages put the browser, and how tests and pictures start it. */
import { existsSync } from 'node:fs';

/** Chromium without windows of its own: the same pages for a sixth less processor. */
export const HEADLESS_SHELL = '/usr/lib/chromium/chromium-headless-shell';
export const CHROMIUM = '/usr/bin/chromium';
export const CHROMEDRIVER = '/usr/bin/chromedriver';

/**
 * The browser to start and its flags: headless, and quiet on the network. ChromeDriver gives it an
 * empty profile and removes that again.
 *
 * @returns {{ binary: string, flags: string[] }}
 */
export function headlessBrowser() {
	const shell = existsSync(HEADLESS_SHELL);
	return {
		binary: shell ? HEADLESS_SHELL : CHROMIUM,
		flags: [
			...(shell ? [] : ['--headless=new']),
			'--no-sandbox',
			'--disable-gpu',
			'--disable-quic',
			'--no-first-run',
			'--disable-background-networking',
			'--disable-component-update',
			'--disable-sync',
			// Pages of the browser's own for its address bar, that cost a second of processor at every start.
			'--disable-features=WebUIOmniboxPopup,WebUIOmniboxAimPopup'
		]
	};
}
