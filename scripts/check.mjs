/* npm run check: types, lint, format, what may reach what, what nothing uses. */
import { ensureInstalled, runTool, say } from './ready.mjs';

ensureInstalled();
const step = (words, name, args) => {
	say(`check: ${words}`);
	runTool(name, args);
};
step('generated types', 'svelte-kit', ['sync']);
step('core without DOM', 'tsc', ['-p', 'tsconfig.core.json']);
step('svelte and types', 'svelte-check', [
	'--tsconfig',
	'./tsconfig.json',
	'--fail-on-warnings',
	'--output',
	'human'
]);
step('lint', 'eslint', ['.', '--max-warnings', '0']);
step('format', 'prettier', ['--check', '--log-level', 'warn', '.']);
step('what may reach what', 'depcruise', [
	'--config',
	'.dependency-cruiser.cjs',
	'src',
	'demo',
	'benchmarks'
]);
step('what nothing uses', 'knip', []);
