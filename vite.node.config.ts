import { readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

/** The command line and the demo's loader, built apart from the application: they start in tens of milliseconds. */
const TOOLS = {
	zembo: at('./src/cli/main.ts'),
	'pdf-maker': at('./src/lib/server/report/pdf-maker.ts'),
	backup: at('./src/cli/backup.ts'),
	'load-demo': at('./demo/load.ts'),
	'plant-demo': at('./demo/plant.ts'),
	instruments: at('./instruments/start.ts')
};

/** The benchmarks as plain Node.js scripts, so that they measure the core and not a test runner; and the fuzzers. */
function benchmarks() {
	const names = readdirSync(at('./benchmarks'))
		.filter((name) => name.endsWith('.bench.ts'))
		.concat('load.ts');
	return {
		...Object.fromEntries(
			names.map((name) => [name.replace(/\.ts$/, ''), at(`./benchmarks/${name}`)])
		),
		fuzz: at('./tests/fuzz/start.ts'),
		kills: at('./tests/fuzz/kills.ts')
	};
}

/** What Node.js runs without the application: `--mode tools`, or `--mode benchmarks`. */
export default defineConfig(({ mode }) => {
	if (mode !== 'tools' && mode !== 'benchmarks')
		throw new Error(`Build with --mode tools or --mode benchmarks, not ${mode}.`);
	return {
		resolve: { alias: { $core: at('./src/core'), $lib: at('./src/lib') } },
		publicDir: false,
		build: {
			ssr: true,
			target: 'node20',
			outDir: mode === 'tools' ? 'build-tools' : 'build-bench',
			emptyOutDir: true,
			rollupOptions: { input: mode === 'tools' ? TOOLS : benchmarks() }
		}
	};
});
