/*
 * Where the browser is, and how tests and pictures start it: CHROMIUM_PATH and CHROMEDRIVER_PATH of the
 * environment, or else where Debian's packages put them.
 */
import { existsSync } from 'node:fs';

const { CHROMIUM_PATH, CHROMEDRIVER_PATH } = process.env;

/** Chromium without windows of its own: the same pages for a sixth less processor. */
export const HEADLESS_SHELL = '/usr/lib/chromium/chromium-headless-shell';
export const CHROMIUM = CHROMIUM_PATH || '/usr/bin/chromium';
export const CHROMEDRIVER = CHROMEDRIVER_PATH || '/usr/bin/chromedriver';

/** Whether the environment says which browser or driver to take; then nothing is installed. */
export const CHOSEN = Boolean(CHROMIUM_PATH || CHROMEDRIVER_PATH);

/**
 * The browser to start and its flags: headless, and quiet on the network. ChromeDriver gives it an
 * empty profile and removes that again.
 *
 * @returns {{ binary: string, flags: string[] }}
 */
export function headlessBrowser() {
	const shell = !CHROMIUM_PATH && existsSync(HEADLESS_SHELL);
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
