/* npm run backup [-- list | check FILE | restore FILE]: a checked copy of the database that is in use. */
import { become, ensureInstalled, ensureTools } from './ready.mjs';

ensureInstalled();
ensureTools();
become(['build-tools/backup.js', ...process.argv.slice(2)]);
