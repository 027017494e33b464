/**
 * The server is killed (SIGKILL) at random moments while edits stream in, 100 times (ROUNDS): every edit that was
 * acknowledged must be there afterwards, and the database must pass its integrity check each time.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensureBuild, loadDemo, startServer } from '../scripts/setup.mjs';
import { notedValues } from './notedValues';

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
const values = await notedValues(server.url);

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
	const known: string[] = [];
	// its threads are begun with the first
	await values.send(server.url, `first/${round}`, 0);
	let going = true;
	const stream = async (lane: number) => {
		const from = `${round}/${lane}`;
		// of a control at least 750 are kept one by one: fewer a round than that
		for (let i = 0; going && i < 240; i++) {
			const answer = await values.send(server.url, from, i);
			if (answer?.ok) known.push(`${from}/${i}`);
			else going = false;
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
	const there = await values.kept(server.url);
	acknowledged += known.length;
	lost += known.filter((one) => !there.has(one)).length;
}
console.log(
	`killed ${ROUNDS} times: ${acknowledged} edits acknowledged, ${lost} lost (0 asked for), ${damaged} databases damaged (0 asked for)`
);
await server.stop();
rmSync(folder, { recursive: true, force: true });
if (lost + damaged > 0) process.exit(1);
