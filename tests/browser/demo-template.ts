import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';

declare module 'vitest' {
	export interface ProvidedContext {
		/** Path of a database with the demo's data, to be copied. */
		demoTemplate: string;
	}
}

/** Loads the demo once for all files that start a server with it. */
export default function setup(project: TestProject): () => void {
	const folder = mkdtempSync(join(tmpdir(), 'zembo-template-'));
	const path = join(folder, 'demo.db');
	const loaded = spawnSync(process.execPath, ['build-tools/load-demo.js'], {
		env: { ...process.env, ZEMBO_DATABASE: path },
		encoding: 'utf8'
	});
	if (loaded.status !== 0) throw new Error(loaded.stderr);
	project.provide('demoTemplate', path);
	return () => rmSync(folder, { recursive: true, force: true });
}
