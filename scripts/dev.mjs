/* npm run dev: the development server on the demo's data. */
import { join } from 'node:path';
import { become, ensureInstalled, ensureTools, ROOT, run, toolPath } from './ready.mjs';

ensureInstalled();
ensureTools();
const database = process.env.ZEMBO_DATABASE ?? join(ROOT, 'data/dev.db');
process.env.ZEMBO_DATABASE = database;
run(process.execPath, ['build-tools/load-demo.js']);
become([toolPath('vite'), 'dev', ...process.argv.slice(2)], { ZEMBO_DATABASE: database });
