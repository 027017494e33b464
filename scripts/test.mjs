/** `npm test`: installs what is missing, then lint, types, unit, outside and browser tests. Stops at the first part that fails. */
import { ensureBuild, ensureChromium, ensurePackages, run, say, sideBySide } from './setup.mjs';

ensurePackages();
const chromium = ensureChromium();
say('lint, format and types side by side, about two minutes …');
run('npx', ['svelte-kit', 'sync']);
await sideBySide([
	['npx', 'eslint', '.'],
	['npx', 'svelte-check', '--fail-on-warnings'],
	['npx', 'prettier', '--check', '--log-level', 'warn', '.'],
	['npx', 'tsc', '-p', 'tests/tsconfig.json']
]);
say('unit tests, about four minutes …');
run('npx', ['vitest', 'run', '--project', 'unit*']);
say('tests against outside references …');
run('npx', ['vitest', 'run', '--project', 'outside']);
ensureBuild();
say('browser tests on the built server, about a quarter of an hour …');
run('npx', ['playwright', 'test'], { env: { ...process.env, CHROMIUM: chromium } });
say('everything passed.');
