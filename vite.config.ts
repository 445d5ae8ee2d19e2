import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { fileURLToPath } from 'node:url';
import type { Plugin } from 'vite';
import { defineConfig } from 'vitest/config';
import { BaseSequencer, type TestSpecification } from 'vitest/node';

/** Bytes of source below which a shared chunk is put to another. */
const SMALL_CHUNK = 2500;

const core = fileURLToPath(new URL('./src/core', import.meta.url));
const lib = fileURLToPath(new URL('./src/lib', import.meta.url));

/** The longest that a test may take on a busy machine, ms; none comes near it on a quiet one. */
const CEILING = 400_000;

/** Tests that put other modules in the place of some, which lasts as long as the process does. */
const MOCKED = ['src/**/*.mocked.test.ts'];

/** Files that take longest begin first, so that none is left to run alone at the end. */
const LONGEST = [
	'access-visits',
	'access-sites',
	'led-visit',
	'visit',
	'monitoring',
	'hardship',
	'diagnosis'
];
const rankOf = ({ moduleId }: TestSpecification) => {
	const at = LONGEST.findIndex((name) => moduleId.endsWith(`browser/${name}.test.ts`));
	return at < 0 ? LONGEST.length : at;
};
class LongestFirst extends BaseSequencer {
	override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
		const sorted = await super.sort(files);
		return sorted.sort((a, b) => rankOf(a) - rankOf(b));
	}
}

/**
 * A page of many small parts would fetch sixty files before it can be used; small parts that several
 * pages share are put together, a page then fetching a little that it does not need.
 */
const fewFiles: Plugin = {
	name: 'few-files',
	outputOptions(options) {
		if (this.environment?.name !== 'client') return null;
		return {
			...options,
			codeSplitting: {
				groups: [
					{
						name: 'shared',
						minShareCount: 2,
						entriesAware: true,
						entriesAwareMergeThreshold: SMALL_CHUNK
					}
				]
			}
		};
	}
};

export default defineConfig({
	plugins: [tailwindcss(), sveltekit(), fewFiles],
	worker: { format: 'es' },
	build: {
		// A font as a data URL would be refused by the content security policy.
		assetsInlineLimit: (file) => (file.endsWith('.woff2') ? false : undefined)
	},
	test: {
		// Browser tests wait for the page a quarter of their time, so three fill two cores; each file has a server
		// and a browser of its own.
		maxWorkers: 3,
		sequence: { sequencer: LongestFirst },
		projects: [
			{
				extends: true,
				test: {
					name: 'unit',
					environment: 'node',
					// Modules are shared between files: loading them anew takes longer than most tests.
					isolate: false,
					testTimeout: CEILING,
					include: ['src/**/*.test.ts', 'scripts/**/*.test.ts', 'demo/**/*.test.ts'],
					exclude: MOCKED,
					unstubGlobals: true
				}
			},
			{
				extends: true,
				test: {
					name: 'mocked',
					environment: 'node',
					testTimeout: CEILING,
					include: MOCKED
				}
			},
			{
				resolve: { alias: { $core: core, $lib: lib } },
				test: {
					name: 'reference',
					environment: 'node',
					isolate: false,
					testTimeout: CEILING,
					include: ['tests/reference/**/*.test.ts']
				}
			},
			{
				resolve: { alias: { $core: core } },
				test: {
					name: 'browser',
					environment: 'node',
					isolate: false,
					include: ['tests/browser/**/*.test.ts'],
					globalSetup: ['tests/browser/demo-template.ts'],
					testTimeout: CEILING,
					hookTimeout: CEILING
				}
			}
		]
	}
});
