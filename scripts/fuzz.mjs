/* npm run fuzz [-- requests [seed]]: random and mutated requests to every route of the built server. */
import { join } from 'node:path';
import { ensureApplication, ensureInstalled, ensureTools, ROOT, run, runTool } from './ready.mjs';

ensureInstalled();
ensureTools();
ensureApplication();
runTool('vite', ['build', '--config', 'vite.bench.config.ts', '--logLevel', 'warn']);
run(process.execPath, [join(ROOT, 'build-bench/fuzz.js'), ...process.argv.slice(2)]);
