import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { spawnSync } from 'node:child_process';
import { freePort, loadDemo, root, startServer } from '../../scripts/setup.mjs';
import { signedIn } from '../support/signedIn';
import { alive, expect, menuAct, open, test } from './bench';

const OFFICE = 'seven lamps on a quay';
const READER = 'only looking, thank you';

test('the program that others can reach: not without a passphrase; every door shut; roles; a customer’s link that shows one thing and can be ended', async ({
	browser
}) => {
	// a window of its own: the server here is not the one that the other tests talk to
	const page = await browser.newPage();
	const data = mkdtempSync(path.join(tmpdir(), 'fond-quarter-safe-'));
	// without a passphrase it does not start where others could reach it
	const refused = spawnSync(process.execPath, [path.join(root, 'build', 'index.js')], {
		env: { ...process.env, HOST: '0.0.0.0', PORT: '4780', NODE_ENV: 'production', FOND_QUARTER_DATA: data },
		encoding: 'utf8',
		timeout: 20_000
	});
	expect(refused.status).toBe(1);
	expect(refused.stderr).toContain('set FOND_QUARTER_PASSPHRASE to a passphrase');

	const first = await startServer({ data, port: 4780, quiet: true });
	await loadDemo(first.url);
	const { jobs } = (await (await fetch(`${first.url}/api/v1/jobs`)).json()) as {
		jobs: { id: string; name: string }[];
	};
	const site = jobs.find((job) => job.name.startsWith('Osier'))!.id;
	const other = jobs.find((job) => job.name.startsWith('Kelter'))!;
	// every route that there is, as the program itself describes it, and every page by its folder
	const { paths } = (await (await fetch(`${first.url}/api/openapi.json`)).json()) as {
		paths: Record<string, Record<string, unknown>>;
	};
	const filled = (route: string) => route.replace('{siteId}', site).replace(/\{\w+\}/g, 'any');
	const operations = Object.entries(paths).flatMap(([route, methods]) =>
		Object.keys(methods).map((method) => [method.toUpperCase(), filled(route)] as const)
	);
	const pages = readdirSync(path.join(root, 'src', 'routes'), { recursive: true, encoding: 'utf8' })
		.filter((file) => file.endsWith('+page.svelte'))
		.map((file) =>
			`/${path.dirname(file)}`
				.replace(/^\/\.$/, '/')
				.replace('[siteId]', site)
				.replace(/\[\w+\]/g, 'any')
		)
		.filter((page) => !/^\/(c\/|sign-in)/.test(page));
	expect(operations.length).toBeGreaterThan(45);
	expect(pages.length).toBeGreaterThan(15);
	await first.stop();

	process.env.FOND_QUARTER_PASSPHRASE = OFFICE;
	process.env.FOND_QUARTER_PASSPHRASE_READER = READER;
	const server = await startServer({ data, port: 4780, quiet: true });
	delete process.env.FOND_QUARTER_PASSPHRASE;
	delete process.env.FOND_QUARTER_PASSPHRASE_READER;
	try {
		// without a session: every door is shut but that of a customer with a link, and without one it leads nowhere
		const report = '/api/v1/reports/any';
		for (const [method, route] of operations.filter(([, at]) => at !== report))
			expect((await fetch(server.url + route, { method })).status, `${method} ${route}`).toBe(401);
		const word = await fetch(server.url + report, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify({ room: null, caller: 'Somebody', facts: [] })
		});
		expect([word.status, await word.text()]).toEqual([404, expect.stringContaining('Link expired.')]);
		for (const page of pages)
			for (const route of [page, `${page === '/' ? '' : page}/__data.json`]) {
				const answer = await fetch(server.url + route, { redirect: 'manual' });
				const body = await answer.text();
				expect(answer.status === 303 || body.includes('sign-in'), route).toBe(true);
				expect(body).not.toContain('Osier');
			}
		// another site's page, and far too much, are refused
		expect(
			(
				await fetch(`${server.url}/sign-in?/in`, {
					method: 'POST',
					headers: { origin: 'http://evil.example' },
					body: new URLSearchParams({ passphrase: OFFICE })
				})
			).status
		).toBe(403);

		const head = await fetch(`${server.url}/sign-in`);
		const policy = head.headers.get('content-security-policy')!;
		expect(policy).toContain("default-src 'self'");
		expect(policy).toMatch(/script-src 'self' 'nonce-/);
		expect(policy).not.toMatch(/script-src[^;]*unsafe/);
		expect(head.headers.get('x-content-type-options')).toBe('nosniff');

		// a person: a wrong passphrase, then the right one
		let release = () => {};
		const slow = new Promise<void>((resolve) => (release = resolve));
		await page.route('**/_app/**/*.js', async (route) => {
			await slow;
			await route.continue();
		});
		await page.goto(`${server.url}/due`, { waitUntil: 'commit' });
		await expect(page.getByRole('heading', { name: 'Sign in to Fond Quarter' })).toBeVisible();
		const passphrase = page.getByLabel('Passphrase', { exact: true });
		await passphrase.fill('open sesame, please');
		release();
		await alive(page);
		await page.unrouteAll({ behavior: 'wait' });
		// typed before the page was alive, it stands there still
		await expect(passphrase).toHaveValue('open sesame, please');
		await page.getByRole('button', { name: 'Sign in' }).click();
		await expect(page.getByRole('alert')).toHaveText('Wrong passphrase.');
		await page.getByLabel('Passphrase', { exact: true }).fill(OFFICE);
		await page.getByRole('button', { name: 'Sign in' }).click();
		await expect(page.getByRole('heading', { name: 'Visits due' })).toBeVisible();
		// with one: a wrong method, and ten megabytes, at every route that could be asked so
		const wrong = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;
		for (const route of new Set(operations.map(([, route]) => route)))
			for (const method of wrong.filter(
				(one) => !operations.some(([has, at]) => at === route && has === one)
			))
				expect(
					(await page.request.fetch(server.url + route, { method })).status(),
					`${method} ${route}`
				).toBe(405);
		const ten = Buffer.alloc(10_000_000, 0x20);
		for (const [method, route] of operations.filter(([method]) =>
			['POST', 'PUT', 'PATCH'].includes(method)
		)) {
			const answer = await page.request.fetch(server.url + route, {
				method,
				headers: { 'content-type': 'application/json' },
				data: ten
			});
			expect(answer.status(), `${method} ${route}`).toBe(413);
		}
		// a link for the customer
		const made = (await (
			await page.request.post(`${server.url}/api/v1/jobs/${site}/links`, { data: { days: 30 } })
		).json()) as { path: string; id: string };
		const link = await (await fetch(server.url + made.path)).text();
		expect(link).toContain('Your heating week');
		expect(link).not.toContain(other.name);
		expect(link).not.toContain('Ctrl K');
		const other64 = made.path.endsWith('_') ? '-' : '_';
		expect((await fetch(`${server.url}${made.path.slice(0, -1)}${other64}`)).status).toBe(404);
		expect((await fetch(`${server.url}${made.path}`, { method: 'DELETE' })).status).toBeGreaterThanOrEqual(
			400
		);
		expect(
			(await page.request.delete(`${server.url}/api/v1/jobs/${other.id}/links/${made.id}`)).status()
		).toBe(404);
		expect((await page.request.delete(`${server.url}/api/v1/jobs/${site}/links/${made.id}`)).status()).toBe(
			204
		);
		expect((await fetch(server.url + made.path)).status).toBe(404);

		// the copy is a whole database
		const copy = await (await page.request.post(`${server.url}/api/v1/backup`)).body();
		expect(copy.subarray(0, 15).toString()).toBe('SQLite format 3');

		// signed out, and in again to read only
		await page.goto(`${server.url}/sign-in`);
		await page.getByRole('button', { name: 'Sign out' }).click();
		await page.getByLabel('Passphrase', { exact: true }).fill(READER);
		await page.getByRole('button', { name: 'Sign in' }).click();
		await expect(page.getByRole('link', { name: /Osier/ })).toBeVisible();
		expect((await page.request.delete(`${server.url}/api/v1/jobs/${site}`)).status()).toBe(403);
		expect((await page.request.post(`${server.url}/api/v1/backup`)).status()).toBe(403);
		// and nobody tries for long
		const trial = () =>
			fetch(`${server.url}/sign-in?/in`, {
				method: 'POST',
				headers: { origin: server.url, accept: 'application/json', 'x-sveltekit-action': 'true' },
				body: new URLSearchParams({ passphrase: 'one more guess' })
			}).then((answer) => answer.text());
		let last = '';
		for (let i = 0; i < 8; i++) last = await trial();
		expect(last).toContain('Too many wrong tries');
	} finally {
		await page.close();
		await server.stop();
		rmSync(data, { recursive: true, force: true });
	}
});

