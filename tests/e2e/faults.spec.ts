import { spawn } from 'node:child_process';
import path from 'node:path';
import { root } from '../../scripts/setup.mjs';
import { addZone, expect, makeSite, test } from './bench';

test('while another program holds the database an edit is kept in the page, says why, and is saved when it is free', async ({
	page,
	installation
}) => {
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
