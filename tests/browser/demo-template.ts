import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Names the variable that holds the path of a database with the demo's data, to be copied. */
export const DEMO_TEMPLATE = 'ZEMBO_DEMO_TEMPLATE';

/** Loads the demo into a new database. */
export function loadDemo(path: string): void {
	const loaded = spawnSync(process.execPath, ['build-tools/load-demo.js'], {
		env: { ...process.env, ZEMBO_DATABASE: path },
		encoding: 'utf8'
	});
	if (loaded.status !== 0) throw new Error(loaded.stderr);
}

/** Loads the demo once for all files that start a server with it. */
export default function setup(): () => void {
	const folder = mkdtempSync(join(tmpdir(), 'zembo-template-'));
	const path = join(folder, 'demo.db');
	loadDemo(path);
	process.env[DEMO_TEMPLATE] = path;
	return () => rmSync(folder, { recursive: true, force: true });
}