test('a damaged database stops the start with a sentence and is left untouched', async () => {
	const { writeFileSync, readFileSync } = await import('node:fs');
	const data = mkdtempSync(path.join(tmpdir(), 'fond-quarter-damaged-'));
	writeFileSync(path.join(data, 'fond-quarter.sqlite'), 'this is no database at all'.repeat(400));
	const before = readFileSync(path.join(data, 'fond-quarter.sqlite'));
	const started = spawnSync(process.execPath, [path.join(root, 'build', 'index.js')], {
		env: { ...process.env, HOST: '127.0.0.1', PORT: '4781', NODE_ENV: 'production', FOND_QUARTER_DATA: data },
		encoding: 'utf8',
		timeout: 20_000
	});
	expect(started.status).toBe(1);
	expect(started.stderr).toContain('is damaged. It was left untouched');
	expect(started.stderr).not.toMatch(/\n\s+at /);
	expect(readFileSync(path.join(data, 'fond-quarter.sqlite')).equals(before)).toBe(true);
	rmSync(data, { recursive: true, force: true });
});

test('the link is made on the page, and the firm stands on what is handed over', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/firm');
	await page.getByLabel('Firm', { exact: true }).fill('Tilling & Daughter');
	await page.getByLabel('Telephone').fill('01 555 0100');
	await page.getByRole('button', { name: 'Save', exact: true }).click();
	await expect(page.getByText('Saved. It is on every page that customers keep.')).toBeVisible();
	await open(page, '/');
	await page.getByRole('link', { name: /Osier Lane/ }).click();
	const href = (await page.locator('tbody th a').first().getAttribute('href'))!.replace(/week$/, 'hand-over');
	await open(page, href);
	await expect(page.getByText('Tilling & Daughter. Telephone: 01 555 0100')).toBeVisible();
	await page.getByText('A link for the customer').click();
	await page.getByRole('button', { name: 'Make a link' }).click();
	const link = await page.getByLabel('The link').inputValue();
	await page.goto(link);
	await expect(page.getByRole('heading', { name: /^Your heating week: / }).first()).toBeVisible();
	await page.getByRole('link', { name: 'Large print' }).click();
	await expect(page.getByRole('link', { name: 'Normal print' })).toBeVisible();
	await page.goBack();
	await page.goto(href);
	await page.getByText('A link for the customer').click();
	await page.getByRole('button', { name: 'End it now' }).click();
	await expect(page.getByText('ended by hand')).toBeVisible();
	await page.goto(link);
	await expect(page.getByText('Link expired.')).toBeVisible();
});

