import { fileURLToPath } from 'node:url';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';

const app = fileURLToPath(new URL('./tests/support/app.ts', import.meta.url));
const alias = {
	$core: fileURLToPath(new URL('./src/core', import.meta.url)),
	$lib: fileURLToPath(new URL('./src/lib', import.meta.url)),
	'$app/environment': app,
	'$app/navigation': app,
	'$app/state': app,
	'$service-worker': app
};

export default defineConfig({
	test: {
		// by itself it leaves one of two cores idle
		maxWorkers: 2,
		projects: [
			{
				resolve: { alias },
				test: {
					name: 'unit core',
					environment: 'node',
					include: [
						'src/core/**/*.test.ts',
						'tests/{house,words}/*.test.ts',
						'tests/across/{bookedWeeks,habits,leaflets,lives}.test.ts'
					],
					// its functions keep nothing but what they would work out again: one process reads them once for all files
					isolate: false,
					testTimeout: 90_000
				}
			},
			{
				plugins: [svelte()],
				resolve: { alias },
				test: {
					name: 'unit',
					environment: 'node',
					include: ['src/{lib,routes}/**/*.test.ts', 'src/*.test.ts', 'tests/across/outbox.test.ts'],
					testTimeout: 90_000
				}
			},
			{
				resolve: { alias },
				test: {
					name: 'outside',
					environment: 'node',
					include: ['tests/outside/*.test.ts'],
					testTimeout: 300_000
				}
			}
		]
	}
});
