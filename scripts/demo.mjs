/** `npm run demo`: installs what is missing, builds, loads the invented sites and serves them. `--fresh` begins anew. */
import { rmSync } from 'node:fs';
import path from 'node:path';
import { ensureBuild, ensurePackages, loadDemo, root, say, startServer } from './setup.mjs';

ensurePackages();
ensureBuild();
const data = process.env.FOND_QUARTER_DEMO_DATA ?? path.join(root, 'data', 'demo');
if (process.argv.includes('--fresh')) rmSync(data, { recursive: true, force: true });
const server = await startServer({ data });
const { jobs } = await (await fetch(`${server.url}/api/v1/jobs`)).json();
if (jobs.length === 0) say(`loaded ${await loadDemo(server.url)} invented sites`);
say(`The demo is at ${server.url} (data in ${data}); Ctrl C stops it.`);
for (const signal of ['SIGINT', 'SIGTERM'])
	process.on(signal, () => void server.stop().then(() => process.exit(0)));
