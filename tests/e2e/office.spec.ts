import { alive, expect, open, press, saved, test, toView } from './bench';

test('what all zones of a site are set to: seen at once, set for several, taken back', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /^Marrow House/ }).click();
	await toView(page, 'Overview', 'Edit many at once');
	await expect(page.getByRole('heading', { name: /\d+ answers missing$/ })).toBeVisible();
	await alive(page);
	const missing = async () =>
		Number(/(\d+) answers missing/.exec((await page.locator('h1').textContent())!)![1]);
	const before = await missing();

	// noted on site: those that are open are ticked already
	await page.getByRole('button', { name: /^Frost protection/ }).click();
	const frost = page.getByRole('region', { name: 'Frost protection' });
	await expect(frost.getByText('not recorded')).toHaveCount(9);
	await press(frost.getByRole('checkbox', { name: /^Apple room/ }));
	await frost.getByRole('button', { name: 'on', exact: true }).click();
	await page.getByRole('button', { name: 'Set on for 8 zones' }).click();
	await expect(page.getByText('Frost protection: on, for 8 zones.')).toBeVisible();
	await expect(frost.getByText('not recorded')).toHaveCount(1);
	expect(await missing()).toBe(before - 8);
	await saved(page);

	// planned: all at once, and undone
	await page.getByRole('button', { name: /^Differential/ }).click();
	const differential = page.getByRole('region', { name: 'Differential' });
	await page.getByRole('button', { name: 'All that have it' }).click();
	await differential.getByLabel('Differential').fill('0,8');
	await differential.getByLabel('Differential').press('Tab');
	await page.getByRole('button', { name: /^Set 0\.8\sK for \d zones$/ }).click();
	const count = Number(
		/for (\d)/.exec((await page.getByText(/^Differential: 0\.8\sK, for/).textContent())!)![1]
	);
	await expect(differential.getByText('0.8 K', { exact: true })).toHaveCount(count);
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(differential.getByText('0.8 K', { exact: true })).toHaveCount(0);

	// what is no value says so and sets nothing
	await page.getByRole('button', { name: 'All that have it' }).click();
	await differential.getByLabel('Differential').fill('40');
	await differential.getByLabel('Differential').press('Tab');
	await page.getByRole('button', { name: /^Set 40\.0\sK/ }).click();
	await expect(page.getByRole('alert')).toHaveText('Differential: from 0.1 K to 5.0 K.');
	await page.reload();
	await page.getByRole('button', { name: /^Frost protection/ }).click();
	await expect(page.getByRole('region', { name: 'Frost protection' }).getByText('not recorded')).toHaveCount(
		1
	);
});

test('a round over the sites whose clocks go by hand is planned, walked and ticked off', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/due');
	const link = page.getByRole('link', { name: 'Plan the round of its clocks' }).first();
	const on = (await link.getAttribute('href'))!.split('/').at(-1)!;
	await link.click();
	await expect(page.getByRole('heading', { name: /^Clock round/ })).toBeVisible();
	await expect(page.getByText(/\d+ clocks\s+at\s+\d sites\s+go\s+1\sh\s+(on|back): about/)).toBeVisible();
	await alive(page);
	await page.getByLabel('Hours a day').fill('1');
	await page.getByLabel('Hours a day').press('Tab');
	await page.getByRole('button', { name: 'Spread over days, town by town' }).click();
	await saved(page);
	await expect(page.getByRole('region', { name: 'Not planned' })).toHaveCount(0);
	const days = await page.getByRole('region').count();
	expect(days).toBeGreaterThan(1);
	await page.getByLabel('Who goes to Kelter Court').fill('M. Sedge');
	await page.getByLabel('Who goes to Kelter Court').press('Tab');
	await saved(page);
	// two on one day, in the order wanted
	const day = await page.getByLabel('Day for Kelter Court').inputValue();
	await page.getByLabel('Day for Marrow House').fill(day);
	await page.getByLabel('Day for Marrow House').press('Tab');
	await saved(page);
	await page.getByRole('button', { name: 'Marrow House earlier' }).click();
	await saved(page);
	await page.reload();
	await alive(page);
	const first = page.getByRole('region').filter({ hasText: 'Marrow House' });
	await expect(first.getByRole('listitem').first()).toContainText('Marrow House');
	await expect(page.getByLabel('Who goes to Kelter Court')).toHaveValue('M. Sedge');
	const calendar = await (await page.request.get(`/api/v1/rounds/${on}/calendar`)).text();
	expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(4);
	expect(calendar).toContain('(M. Sedge)');

	await page.getByLabel('Hours a day').fill('none');
	await page.getByLabel('Hours a day').press('Tab');
	await expect(page.getByRole('alert')).toHaveText('"none" is not a number.');
	const nowhere = await page.goto('/due/round/2027-01-01');
	expect(nowhere!.status()).toBe(404);
	await expect(page.getByText('No clock is changed by hand on that date.')).toBeVisible();
	const odd = await page.request.patch(`/api/v1/rounds/${on}`, {
		data: { stops: { nobody: { day: '2027-03-30' } } }
	});
	expect(odd.status()).toBe(422);
});
