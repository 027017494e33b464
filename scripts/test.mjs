/** `npm test`: installs what is missing, then lint, types, unit, outside and browser tests. Stops at the first part that fails. */
import { ensureBuild, ensureChromium, ensurePackages, run, say } from './setup.mjs';

ensurePackages();
const chromium = ensureChromium();
const parts = [
	['lint and format', ['eslint', '.'], ['prettier', '--check', '--log-level', 'warn', '.']],
	[
		'types',
		['svelte-kit', 'sync'],
		['svelte-check', '--fail-on-warnings'],
		['tsc', '-p', 'tests/tsconfig.json']
	],
	['unit tests', ['vitest', 'run', '--project', 'unit']],
	['tests against outside references', ['vitest', 'run', '--project', 'outside']]
];
for (const [name, ...commands] of parts) {
	say(`${name} …`);
	for (const command of commands) run('npx', command);
}
ensureBuild();
say('browser tests on the built server …');
run('npx', ['playwright', 'test'], { env: { ...process.env, CHROMIUM: chromium } });
say('everything passed.');
