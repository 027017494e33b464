/** `npm start`: serves an installer's own sites from FOND_QUARTER_DATA (./data/own when unset). */
import path from 'node:path';
import { ensureBuild, ensurePackages, root, say, startOrLeave } from './setup.mjs';

ensurePackages();
ensureBuild();
const data = process.env.FOND_QUARTER_DATA ?? path.join(root, 'data', 'own');
const server = await startOrLeave({ data });
say(`Fond Quarter is at ${server.url} (data in ${data}); Ctrl C stops it.`);
for (const signal of ['SIGINT', 'SIGTERM'])
	process.on(signal, () => void server.stop().then(() => process.exit(0)));
