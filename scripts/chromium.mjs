/* Where Debian's packages put the browser, and how tests and pictures start it. */

export const CHROMIUM = '/usr/bin/chromium';
export const CHROMEDRIVER = '/usr/bin/chromedriver';

/**
 * Headless, quiet on the network, and with a profile of its own.
 *
 * @param {string} profile an empty folder
 */
export function browserFlags(profile) {
	return [
		'--headless=new',
		'--no-sandbox',
		'--disable-gpu',
		'--disable-quic',
		'--no-first-run',
		'--disable-background-networking',
		'--disable-component-update',
		'--disable-sync',
		// Pages of the browser's own for its address bar, that cost a second of processor at every start.
		'--disable-features=WebUIOmniboxPopup,WebUIOmniboxAimPopup',
		`--user-data-dir=${profile}`
	];
}
