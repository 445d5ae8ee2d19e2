/* Chromium and ChromeDriver for the browser tests and pictures. */
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { CHROMEDRIVER, CHROMIUM } from './chromium.mjs';
import { run, say } from './ready.mjs';

/** Installs both from Debian's packages when they are absent, or says what to install. */
export function ensureBrowser() {
	if (existsSync(CHROMIUM) && existsSync(CHROMEDRIVER)) return;
	const canInstall = process.getuid?.() === 0 && spawnSync('apt-get', ['--version']).status === 0;
	if (!canInstall) {
		say(
			`The browser tests need Chromium at ${CHROMIUM} and ChromeDriver at ${CHROMEDRIVER}. On Debian, as root: apt-get update && apt-get install chromium chromium-driver. Then run this again.`
		);
		process.exit(1);
	}
	say('Installing Chromium and ChromeDriver from Debian’s packages.');
	const quietly = {
		stdio: ['ignore', 'ignore', 'inherit'],
		env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
	};
	run('apt-get', ['update'], quietly);
	run(
		'apt-get',
		['install', '-y', '--no-install-recommends', 'chromium', 'chromium-driver'],
		quietly
	);
}
