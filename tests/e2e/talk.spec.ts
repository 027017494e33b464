import { expect, open, test } from './bench';

test('a household is told to set its clock, slips once, and goes on from what it sees', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Osier Lane/ }).click();
	const zone = (await page.locator('tbody th a').first().getAttribute('href'))!;
	await open(page, zone.replace(/week$/, 'talk'));
	await page.getByRole('button', { name: 'Set the clock' }).click();
	const shows = page.getByRole('button', { name: 'It shows this' });
	const say = page.locator('.say');
	await expect(say).toHaveText('Press Menu, press +, press OK.');
	// the menu was never opened: it is told anew
	await page.getByRole('button', { name: 'It shows something else' }).click();
	await page
		.getByRole('group', { name: 'What it shows instead' })
		.getByRole('button', { name: 'the normal display' })
		.click();
	await expect(say).toHaveText('Press Menu, press +, press OK.');
	await shows.click();
	await expect(say).toHaveText(/^Press \+ or − until it shows \d\.$/);
	const told: string[] = [];
	while (await shows.isVisible()) {
		told.push(await say.innerText());
		await shows.click();
	}
	expect(told).toHaveLength(7);
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/done\. The clock shows \d\d:\d\d\./);
});
