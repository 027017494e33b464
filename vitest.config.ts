import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const alias = {
	$core: fileURLToPath(new URL('./src/core', import.meta.url)),
	$lib: fileURLToPath(new URL('./src/lib', import.meta.url))
};

export default defineConfig({
	test: {
		projects: [
			{
				resolve: { alias },
				test: {
					name: 'unit',
					environment: 'node',
					include: ['src/**/*.test.ts', 'tests/house/*.test.ts'],
					testTimeout: 30_000
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
