import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

/** The command line and the demo's loader, built apart from the application: they start in tens of milliseconds. */
export default defineConfig({
	resolve: { alias: { $core: at('./src/core'), $lib: at('./src/lib') } },
	publicDir: false,
	build: {
		ssr: true,
		target: 'node20',
		outDir: 'build-tools',
		rollupOptions: {
			input: {
				zembo: at('./src/cli/main.ts'),
				'pdf-maker': at('./src/lib/server/report/pdf-maker.ts'),
				backup: at('./src/cli/backup.ts'),
				'load-demo': at('./demo/load.ts'),
				'plant-demo': at('./demo/plant.ts'),
				instruments: at('./instruments/start.ts')
			}
		}
	}
});
