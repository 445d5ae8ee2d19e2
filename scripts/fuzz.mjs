/*
 * npm run fuzz [-- requests [seed]]: random and mutated requests to every route of the built server.
 * npm run kills [-- rounds [seed [kind]]]: ends the program in the midst of what it stores, and looks at what is there.
 */
import { join } from 'node:path';
import {
	buildBenchmarks,
	ensureApplication,
	ensureInstalled,
	ensureTools,
	ROOT,
	run
} from './ready.mjs';

const [what, ...rest] = process.argv.slice(2);
ensureInstalled();
ensureTools();
ensureApplication();
buildBenchmarks();
run(process.execPath, [join(ROOT, `build-bench/${what}.js`), ...rest]);
