/* Chromium and ChromeDriver for the browser tests and pictures. */
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { CHROMEDRIVER, CHROMIUM, HEADLESS_SHELL } from './chromium.mjs';
import { run, say } from './ready.mjs';

const QUIET = {
	stdio: ['ignore', 'ignore', 'inherit'],
	env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
};
const INSTALL = ['install', '-y', '--no-install-recommends'];

/** Installs the browser from Debian's packages when it is absent, or says what to install. */
export function ensureBrowser() {
	const hasDriver = existsSync(CHROMEDRIVER);
	if (hasDriver && existsSync(HEADLESS_SHELL)) return;
	const canInstall = process.getuid?.() === 0 && spawnSync('apt-get', ['--version']).status === 0;
	if (hasDriver && existsSync(CHROMIUM)) {
		if (canInstall) tryShell();
		return;
	}
	if (!canInstall) {
		say(
			'The browser tests need Chromium and ChromeDriver. On Debian, as root: apt-get update && apt-get install chromium-headless-shell chromium-driver. Then run this again.'
		);
		process.exit(1);
	}
	say('Installing Chromium and ChromeDriver from Debian’s packages.');
	run('apt-get', ['update'], QUIET);
	run('apt-get', [...INSTALL, 'chromium-headless-shell', 'chromium-driver'], QUIET);
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
