/** `npm run demo`: installs what is missing, builds, loads the invented sites and serves them. `--fresh` begins anew. */
import { existsSync, mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { ensureBuild, ensurePackages, loadDemo, root, say, startOrLeave } from './setup.mjs';

const data = process.env.FOND_QUARTER_DEMO_DATA ?? path.join(root, 'data', 'demo');
/** Stands in every folder that holds a demo: nothing invented is ever written where somebody's own sites are. */
const mark = path.join(data, 'this-is-a-demo.txt');
const isOwn = existsSync(data) && readdirSync(data).length > 0 && !existsSync(mark);
if (isOwn && data !== path.join(root, 'data', 'demo')) {
	console.error(`· Not started. ${data} holds something that is no demo: name an empty folder, or none.`);
	process.exit(1);
}
ensurePackages();
ensureBuild();
if (process.argv.includes('--fresh')) rmSync(data, { recursive: true, force: true });
mkdirSync(data, { recursive: true, mode: 0o700 });
writeFileSync(mark, 'The sites in this folder are invented. It can be deleted.\n');
const server = await startOrLeave({ data });
const { jobs } = await (await fetch(`${server.url}/api/v1/jobs`)).json();
if (jobs.length === 0) say(`loaded ${await loadDemo(server.url)} invented sites`);
say(`The demo is at ${server.url} (data in ${data}); Ctrl C stops it.`);
for (const signal of ['SIGINT', 'SIGTERM'])
	process.on(signal, () => void server.stop().then(() => process.exit(0)));
