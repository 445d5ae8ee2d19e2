/* npm run -s zembo -- <command>: builds the command line when needed, then becomes it. */
import { become, ensureInstalled, ensureTools, speakOnStandardError } from './ready.mjs';

speakOnStandardError();
ensureInstalled();
ensureTools();
become(['build-tools/zembo.js', ...process.argv.slice(2)]);
