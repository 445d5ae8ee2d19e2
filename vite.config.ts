import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const core = fileURLToPath(new URL('./src/core', import.meta.url));

export default defineConfig({
	plugins: [tailwindcss(), sveltekit()],
	worker: { format: 'es' },
	build: {
		// A font as a data URL would be refused by the content security policy.
		assetsInlineLimit: (file) => (file.endsWith('.woff2') ? false : undefined)
	},
	test: {
		projects: [
			{
				extends: true,
				test: {
					name: 'unit',
					environment: 'node',
					include: ['src/**/*.test.ts', 'scripts/**/*.test.ts', 'demo/**/*.test.ts']
				}
			},
			{
				resolve: { alias: { $core: core } },
				test: { name: 'reference', environment: 'node', include: ['tests/reference/**/*.test.ts'] }
			},
			{
				resolve: { alias: { $core: core } },
				test: {
					name: 'browser',
					environment: 'node',
					include: ['tests/browser/**/*.test.ts'],
					fileParallelism: false,
					testTimeout: 120_000,
					hookTimeout: 120_000
				}
			}
		]
	}
});
