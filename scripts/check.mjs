/* npm run check: types, lint, format, what may reach what, what nothing uses; two at a time. */
import { execFileSync, spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages, ROOT, runTool, say, toolPath } from './ready.mjs';

ensurePackages();
// What was written there of a component that is gone since would be checked still.
rmSync(join(ROOT, '.svelte-kit/.svelte-check'), { recursive: true, force: true });
say('check: generated types');
runTool('svelte-kit', ['sync']);

/** Names of the project's files, as a text; migrations keep theirs. */
const filesOfProject = () =>
	execFileSync('git', ['ls-files', ':!src/lib/server/database/migrations'], {
		cwd: ROOT,
		encoding: 'utf8'
	});

/**
 * Those that take longest first, so that none is left to run alone at the end. Native tools check types, lint
 * and format, in a fiftieth of the time; components are left to those that know Svelte.
 */
const STEPS = [
	[
		'svelte and types',
		'svelte-check',
		'--tsconfig ./tsconfig.json --fail-on-warnings --output human --tsgo'
	],
	[
		'regular expressions',
		'eslint',
		'--quiet --config eslint.regexp.config.js src scripts demo instruments'
	],
	['lint of components', 'eslint', 'src/**/*.svelte src/**/*.svelte.ts --max-warnings 0'],
	['what may reach what', 'depcruise', '--config .dependency-cruiser.cjs src demo benchmarks'],
	['format of components', 'prettier', '--check --log-level warn **/*.svelte'],
	['what nothing uses', 'knip', ''],
	['words', 'cspell', 'lint --no-progress --no-summary'],
	['words in names of files', 'cspell', 'lint --no-progress --no-summary stdin', filesOfProject],
	['core without DOM', 'tsc', '-p tsconfig.core.json'],
	['lint', 'oxlint', '--deny-warnings --quiet'],
	['format', 'oxfmt', '--check .']
];
const AT_ONCE = 2;

/** Runs one step; what it says comes out in one piece, whatever runs beside it. */
function runStep([words, name, args, input = () => '']) {
	const child = spawn(process.execPath, [toolPath(name), ...args.split(' ').filter(Boolean)], {
		cwd: ROOT,
		stdio: ['pipe', 'pipe', 'pipe']
	});
	child.stdin.end(input());
	let said = '';
	for (const stream of [child.stdout, child.stderr]) {
		stream.setEncoding('utf8').on('data', (piece) => (said += piece));
	}
	return new Promise((resolve) => {
		child.on('error', ({ message }) => resolve({ words, said: message, clean: false }));
		child.on('close', (code) => resolve({ words, said, clean: code === 0 }));
	});
}

let clean = true;
const waiting = [...STEPS];
async function lane() {
	for (let step; (step = waiting.shift());) {
		const { words, said, clean: passed } = await runStep(step);
		say(`check: ${words}${passed ? '' : ' found something:'}`);
		if (said.trim() !== '') say(said.trim());
		if (!passed) clean = false;
	}
}
await Promise.all(Array.from({ length: AT_ONCE }, lane));
process.exit(clean ? 0 : 1);
