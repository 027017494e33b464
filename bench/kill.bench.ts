/**
 * The server is killed (SIGKILL) at random moments while edits stream in, 100 times (ROUNDS): every edit that was
 * acknowledged must be there afterwards, and the database must pass its integrity check each time.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensureBuild, loadDemo, startServer } from '../scripts/setup.mjs';

const ROUNDS = Number(process.env.ROUNDS ?? 100);
const sqlite3 = createRequire(import.meta.url)('sqlite3') as {
	Database: new (file: string) => {
		get(sql: string, done: (error: Error | null, row: { integrity_check: string }) => void): void;
		close(done: () => void): void;
	};
};
ensureBuild();
const folder = mkdtempSync(path.join(tmpdir(), 'fond-quarter-kill-'));
let server = await startServer({ data: folder, port: 4792, quiet: true });
await loadDemo(server.url);
const { jobs } = (await (await fetch(`${server.url}/api/v1/jobs`)).json()) as { jobs: { id: string }[] };
const site = jobs[0]!.id;
const board = await (await fetch(`${server.url}/sites/${site}`)).text();
const zone = /\/zones\/([0-9a-f-]{36})\/week/.exec(board)![1]!;
const keyed = `/api/v1/jobs/${site}/zones/${zone}/keyed`;

const intact = () =>
	new Promise<string>((resolve) => {
		const db = new sqlite3.Database(path.join(folder, 'fond-quarter.sqlite'));
		db.get('PRAGMA integrity_check', (error, row) =>
			db.close(() => resolve(error ? error.message : row.integrity_check))
		);
	});

let acknowledged = 0;
let lost = 0;
let damaged = 0;
for (let round = 0; round < ROUNDS; round++) {
	const known = new Map<string, string>();
	let going = true;
	const stream = async (lane: number) => {
		for (let i = 0; going; i++) {
			const [key, value] = [`kill/${round}/${lane}/${i}`, String(i)];
			const answer = await fetch(server.url + keyed, {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify({ changes: { [key]: value } })
			}).catch(() => null);
			if (answer?.ok) known.set(key, value);
		}
	};
	const lanes = [stream(0), stream(1), stream(2)];
	await new Promise((resolve) => setTimeout(resolve, 60 + Math.random() * 240));
	const ended = new Promise((resolve) => server.process.once('exit', resolve));
	server.process.kill('SIGKILL');
	going = false;
	await Promise.all([ended, ...lanes]);
	if ((await intact()) !== 'ok') damaged++;
	server = await startServer({ data: folder, port: 4792, quiet: true });
	const job = (await (await fetch(`${server.url}/api/v1/jobs/${site}`)).json()) as {
		zones: { keyed: Record<string, string> }[];
	};
	const there = Object.assign({}, ...job.zones.map((one) => one.keyed)) as Record<string, string>;
	acknowledged += known.size;
	for (const [key, value] of known) if (there[key] !== value) lost++;
	// keep the record small
	await fetch(server.url + keyed, {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify({
			changes: Object.fromEntries(
				Object.keys(there)
					.filter((key) => key.startsWith('kill/'))
					.map((key) => [key, null])
			)
		})
	});
}
console.log(
	`killed ${ROUNDS} times: ${acknowledged} edits acknowledged, ${lost} lost (0 asked for), ${damaged} databases damaged (0 asked for)`
);
await server.stop();
rmSync(folder, { recursive: true, force: true });
if (lost + damaged > 0) process.exit(1);
