/* Chromium and ChromeDriver for the browser tests and pictures. */
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { CHOSEN, CHROMEDRIVER, CHROMIUM, HEADLESS_SHELL } from './chromium.mjs';
import { say } from './ready.mjs';

const QUIET = {
	stdio: ['ignore', 'ignore', 'inherit'],
	env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
};
const INSTALL = ['install', '-y', '--no-install-recommends'];

/**
 * Installs the browser from Debian's packages when it is absent.
 *
 * @returns {string | null} null where browser and driver are there, or what is missing and how to get it
 */
export function ensureBrowser() {
	const hasDriver = existsSync(CHROMEDRIVER);
	if (CHOSEN) {
		const missing = [CHROMIUM, CHROMEDRIVER].filter((path) => !existsSync(path));
		if (missing.length === 0) return null;
		return `There is no ${missing.join(' and no ')}. CHROMIUM_PATH and CHROMEDRIVER_PATH say where Chromium and ChromeDriver are.`;
	}
	if (hasDriver && existsSync(HEADLESS_SHELL)) return null;
	const canInstall = process.getuid?.() === 0 && spawnSync('apt-get', ['--version']).status === 0;
	if (hasDriver && existsSync(CHROMIUM)) {
		if (canInstall) tryShell();
		return null;
	}
	if (canInstall) {
		say('Installing Chromium and ChromeDriver from Debian’s packages.');
		const updated = spawnSync('apt-get', ['update'], QUIET);
		const wanted = [...INSTALL, 'chromium-headless-shell', 'chromium-driver'];
		if (updated.status === 0 && spawnSync('apt-get', wanted, QUIET).status === 0) return null;
	}
	return 'Chromium and ChromeDriver are missing. On Debian, as root: apt-get update && apt-get install chromium-headless-shell chromium-driver. Elsewhere, CHROMIUM_PATH and CHROMEDRIVER_PATH say where they are.';
}

/** As {@link ensureBrowser}, for a command that is nothing without a browser: it ends there. */
export function requireBrowser() {
	const missing = ensureBrowser();
	if (missing === null) return;
	say(missing);
	process.exit(1);
}

/**
 * Adds the lighter browser in the driver's own version, since a driver takes no other. Where that cannot be
 * had, the Chromium that is there does.
 */
function tryShell() {
	const asked = spawnSync('dpkg-query', ['-W', '-f', '${Version}', 'chromium-driver'], {
		encoding: 'utf8'
	});
	if (asked.status !== 0 || !asked.stdout) return;
	const shell = [...INSTALL, `chromium-headless-shell=${asked.stdout}`];
	const silent = { ...QUIET, stdio: 'ignore' };
	if (spawnSync('apt-get', shell, silent).status === 0) return;
	spawnSync('apt-get', ['update'], silent);
	spawnSync('apt-get', shell, silent);
}
