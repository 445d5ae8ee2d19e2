/* Shared by the commands: install when needed, build when needed. Node.js alone, no packages. */
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = fileURLToPath(new URL('..', import.meta.url));
const STAMPS = join(ROOT, 'node_modules/.zembo');

/** Whether a line goes to standard error, for commands whose standard output is an answer. */
let quiet = false;
export function speakOnStandardError() {
	quiet = true;
}

export function say(words) {
	(quiet ? process.stderr : process.stdout).write(`${words}\n`);
}

/** Runs a program to its end; a failure ends this command with the same code. */
export function run(program, args, options = {}) {
	const { status, error } = spawnSync(program, args, {
		cwd: ROOT,
		stdio: quiet ? ['ignore', 2, 2] : 'inherit',
		...options
	});
	if (error) throw error;
	if (status !== 0) process.exit(status ?? 1);
}

/** Runs a package's program under node_modules/.bin. */
export function runTool(name, args, options) {
	run(process.execPath, [toolPath(name), ...args], options);
}

/** The script behind a package's program. */
export function toolPath(name) {
	const entry = {
		vite: 'vite/bin/vite.js',
		vitest: 'vitest/vitest.mjs',
		'svelte-kit': '@sveltejs/kit/svelte-kit.js',
		'svelte-check': 'svelte-check/bin/svelte-check',
		tsc: '@typescript/native/bin/tsc',
		eslint: 'eslint/bin/eslint.js',
		prettier: 'prettier/bin/prettier.cjs',
		oxlint: 'oxlint/bin/oxlint',
		oxfmt: 'oxfmt/bin/oxfmt',
		depcruise: 'dependency-cruiser/bin/dependency-cruise.mjs',
		knip: 'knip/bin/knip.js',
		cspell: 'cspell/bin.mjs'
	}[name];
	return join(ROOT, 'node_modules', entry);
}

function stampHolds(name, value) {
	const file = join(STAMPS, name);
	return existsSync(file) && readFileSync(file, 'utf8') === value;
}

function stamp(name, value) {
	mkdirSync(STAMPS, { recursive: true });
	writeFileSync(join(STAMPS, name), value);
}

function hashOf(files) {
	const hash = createHash('sha256');
	for (const file of files) hash.update(file).update(readFileSync(join(ROOT, file)));
	return hash.digest('hex');
}

function filesBelow(folder) {
	const path = join(ROOT, folder);
	if (!existsSync(path)) return [];
	if (statSync(path).isFile()) return [folder];
	return readdirSync(path)
		.sort()
		.flatMap((name) => filesBelow(join(folder, name)));
}

/** What node_modules has to go with: the lock file, platform and Node.js. */
function packagesWanted() {
	return `${hashOf(['package-lock.json'])} ${process.platform} ${process.arch} ${process.versions.modules}`;
}

/** The npm command line that is run here, as a program and its first arguments. */
function npmCommand() {
	const npm = process.env.npm_execpath;
	if (npm?.endsWith('.js')) return { program: process.execPath, first: [npm], shell: false };
	const windows = process.platform === 'win32';
	return { program: windows ? 'npm.cmd' : 'npm', first: [], shell: windows };
}

/** Puts everything in place that node_modules lacks, compiled and all. */
export function ensureInstalled() {
	ensurePackages();
	if (stampHolds('installed', packagesWanted())) return;
	const { program, args, options } = compiling();
	run(program, args, options);
	stamp('installed', packagesWanted());
}

/**
 * As {@link ensureInstalled}, but what has to be compiled is compiled beside what the caller does next: on a
 * fresh clone that is a minute and a half of one processor, and checks and builds have no need of it.
 *
 * @returns resolves once everything is there; ends this command where that fails
 */
export async function installedMeanwhile() {
	ensurePackages();
	if (stampHolds('installed', packagesWanted())) return;
	const { program, args, options } = compiling();
	const compiler = spawn(program, args, { cwd: ROOT, ...options, stdio: ['ignore', 2, 2] });
	const [code] = await once(compiler, 'exit');
	if (code !== 0) {
		say('The database could not be compiled; see above.');
		process.exit(code ?? 1);
	}
	stamp('installed', packagesWanted());
}

/** Installs the packages, without what they compile, when node_modules does not go with the lock file. */
export function ensurePackages() {
	const [major, minor] = process.versions.node.split('.').map(Number);
	if (major < 20 || (major === 20 && minor < 19)) {
		say(`Zembo needs Node.js 20.19 or newer; this is ${process.version}.`);
		process.exit(1);
	}
	const wanted = packagesWanted();
	if (stampHolds('packages', wanted) || stampHolds('installed', wanted)) return;
	say(
		'Installing packages (the first time takes some minutes: the database is compiled where no binary is at hand).'
	);
	const { program, first, shell } = npmCommand();
	run(program, [...first, 'ci', '--ignore-scripts'], { shell });
	stamp('packages', wanted);
}

/** How what the packages need is compiled, or fetched. */
function compiling() {
	const { program, first, shell } = npmCommand();
	// Where the database is compiled, this takes well under half the time of -O3.
	const { CFLAGS = '-O1', CXXFLAGS = '-O1' } = process.env;
	const env = { ...process.env, CFLAGS, CXXFLAGS };
	return { program, args: [...first, 'rebuild'], options: { shell, env } };
}

/** The configuration that tsconfig.json extends is generated; a fresh clone has none yet. */
export function ensureGenerated() {
	if (!existsSync(join(ROOT, '.svelte-kit/tsconfig.json'))) runTool('svelte-kit', ['sync']);
}

const APPLICATION = ['src', 'static', 'svelte.config.js', 'vite.config.ts', 'package-lock.json'];
const TOOLS = [
	'src/core',
	'src/cli',
	'src/lib/server',
	'demo',
	'instruments',
	'vite.node.config.ts',
	'package-lock.json'
];

/** What is built is for people, also where a test asks for the build. */
const PRODUCTION = { env: { ...process.env, NODE_ENV: 'production' } };

function ensureBuiltFrom(name, sources, output, build) {
	const wanted = hashOf(sources.flatMap(filesBelow).filter((file) => !file.endsWith('.test.ts')));
	if (existsSync(join(ROOT, output)) && stampHolds(name, wanted)) return;
	build();
	stamp(name, wanted);
}

/** Builds the command line and the demo's loader when a source changed. */
export function ensureTools() {
	ensureGenerated();
	ensureBuiltFrom('tools', TOOLS, 'build-tools/zembo.js', () => buildForNode('tools', PRODUCTION));
}

/** Builds the benchmarks and fuzzers, always anew. */
export function buildBenchmarks() {
	buildForNode('benchmarks');
}

/** Builds what Node.js runs without the application. */
function buildForNode(mode, options) {
	const config = ['--config', 'vite.node.config.ts', '--mode', mode];
	runTool('vite', ['build', ...config, '--logLevel', 'warn'], options);
}

/** Builds the application when a source changed. */
export function ensureApplication() {
	ensureBuiltFrom('application', APPLICATION, 'build/handler.js', () => {
		say('Building Zembo.');
		runTool('vite', ['build', '--logLevel', 'warn'], PRODUCTION);
	});
}

/** Starts node on a script and ends with its code. */
export function become(args, env = {}) {
	const child = spawn(process.execPath, args, {
		cwd: ROOT,
		stdio: 'inherit',
		env: { ...process.env, ...env }
	});
	for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
	child.on('exit', (code) => process.exit(code ?? 1));
}
