import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';
import { noCircles } from './scripts/lint/noCircles.js';
import { rawParts } from './scripts/lint/rawParts.js';
import { roomImports } from './scripts/lint/roomImports.js';

export default ts.config(
	{ ignores: ['node_modules', 'build', '.svelte-kit', 'data', 'test-results', 'playwright-report'] },
	js.configs.recommended,
	...ts.configs.recommended,
	...svelte.configs.recommended,
	prettier,
	...svelte.configs.prettier,
	{
		languageOptions: { globals: { ...globals.browser, ...globals.node } },
		plugins: {
			house: { rules: { 'raw-parts': rawParts, 'room-imports': roomImports, 'no-circles': noCircles } }
		},
		rules: {
			'no-undef': 'off',
			'@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_$', argsIgnorePattern: '^_' }],
			'house/raw-parts': 'error',
			'house/room-imports': 'error',
			'house/no-circles': 'error',
			'svelte/no-navigation-without-resolve': 'off'
		}
	},
	{
		files: ['**/*.svelte', '**/*.svelte.ts'],
		languageOptions: {
			parserOptions: { extraFileExtensions: ['.svelte'], parser: ts.parser, svelteConfig }
		}
	}
);
