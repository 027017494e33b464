import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';
import { optimizeImports } from 'carbon-preprocess-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
	preprocess: [vitePreprocess(), optimizeImports()],
	compilerOptions: {
		runes: ({ filename }) => (filename.includes('node_modules') ? undefined : true)
	},
	kit: {
		adapter: adapter(),
		alias: { $core: 'src/core' },
		version: { pollInterval: 0 },
		// it is registered when the first page is alive: its files would starve that of the network
		serviceWorker: { register: false },
		// every change from another site's page is refused in hooks.server.ts, forms among them
		csrf: { trustedOrigins: ['*'] },
		csp: {
			mode: 'nonce',
			directives: {
				'default-src': ['self'],
				'script-src': ['self'],
				// elements are placed by style attributes; no script comes that way
				'style-src': ['self', 'unsafe-inline'],
				'img-src': ['self', 'data:', 'blob:'],
				'font-src': ['self', 'data:'],
				// a silent sound, made by the page, while a card is read aloud
				'media-src': ['self', 'blob:'],
				'connect-src': ['self'],
				'worker-src': ['self', 'blob:'],
				'object-src': ['none'],
				'base-uri': ['none'],
				'form-action': ['self'],
				'frame-ancestors': ['none']
			}
		}
	}
};
