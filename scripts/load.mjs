/* npm run load [-- seconds]: many people on one visit at once, against the built server. */
import { join } from 'node:path';
import {
	buildBenchmarks,
	ensureApplication,
	ensureInstalled,
	ensureTools,
	ROOT,
	run
} from './ready.mjs';

ensureInstalled();
ensureTools();
ensureApplication();
buildBenchmarks();
run(process.execPath, [join(ROOT, 'build-bench/load.js'), ...process.argv.slice(2)]);
