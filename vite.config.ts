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

/** Parts of the core that only some pages need, by the name of the file they travel in: no page that merely draws a week waits for them. */
const APART: Readonly<Record<string, RegExp>> = {
	keyed:
		/\/core\/(keying\/(awayKeys|card|cardRoutes|cardWays|gestures|held|readBack|runs|zoneCard)|machine\/(display|machine|ways)|rehearsal\/(absenceKeyed|byHand|face|rehearsed|tasks|world))\.ts$/,
	called: /\/core\/(callback\/[\w/]+|words\/callback)\.ts$/
};

export default defineConfig(({ isSsrBuild }) => ({
	plugins: [stripRemoteFonts(), sveltekit(), optimizeCss(), dropUnusedCarbon()],
	worker: { format: 'es' },
	build: {
		target: 'es2022',
		rollupOptions: {
			output: isSsrBuild
				? {}
				: {
						// on a phone's network every file costs a way there and back: what is small travels with what needs it
						experimentalMinChunkSize: 60_000,
						manualChunks: (id) => Object.keys(APART).find((name) => APART[name]!.test(id)),
						onlyExplicitManualChunks: true
					}
		}
	}
}));
