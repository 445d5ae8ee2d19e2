import { ensureApplication, ensureInstalled, ensureTools } from './ready.mjs';

ensureInstalled();
ensureTools();
ensureApplication();
