/* npm run demo: installs, builds, loads the demo's data and serves it. */
import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureApplication, ensureInstalled, ensureTools, ROOT, run, say } from './ready.mjs';

ensureInstalled();
ensureTools();
ensureApplication();

const database = process.env.ZEMBO_DATABASE ?? join(ROOT, 'data/demo.db');
if (process.argv.includes('--fresh')) {
	for (const end of ['', '-wal', '-shm']) rmSync(database + end, { force: true });
}
process.env.ZEMBO_DATABASE = database;
run(process.execPath, ['build-tools/load-demo.js']);

// Nothing hangs on the instruments: where their ports are taken, the demo starts without them.
const instruments = spawn(process.execPath, [join(ROOT, 'build-tools/instruments.js')], {
	stdio: ['pipe', 'pipe', 'inherit']
});
process.once('exit', () => instruments.kill());
instruments.stdout.on('data', (words) => say(String(words).trim()));

const { serve } = await import('./serve.mjs');
const address = await serve();
say(`\nZembo with its demo data: ${address}`);
say(
	'Try first: open Saltmarsh Ferry Terminal, start a visit with 838 W/m2 and 41 °C, and type what the meter shows (demo/README.md).'
);
say('Ctrl C ends it; the data stays. npm run demo -- --fresh starts over.');
