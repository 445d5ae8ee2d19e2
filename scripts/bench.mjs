/* npm run bench [-- name]: the benchmarks, each with its baseline beside it. */
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { requireBrowser } from './browser.mjs';
import {
	buildBenchmarks,
	ensureApplication,
	ensureInstalled,
	ensureTools,
	ROOT,
	run
} from './ready.mjs';

ensureInstalled();
const wanted = process.argv.slice(2).filter((word) => !word.startsWith('--'));
const flags = process.argv.slice(2).filter((word) => word.startsWith('--'));
if (
	wanted.length === 0 ||
	wanted.some((name) => /^(browser|large-site|responsive|people)/.test(name))
) {
	requireBrowser();
	ensureTools();
	ensureApplication();
}
buildBenchmarks();
for (const file of readdirSync(join(ROOT, 'build-bench')).filter((name) =>
	name.endsWith('.bench.js')
)) {
	if (wanted.length > 0 && !wanted.some((name) => file.startsWith(name))) continue;
	run(process.execPath, [join('build-bench', file), ...flags]);
}
