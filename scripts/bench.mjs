/** `npm run bench`: every benchmark, or those whose name holds a given word. */
import { readdirSync } from 'node:fs';
import path from 'node:path';
import { ensureChromium, ensurePackages, root, run, say } from './setup.mjs';

ensurePackages();
process.env.CHROMIUM = ensureChromium();
const wanted = process.argv[2] ?? '';
for (const name of readdirSync(path.join(root, 'bench')).filter(
	(file) => file.endsWith('.bench.ts') && file.includes(wanted)
)) {
	say(`bench/${name} …`);
	run('npx', ['tsx', path.join('bench', name), ...process.argv.slice(3)]);
}
