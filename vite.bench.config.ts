import { readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));
const benches = readdirSync(at('./benchmarks'))
	.filter((name) => name.endsWith('.bench.ts'))
	.concat('load.ts');

/** The benchmarks as plain Node.js scripts, so that they measure the core and not a test runner. */
export default defineConfig({
	resolve: { alias: { $core: at('./src/core'), $lib: at('./src/lib') } },
	publicDir: false,
	build: {
		ssr: true,
		target: 'node20',
		outDir: 'build-bench',
		emptyOutDir: true,
		rollupOptions: {
			input: {
				...Object.fromEntries(
					benches.map((name) => [name.replace(/\.ts$/, ''), at(`./benchmarks/${name}`)])
				),
				fuzz: at('./tests/fuzz/start.ts'),
				kills: at('./tests/fuzz/kills.ts')
			}
		}
	}
});
