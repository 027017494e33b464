/**
 * What becomes of edits when the data folder fails under the running server: the disk fills up; the folder becomes
 * read-only. Each edit is either acknowledged and kept, or refused with a sentence; the database stays whole; the server
 * does not start on a folder it cannot write to, and says so. Needs Linux with `unshare` (a mount of its own).
 */
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { ensureBuild } from '../scripts/setup.mjs';

if (process.argv[2] !== 'inside') {
	ensureBuild();
	const inside = spawnSync(
		'unshare',
		['-Urm', process.execPath, '--import', 'tsx', fileURLToPath(import.meta.url), 'inside'],
		{ stdio: 'inherit' }
	);
	if (inside.error) {
		console.error('· This machine has no unshare: the faults of the disk were not tried.');
		process.exit(1);
	}
	process.exit(inside.status ?? 1);
}

const { mkdtempSync, writeFileSync, rmSync, statfsSync } = await import('node:fs');
const { createRequire } = await import('node:module');
const path = (await import('node:path')).default;
const { tmpdir } = await import('node:os');
const { loadDemo, startServer, root } = await import('../scripts/setup.mjs');
const sqlite3 = createRequire(import.meta.url)('sqlite3') as {
	Database: new (file: string) => {
		get(sql: string, done: (error: Error | null, row: { integrity_check: string }) => void): void;
		close(done: () => void): void;
	};
};
const shell = (command: string) => {
	const done = spawnSync('sh', ['-c', command], { encoding: 'utf8' });
	if (done.status !== 0) throw new Error(`${command}: ${done.stderr}`);
};
const folder = mkdtempSync(path.join(tmpdir(), 'fond-quarter-faults-'));
shell(`mount -t tmpfs -o size=12m tmpfs ${folder}`);
const data = path.join(folder, 'data');
const intact = () =>
	new Promise<string>((resolve) => {
		const db = new sqlite3.Database(path.join(data, 'fond-quarter.sqlite'));
		db.get('PRAGMA integrity_check', (error, row) =>
			db.close(() => resolve(error ? error.message : row.integrity_check))
		);
	});

let server = await startServer({ data, port: 4793, quiet: true });
await loadDemo(server.url);
const { notedValues } = await import('./notedValues');
const noted = await notedValues(server.url);
let count = 0;
const known: string[] = [];
const sentences = new Set<string>();
let refused = 0;
let bad = 0;

/** Sends edits; each is acknowledged and noted down, or its refusal is. */
async function edits(many: number): Promise<void> {
	for (let i = 0; i < many; i++) {
		const answer = (await noted.send(server.url, 'bench', ++count))!;
		const said = await answer.text();
		if (answer.ok) known.push(`bench/${count}`);
		else {
			refused++;
			const { error } = JSON.parse(said) as { error?: { sentence?: string } };
			if (error?.sentence) sentences.add(error.sentence);
			else bad++;
			if (/\n\s+at |SQLITE|node_modules/.test(said)) bad++;
		}
	}
}
async function lost(): Promise<number> {
	const there = await noted.kept(server.url);
	return known.filter((one) => !there.has(one)).length;
}

await edits(20);
const { bavail, bsize } = statfsSync(folder);
writeFileSync(path.join(folder, 'filler'), Buffer.alloc(bavail * bsize - 60_000));
await edits(200);
const lostFull = await lost();
rmSync(path.join(folder, 'filler'));
await edits(20);
console.log(
	`disk full: ${refused} edits refused (more than 0 wanted), ${known.length} acknowledged, ${lostFull + (await lost())} lost (0 asked for), database ${await intact()}`
);
let failed = refused === 0 || lostFull > 0 || (await intact()) !== 'ok';

refused = 0;
shell(`mount --bind ${data} ${data} && mount -o remount,bind,ro ${data}`);
await edits(20);
const readable = (await fetch(`${server.url}/api/v1/jobs`)).ok;
await server.stop();
const start = spawnSync(process.execPath, [path.join(root, 'build', 'index.js')], {
	env: { ...process.env, HOST: '127.0.0.1', PORT: '4794', NODE_ENV: 'production', FOND_QUARTER_DATA: data },
	encoding: 'utf8',
	timeout: 20_000
});
shell(`umount ${data}`);
console.log(
	`read-only folder: ${refused} of 20 edits refused, still readable: ${readable}; a new start says: ${start.stderr.trim()}`
);
server = await startServer({ data, port: 4793, quiet: true });
const lostAfter = await lost();
console.log(`afterwards: ${lostAfter} lost (0 asked for), database ${await intact()}`);
console.log(`what was said: ${[...sentences].join(' | ')}`);
failed ||= bad > 0 || refused === 0 || lostAfter > 0 || start.status !== 1 || (await intact()) !== 'ok';
await server.stop();
shell(`umount ${folder}`);
rmSync(folder, { recursive: true, force: true });
if (bad > 0) console.error(`· ${bad} refusals without a sentence`);
process.exit(failed ? 1 : 0);
