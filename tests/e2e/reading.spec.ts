import type { Page } from '@playwright/test';
import { expect, open, test, type Installation } from './bench';

/** A demo site and its first zone, by their addresses. */
async function readingRoom(page: Page, installation: Installation): Promise<{ site: string; zone: string }> {
	await installation.loadDemo();
	await open(page, '/');
	const site = (await page.getByRole('link', { name: /Osier Lane/ }).getAttribute('href'))!;
	await open(page, site);
	const week = (await page.locator('tbody th a').first().getAttribute('href'))!;
	return { site, zone: week.replace(/\/week$/, '') };
}

test('whoever does not see the screen hears each step: what to key, what was drawn, what is held', async ({
	page,
	installation
}) => {
	const { site, zone } = await readingRoom(page, installation);
	await open(page, `${zone}/week`);
	// a riser says its day, its time, from what and to what
	const riser = page.locator('[data-riser]').first();
	await expect(riser).toHaveAttribute('aria-valuetext', /^\d\d:\d\d to .+ [\d.]+, from .+ [\d.]+$/);
	await expect(riser).toHaveAccessibleName(/^Monday, change 1$/);
	const spoken = await page.locator('#spoken-0').textContent();
	expect(spoken).toMatch(/^Wanted: 00:00 .+ [\d.]+, .*\. The control holds: 00:00 [\d.]+, .*\.$/);

	await open(page, `${zone}/key-in`);
	await page.getByRole('button', { name: 'In use: key everything' }).click();
	const instruction = page.getByRole('group', { name: /: / }).first();
	for (let i = 0; i < 3; i++) {
		const was = await page.locator('.what').textContent();
		await page.locator('button.go').click();
		await expect(page.locator('.what')).not.toHaveText(was!);
		await expect(instruction).toBeFocused();
		const shown = (await page.locator('.value').innerText()).replace(/\s/g, '');
		expect((await instruction.getAttribute('aria-label'))!.replace(/\s/g, '')).toContain(shown);
	}
	await open(page, `${site}/visit`);
	const begin = page.getByRole('button', { name: 'Begin a visit' });
	if (await begin.isVisible()) await begin.click();
	await page.getByRole('button', { name: /^(Next|Skip)$/ }).click();
	await expect(page.getByRole('heading', { name: /: set these first$/ })).toBeFocused();
});

test('twice the text on the narrowest phone breaks nothing, and forced colours keep the edges', async ({
	page,
	installation
}) => {
	const { site, zone } = await readingRoom(page, installation);
	await page.setViewportSize({ width: 320, height: 640 });
	for (const view of [
		`${site}/visit`,
		`${zone}/key-in`,
		`${zone}/read-back`,
		`${site}/clocks`,
		`${site}/checks`,
		site,
		'/'
	]) {
		await open(page, view);
		await page.addStyleTag({ content: 'html{font-size:200% !important}' });
		await page.waitForTimeout(200);
		expect(
			await page.evaluate(() => document.documentElement.scrollWidth - innerWidth),
			view
		).toBeLessThanOrEqual(0);
		// nothing that is pressed lies outside the screen or under its neighbour
		const cut = await page.evaluate(() =>
			[...document.querySelectorAll<HTMLElement>('main button, main a')]
				.filter((one) => one.checkVisibility() && !one.closest('.out-of-sight, table'))
				.filter((one) => one.scrollWidth > one.clientWidth + 2 && getComputedStyle(one).display !== 'inline')
				.map((one) => one.textContent?.trim().slice(0, 40))
		);
		expect(cut, view).toEqual([]);
	}
	await page.emulateMedia({ forcedColors: 'active' });
	await open(page, `${zone}/key-in`);
	await page.getByRole('button', { name: 'In use: key everything' }).click();
	await expect(page.locator('.value')).toBeVisible();
	const go = page.locator('.go');
	expect(await go.evaluate((one) => parseFloat(getComputedStyle(one).borderTopWidth))).toBeGreaterThanOrEqual(
		2
	);
	const colours = await page
		.locator('.track span')
		.evaluateAll((all) => new Set(all.map((one) => getComputedStyle(one).backgroundColor)).size);
	expect(colours).toBeGreaterThan(1);
});
