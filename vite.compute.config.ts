import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const from = (place: string) => fileURLToPath(new URL(place, import.meta.url));

/** What the server's threads run, as one file beside the built server; packages are found where it runs. */
export default defineConfig({
	resolve: { alias: { $core: from('./src/core'), $lib: from('./src/lib') } },
	publicDir: false,
	build: {
		ssr: from('./src/lib/server/compute/worker.ts'),
		outDir: 'build/compute',
		emptyOutDir: true,
		target: 'node20',
		rollupOptions: { output: { entryFileNames: 'worker.js', format: 'es' } }
	}
});
