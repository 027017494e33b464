import { readFileSync } from 'node:fs';
import { alive, expect, menuAct, onOverview, open, test } from './bench';

test('bad job files get a sentence and leave nothing behind', async ({ page }) => {
	await open(page, '/');
	const demo = JSON.parse(readFileSync('demo/marrow-house.job.json', 'utf8'));
	const give = async (name: string, text: string | Buffer) =>
		page
			.getByLabel('Job file to import')
			.setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
	const cases: [string, string | Buffer, RegExp][] = [
		['notes.json', 'not json at all', /notes\.json: The file is not JSON.*line 1, column 1/],
		['old.json', JSON.stringify({ ...demo, version: 4 }), /has version 4; this program reads version 1/],
		[
			'field.json',
			JSON.stringify({ ...demo, zones: [{ ...demo.zones[0], weights: { cold: 'a lot', warm: 1 } }] }),
			/Zone 1, weights, cold must be a (whole )?number/
		],
		[
			'many.json',
			JSON.stringify({ ...demo, zones: Array.from({ length: 2000 }, () => demo.zones[0]) }),
			/Zones must be at most 200 entries|too large/
		],
		[
			'name.json',
			JSON.stringify({ ...demo, site: { ...demo.site, name: 'n'.repeat(500) } }),
			/Site, name is longer than 80 characters/
		],
		['huge.json', Buffer.alloc(49_000_000, 32), /huge\.json is too large: 49\.0 MB/]
	];
	for (const [name, text, words] of cases) {
		await give(name, text);
		const notice = page.getByRole('alert').filter({ hasText: words });
		await expect(notice).toBeVisible();
		await expect(notice).toContainText('Nothing was imported');
		await notice.getByRole('button').click();
	}
	await expect(page.getByText('Nothing yet: begin with the first site.')).toBeVisible();

	await give(
		'markup.json',
		JSON.stringify({ ...demo, site: { ...demo.site, name: '<img src=x onerror=alert(1)>' } })
	);
	await onOverview(page, '<img src=x onerror=alert(1)>');
});

test('sites are duplicated, deleted and put back', async ({ page, installation }) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('button', { name: 'More for Marrow House' }).click();
	await page.getByRole('menuitem', { name: 'Duplicate' }).click();
	await expect(page.getByRole('link', { name: /Marrow House \(copy\)/ })).toBeVisible();
	await page.getByRole('button', { name: 'More for Marrow House (copy)' }).click();
	await page.getByRole('menuitem', { name: 'Delete' }).click();
	await expect(page.getByRole('link', { name: /Marrow House \(copy\)/ })).toBeHidden();
	await page.reload();
	await page.getByRole('button', { name: 'Put Marrow House (copy) back' }).click();
	await expect(page.getByRole('link', { name: /Marrow House \(copy\)/ })).toBeVisible();
});

test('zones are renamed, copied, moved, removed and put back', async ({ page, installation }) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Osier Lane/ }).click();
	const names = () => page.locator('tbody th .name').allInnerTexts();
	await expect.poll(names).toEqual(['Reading room', 'Back kitchen rail']);
	await alive(page);

	await page.getByRole('button', { name: 'More for Reading room' }).click();
	await page.getByRole('menuitem', { name: 'Rename' }).click();
	await page.getByLabel('New name of Reading room').fill('Long room');
	await page.keyboard.press('Enter');
	await expect.poll(names).toEqual(['Long room', 'Back kitchen rail']);

	await page.getByRole('button', { name: 'More for Long room' }).click();
	await page.getByRole('menuitem', { name: 'Copy' }).click();
	await expect.poll(names).toEqual(['Long room', 'Long room (copy)', 'Back kitchen rail']);
	await page.locator('tbody th a').nth(1).focus();
	await page.keyboard.press('Alt+ArrowUp');
	await expect.poll(names).toEqual(['Long room (copy)', 'Long room', 'Back kitchen rail']);

	await page.getByRole('button', { name: 'More for Long room (copy)' }).click();
	await page.getByRole('menuitem', { name: 'Remove' }).click();
	await expect.poll(names).toEqual(['Long room', 'Back kitchen rail']);
	await page.getByRole('button', { name: 'Put Long room (copy) back' }).click();
	await expect.poll(names).toEqual(['Long room (copy)', 'Long room', 'Back kitchen rail']);
});

test('any place is a few keys away, and the theme stays chosen', async ({ page, installation }) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.keyboard.press('Control+k');
	await page.getByRole('combobox', { name: 'A site, a zone, a view, or something to do' }).fill('osier');
	await page.keyboard.press('Enter');
	await onOverview(page, 'Osier Lane Reading Room');
	await page.keyboard.press('?');
	await expect(page.getByRole('dialog', { name: 'Help' })).toBeVisible();
	await page.keyboard.press('Escape');
	await menuAct(page, 'Theme: as the system');
	await menuAct(page, 'Theme: light');
	await page.reload();
	await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
});

test('an address that leads nowhere says so', async ({ page }) => {
	await page.goto('/sites/none');
	await expect(page.getByRole('heading', { name: 'There is no such site.' })).toBeVisible();
	await page.goto('/no/such/page');
	await expect(page.getByRole('heading', { name: 'There is nothing at this address.' })).toBeVisible();
});

test('many sites: what presses comes first, one is found by name or place, all are shown when asked for', async ({
	page
}) => {
	for (let i = 1; i <= 65; i++)
		await page.request.post('/api/v1/jobs', {
			data: { name: `Site ${i}`, place: i % 2 ? 'Combe Aldern' : 'Brinmoor', timeZone: 'Europe/London' }
		});
	await open(page, '/');
	const sites = page.locator('main ul > li').filter({ has: page.getByRole('button', { name: /^More for/ }) });
	await expect(page.getByText('65 sites', { exact: true })).toBeVisible();
	await expect(sites).toHaveCount(60);
	await page.getByRole('link', { name: 'Show all 65 sites' }).click();
	await expect(sites).toHaveCount(65);
	await page.getByRole('searchbox', { name: 'Find a site by name or place' }).fill('combe 6');
	await expect(page.getByText('3 of 65 sites')).toBeVisible();
	await expect(sites).toHaveText([/Site 65/, /Site 63/, /Site 61/]);
	await expect(page.getByRole('searchbox', { name: 'Find a site by name or place' })).toBeFocused();
	await page.reload();
	await expect(sites).toHaveCount(3);
	await page.getByRole('searchbox', { name: 'Find a site by name or place' }).fill('');
	await expect(sites).toHaveCount(60);
});
