import { sveltekit } from '@sveltejs/kit/vite';
import { optimizeCss } from 'carbon-preprocess-svelte';
import { defineConfig, type Plugin } from 'vite';
import { dropUnusedCarbon } from './scripts/carbonCss';

/**
 * Carbon's stylesheet names fonts on a remote host. Nothing may be asked of another origin, and the
 * fonts ship with the application, so those rules go.
 */
function stripRemoteFonts(): Plugin {
	return {
		name: 'strip-remote-fonts',
		enforce: 'pre',
		transform(code, id) {
			if (!id.includes('carbon-components-svelte') || !id.includes('.css')) return;
			return { code: code.replace(/@font-face\s*\{[^}]*\}/g, ''), map: null };
		}
	};
}

export default defineConfig({
	plugins: [stripRemoteFonts(), sveltekit(), optimizeCss(), dropUnusedCarbon()],
	worker: { format: 'es' },
	build: {
		target: 'es2022',
		rollupOptions: {
			output: {
				// on a phone's network every file costs a way there and back: what is small travels with what needs it
				experimentalMinChunkSize: 40_000
			}
		}
	}
});