test('who signs out takes all pages along; what was not sent stays unless it is to be lost; a phone whose session ended says so at once', async ({
	browser
}) => {
	const data = mkdtempSync(path.join(tmpdir(), 'fond-quarter-out-'));
	const port = await freePort();
	const first = await startServer({ data, port, quiet: true });
	await loadDemo(first.url);
	await first.stop();
	const env = { FOND_QUARTER_PASSPHRASE: OFFICE };
	const server = await startServer({ data, port, quiet: true, env });
	const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
	const office = await signedIn(server.url, OFFICE);
	const { jobs } = (await (await office('/api/v1/jobs')).json()) as { jobs: { id: string; name: string }[] };
	const visit = `/sites/${jobs.find((job) => job.name.startsWith('Osier'))!.id}/visit`;
	const signIn = async () => {
		await page.getByLabel('Passphrase', { exact: true }).fill(OFFICE);
		await page.getByRole('button', { name: 'Sign in' }).click();
	};
	/** What this browser keeps: pages, notes that wait, anything else of a house. */
	const kept = () =>
		page.evaluate(async () => {
			const names = Object.keys(localStorage);
			const waits = names.filter((name) => name.startsWith('fond-quarter/outbox/')).length;
			const heard = names.filter((name) => /\/(heard|visit-at|hand|call|who)/.test(name)).length;
			return { pages: (await (await caches.open('pages')).keys()).length, waits, heard };
		});
	const found = async (words: string) => {
		await page.getByLabel('What it showed, what was said').fill(words);
		await page.getByLabel('What it showed, what was said').press('Tab');
	};
	try {
		await page.goto(`${server.url}/sign-in?to=${encodeURIComponent(visit)}`);
		await signIn();
		await page.getByRole('button', { name: 'Begin a visit' }).click();
		await expect(page.getByText('This visit works without a connection')).toBeVisible({ timeout: 60_000 });
		await expect.poll(async () => (await kept()).pages).toBeGreaterThan(5);

		// somebody at a desk signs everybody out, and a picture is on its way
		expect((await office('/api/v1/sessions', { method: 'DELETE' })).status).toBe(204);
		await page.getByLabel('Pictures to keep').setInputFiles({
			name: 'found.jpg',
			mimeType: 'image/jpeg',
			buffer: Buffer.concat([Buffer.from([0xff, 0xd8, 0xff]), Buffer.alloc(1_500_000, 7)])
		});
		await expect(page.getByRole('link', { name: 'Sign in and send it' })).toBeVisible({ timeout: 8000 });
		await page.getByRole('link', { name: 'Sign in and send it' }).click();
		await expect(page.getByRole('heading', { name: 'Sign in to Fond Quarter' })).toBeVisible();
		await expect.poll(kept).toMatchObject({ pages: 0, waits: 1 });
		await signIn();
		// what reads pictures is loaded when the first one comes
		await expect(page.getByText('This is no picture that can be read')).toBeVisible({ timeout: 30_000 });

		// what cannot be sent is kept
		await page.route('**/on-site', (route) => route.abort());
		await found('Lamp green');
		await expect.poll(async () => (await kept()).waits).toBeGreaterThan(0);
		await menuAct(page, 'Sign out');
		const { waits } = await kept();
		await expect(page.getByText(/made here could not be sent/)).toBeVisible({ timeout: 20_000 });
		await page.getByRole('button', { name: /^Sign out, keep/ }).click();
		await expect(page.getByRole('heading', { name: 'Sign in to Fond Quarter' })).toBeVisible();
		await expect.poll(kept).toEqual({ pages: 0, waits, heard: 0 });

		// and lost only by the key that says so
		await page.goto(`${server.url}/sign-in`);
		await signIn();
		await page.goto(`${server.url}/sign-in`);
		await page.getByRole('button', { name: /^Sign out and lose/ }).click();
		await expect(page.getByRole('heading', { name: 'Sign in to Fond Quarter' })).toBeVisible();
		await expect.poll(kept).toEqual({ pages: 0, waits: 0, heard: 0 });
	} finally {
		await page.close();
		await server.stop();
		rmSync(data, { recursive: true, force: true });
	}
});
