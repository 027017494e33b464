import { spawnSync } from 'node:child_process';
import {
	copyFileSync,
	mkdtempSync,
	openSync,
	readdirSync,
	readFileSync,
	rmSync,
	statSync,
	writeFileSync,
	writeSync,
	closeSync
} from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import { loadDemo, root, startServer } from '../../scripts/setup.mjs';
import { signedIn } from '../support/signedIn';

const PORT = 4775;
const PASSPHRASE = 'seven lamps on a quay';
const sqlite3 = createRequire(import.meta.url)('sqlite3') as {
	Database: new (file: string) => {
		exec(sql: string, done: (error: Error | null) => void): void;
		close(done: () => void): void;
	};
};
const exec = (file: string, sql: string) =>
	new Promise<void>((resolve, reject) => {
		const db = new sqlite3.Database(file);
		db.exec(sql, (error) => db.close(() => (error ? reject(error) : resolve())));
	});
const run = (script: string, env: NodeJS.ProcessEnv, ...args: string[]) => {
	const done = spawnSync(process.execPath, [script, ...args], {
		cwd: root,
		env: { ...process.env, ...env },
		encoding: 'utf8',
		timeout: 90_000
	});
	return { status: done.status, said: done.stdout + done.stderr };
};
const start = (data: string) =>
	run(path.join('build', 'index.js'), {
		HOST: '127.0.0.1',
		PORT: String(PORT + 1),
		NODE_ENV: 'production',
		FOND_QUARTER_DATA: data
	});

test('a database that is damaged inside, or of a later version, stops the start with a sentence and is left untouched', async () => {
	const data = mkdtempSync(path.join(tmpdir(), 'fond-quarter-unusable-'));
	const file = path.join(data, 'fond-quarter.sqlite');
	const server = await startServer({ data, port: PORT, quiet: true });
	await loadDemo(server.url);
	await server.stop();
	const whole = readFileSync(file);

	const torn = openSync(file, 'r+');
	for (let page = 5; page < whole.length / 4096; page += 3)
		writeSync(torn, Buffer.alloc(2000, 0xa5), 0, 2000, page * 4096);
	closeSync(torn);
	const before = readFileSync(file);
	const damaged = start(data);
	expect(damaged.status).toBe(1);
	expect(damaged.said).toContain('is damaged. It was left untouched; put a copy back with npm run restore.');
	expect(damaged.said).not.toMatch(/\n\s+at |SQLITE/);
	expect(readFileSync(file).equals(before)).toBe(true);

	writeFileSync(file, whole);
	await exec(file, "INSERT INTO migrations (name) VALUES ('9999-of-tomorrow')");
	const later = start(data);
	expect(later.status).toBe(1);
	expect(later.said).toContain('was written by a later version of this program. It was left untouched');
	rmSync(data, { recursive: true, force: true });
});

test('only what this program can open is put back, what was there is kept, and nobody comes in by an old copy', async () => {
	const data = mkdtempSync(path.join(tmpdir(), 'fond-quarter-restore-'));
	const elsewhere = mkdtempSync(path.join(tmpdir(), 'fond-quarter-copies-'));
	const own = { FOND_QUARTER_DATA: data };
	const env = { FOND_QUARTER_PASSPHRASE: PASSPHRASE };
	let server = await startServer({ data, port: PORT, quiet: true, env });
	const office = await signedIn(server.url, PASSPHRASE);
	const json = (body: unknown, method = 'POST') => ({
		method,
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify(body)
	});
	const { id } = (await (await office('/api/v1/jobs', json({ name: 'Before', place: '' }))).json()) as {
		id: string;
	};
	const link = (await (await office(`/api/v1/jobs/${id}/links`, json({ days: 9 }))).json()) as {
		path: string;
		id: string;
	};
	const copy = path.join(elsewhere, 'copy.sqlite');
	expect(run('scripts/backup.mjs', own, copy)).toMatchObject({ status: 0 });
	expect(statSync(copy).mode & 0o077).toBe(0);
	expect((await office(`/api/v1/jobs/${id}/links/${link.id}`, { method: 'DELETE' })).status).toBe(204);
	await office('/api/v1/jobs', json({ name: 'After', place: '' }));

	const running = run('scripts/restore.mjs', own, copy);
	expect(running).toMatchObject({ status: 1, said: expect.stringContaining('stop it first') });
	await server.stop();

	const foreign = path.join(elsewhere, 'foreign.sqlite');
	await exec(foreign, 'CREATE TABLE sites (id); CREATE TABLE zones (id); INSERT INTO sites VALUES (1);');
	const later = path.join(elsewhere, 'later.sqlite');
	copyFileSync(copy, later);
	await exec(later, "INSERT INTO migrations (name) VALUES ('9999-of-tomorrow')");
	const acting = path.join(elsewhere, 'acting.sqlite');
	copyFileSync(copy, acting);
	await exec(acting, 'CREATE TRIGGER helpful AFTER UPDATE ON zones BEGIN DELETE FROM zones; END');
	const text = path.join(elsewhere, 'text.sqlite');
	writeFileSync(text, 'no database');
	for (const bad of [foreign, later, acting, text, path.join(elsewhere, 'none.sqlite')]) {
		const refused = run('scripts/restore.mjs', own, bad);
		expect(refused.status, bad).toBe(1);
		expect(refused.said, bad).toContain('Nothing was changed.');
		if (bad === acting)
			expect(refused.said).toContain('it has the trigger "helpful", which is not of this program');
	}

	expect(run('scripts/restore.mjs', own, copy)).toMatchObject({
		status: 0,
		said: expect.stringContaining('was checked, tried and put back')
	});
	const there = readdirSync(data);
	expect(there.some((name) => name.startsWith('fond-quarter.sqlite.before-'))).toBe(true);
	expect(there.some((name) => name.startsWith('restoring-'))).toBe(false);
	for (const name of there) expect(statSync(path.join(data, name)).mode & 0o077, name).toBe(0);

	server = await startServer({ data, port: PORT, quiet: true, env });
	expect((await office('/api/v1/jobs')).status).toBe(401);
	expect((await fetch(server.url + link.path)).status).toBe(404);
	const again = await signedIn(server.url, PASSPHRASE);
	const { jobs } = (await (await again('/api/v1/jobs')).json()) as { jobs: { name: string }[] };
	expect(jobs.map((job) => job.name)).toEqual(['Before']);
	await server.stop();
	for (const folder of [data, elsewhere]) rmSync(folder, { recursive: true, force: true });
});
