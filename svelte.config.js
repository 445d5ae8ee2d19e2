import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
const config = {
	preprocess: vitePreprocess(),
	kit: {
		adapter: adapter({ precompress: true }),
		// A page's own few rules come with it: a page waits for one file of styles, not for six.
		inlineStyleThreshold: 8192,
		alias: {
			$core: 'src/core',
			// The package's main entry pulls the adapters of every validator; this is the one in use.
			'$superforms-zod4': 'node_modules/sveltekit-superforms/dist/adapters/zod4.js'
		},
		csp: {
			mode: 'auto',
			directives: {
				'default-src': ['self'],
				'script-src': ['self'],
				// Svelte sets style attributes where a drawing's geometry is computed.
				'style-src': ['self'],
				'style-src-attr': ['unsafe-inline'],
				'img-src': ['self', 'data:', 'blob:'],
				'font-src': ['self'],
				'connect-src': ['self'],
				'worker-src': ['self'],
				'object-src': ['none'],
				'base-uri': ['none'],
				'form-action': ['self'],
				'frame-ancestors': ['none']
			}
		}
	}
};

export default config;
