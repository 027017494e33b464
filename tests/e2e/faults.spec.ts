import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { loadDemo, root, startServer } from '../../scripts/setup.mjs';
import { addZone, expect, makeSite, test } from './bench';

test('while another program holds the database an edit is kept in the page, says why, and is saved when it is free', async ({
	page,
	installation
}) => {
	test.setTimeout(90_000);
	await makeSite(page, 'Ladle Mill');
	await addZone(page, 'Kiln', 'six-step-room-stat');
	const holder = spawn(
		process.execPath,
		[
			'-e',
			`const db = new (require('sqlite3').Database)(process.argv[1]);
			db.run('BEGIN IMMEDIATE', (error) => { if (error) throw error; console.log('held'); setInterval(() => {}, 1000); });`,
			path.join(installation.data, 'fond-quarter.sqlite')
		],
		{ cwd: root, stdio: ['ignore', 'pipe', 'inherit'] }
	);
	await new Promise((resolve) => holder.stdout.once('data', resolve));
	await page.getByRole('button', { name: /^Tuesday:/ }).focus();
	await page.keyboard.press('Insert');
	await expect(page.getByRole('status').first()).toHaveText(/Another program holds the database/, {
		timeout: 20_000
	});
	const ended = new Promise((resolve) => holder.once('exit', resolve));
	holder.kill('SIGKILL');
	await ended;
	await expect(page.getByRole('status').first()).toHaveText(/^Saved /, { timeout: 20_000 });
	const words = await page.getByRole('button', { name: /^Tuesday:/ }).getAttribute('aria-label');
	await page.reload();
	await expect(page.getByRole('button', { name: /^Tuesday:/ })).toHaveAttribute('aria-label', words!);
});

test('a copy is written while the program runs, and put back only when it is whole and the program stopped', async () => {
	test.setTimeout(90_000);
	const data = mkdtempSync(path.join(tmpdir(), 'fond-quarter-restore-'));
	const copy = path.join(data, 'kept.sqlite');
	const script = (name: string, ...args: string[]) =>
		spawnSync(process.execPath, [path.join(root, 'scripts', `${name}.mjs`), ...args], {
			env: { ...process.env, FOND_QUARTER_DATA: data },
			encoding: 'utf8',
			timeout: 60_000
		});
	const names = async (url: string) =>
		((await (await fetch(`${url}/api/v1/jobs`)).json()) as { jobs: { name: string }[] }).jobs
			.map((job) => job.name)
			.sort();

	let server = await startServer({ data, port: 4782, quiet: true });
	await loadDemo(server.url);
	const before = await names(server.url);
	const backup = script('backup', copy);
	expect(backup.status, backup.stderr).toBe(0);
	expect(backup.stdout).toContain(`a copy was written to ${copy}`);
	const { jobs } = (await (await fetch(`${server.url}/api/v1/jobs`)).json()) as { jobs: { id: string }[] };
	await fetch(`${server.url}/api/v1/jobs/${jobs[0]!.id}`, { method: 'DELETE' });
	expect(await names(server.url)).toHaveLength(before.length - 1);

	const running = script('restore', copy);
	expect(running.status).toBe(1);
	expect(running.stderr).toContain('The program is running');
	await server.stop();

	const broken = path.join(data, 'broken.sqlite');
	writeFileSync(broken, 'no database '.repeat(2000));
	const damaged = script('restore', broken);
	expect(damaged.status).toBe(1);
	expect(damaged.stderr).toContain('was not put back');
	expect(damaged.stderr).toContain('Nothing was changed.');

	expect(script('restore', copy).stdout).toContain('was checked and put back');
	expect(readdirSync(data).some((name) => name.startsWith('fond-quarter.sqlite.before-'))).toBe(true);
	expect(existsSync(`${data}/fond-quarter.sqlite-wal`)).toBe(false);
	server = await startServer({ data, port: 4782, quiet: true });
	expect(await names(server.url)).toEqual(before);
	await server.stop();
	rmSync(data, { recursive: true, force: true });
});
