import { readFileSync } from 'node:fs';
import type { Locator, Page } from '@playwright/test';
import { alive, expect, keyIn, onOverview, open, saved, test } from './bench';

/** Tab after Tab until the wanted thing has the focus, as a person without a mouse goes. */
async function tabTo(page: Page, wanted: Locator, most = 120): Promise<void> {
	await expect(wanted).toBeAttached();
	for (let i = 0; i < most; i++) {
		if (await wanted.evaluate((one) => one === document.activeElement)) {
			// what has the focus shows it
			const outlined = await wanted.evaluate((one) => {
				const style = getComputedStyle(one);
				return style.outlineStyle !== 'none' || style.boxShadow !== 'none';
			});
			expect(outlined, `the focus on ${wanted.toString()} is seen`).toBe(true);
			return;
		}
		await page.keyboard.press('Tab');
	}
	throw new Error(`${wanted.toString()} is not reached by Tab`);
}

/** Goes somewhere by the palette. */
async function goTo(page: Page, words: string): Promise<void> {
	await page.keyboard.press('Control+k');
	await expect(page.getByRole('dialog')).toBeVisible();
	await page.keyboard.type(words);
	await expect(page.getByRole('dialog').getByRole('option', { selected: true })).toBeVisible();
	await page.keyboard.press('Enter');
	await expect(page.getByRole('dialog')).toBeHidden();
	await alive(page);
}

test('from a new site to the customer’s page, to a file and back, without a mouse', async ({ page }) => {
	page.setDefaultTimeout(45_000);
	await open(page, '/');
	await tabTo(page, page.getByLabel('New site'));
	await page.keyboard.type('Thimble Hall');
	await page.keyboard.press('Tab');
	await page.keyboard.type('Green Lane, Withy End');
	await page.keyboard.press('Enter');
	await onOverview(page, 'Thimble Hall');
	await alive(page);

	// two zones, named, put in order, one renamed
	const addZone = async (name: string) => {
		await tabTo(page, page.getByLabel('New zone'));
		await page.keyboard.type(name);
		await page.keyboard.press('Tab');
		await expect(page.getByLabel('Its control')).toBeFocused();
		await page.keyboard.type('Six-step');
		await expect(page.getByLabel('Its control')).toHaveValue('six-step-room-stat');
		await page.keyboard.press('Tab');
		await page.keyboard.press('Enter');
		await expect(page.getByRole('heading', { name: `${name}, the week` })).toBeVisible();
		await alive(page);
	};
	await addZone('Stage');
	await goTo(page, 'Overview');
	await addZone('Kitchen');
	await goTo(page, 'Overview');
	const zones = page.locator('tbody th a');
	await expect(zones).toHaveText([/^Stage/, /^Kitchen/]);
	await tabTo(page, zones.nth(1));
	await page.keyboard.press('Alt+ArrowUp');
	await expect(zones).toHaveText([/^Kitchen/, /^Stage/]);

	// the week: drawn, undone, a level by its letter, a day onto all others, another grouping
	await goTo(page, 'Stage');
	const change = (day: string, n: number) =>
		page.getByRole('slider', { name: `${day}, change ${n}`, exact: true });
	const chosenDay = page.getByRole('button', { name: /day: /, pressed: true });
	await tabTo(page, chosenDay);
	await page.keyboard.press('End');
	await expect(chosenDay).toHaveAttribute('aria-label', /^Sunday/);
	await page.keyboard.press('Home');
	await expect(chosenDay).toHaveAttribute('aria-label', /^Monday/);
	await page.keyboard.press('Insert');
	await page.keyboard.press('c');
	await expect(change('Monday', 1)).toHaveAttribute('aria-valuetext', /to Comfort/);
	await expect(change('Monday', 1)).toBeFocused();
	await page.keyboard.press('Shift+ArrowLeft');
	const moved = await change('Monday', 1).getAttribute('aria-valuetext');
	await page.keyboard.press('Control+z');
	await expect(change('Monday', 1)).not.toHaveAttribute('aria-valuetext', moved!);
	await page.keyboard.press('Control+Shift+z');
	await expect(change('Monday', 1)).toHaveAttribute('aria-valuetext', moved!);
	await page.keyboard.press('Enter');
	await page.keyboard.press('e');
	await expect(change('Monday', 2)).toHaveAttribute('aria-valuetext', /to Eco/);
	await tabTo(page, page.getByRole('button', { name: 'all', exact: true }));
	await page.keyboard.press('Enter');
	await expect(change('Sunday', 1)).toHaveAttribute('aria-valuetext', moved!);
	await tabTo(page, page.getByRole('radio', { checked: true }).first());
	await page.keyboard.press('ArrowDown');
	await saved(page);

	// the card, the customer's page
	await goTo(page, 'Key in');
	await tabTo(page, page.getByRole('button', { name: 'Factory settings, or just reset' }));
	await page.keyboard.press('Enter');
	await keyIn(page, 'Factory settings, or just reset');
	await saved(page);
	await goTo(page, 'Hand over');
	await expect(page.getByRole('heading', { name: 'Your heating week: Stage' })).toBeVisible();

	// out as a file, deleted, and in again
	await goTo(page, 'Overview');
	const download = page.waitForEvent('download');
	await tabTo(page, page.getByRole('button', { name: 'More for this site' }));
	await page.keyboard.press('Enter');
	await expect(page.getByRole('menuitem', { name: 'Name, place, who lives here' })).toBeFocused();
	for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowDown');
	await expect(page.getByRole('menuitem', { name: 'Export job file' })).toBeFocused();
	await page.keyboard.press('Enter');
	const file = await (await download).path();
	const text = readFileSync(file, 'utf8');
	await goTo(page, 'Jobs');
	await tabTo(page, page.getByRole('button', { name: 'More for Thimble Hall' }));
	await page.keyboard.press('Enter');
	await expect(page.getByRole('menuitem', { name: 'Duplicate' })).toBeFocused();
	await page.keyboard.press('ArrowUp');
	await expect(page.getByRole('menuitem', { name: 'Delete' })).toBeFocused();
	await page.keyboard.press('Enter');
	await expect(page.getByRole('button', { name: 'Put Thimble Hall back' })).toBeVisible();
	const chooser = page.waitForEvent('filechooser');
	await tabTo(page, page.getByRole('button', { name: 'Import a job file' }));
	await page.keyboard.press('Enter');
	await (await chooser).setFiles(file);
	await onOverview(page, 'Thimble Hall');
	const id = new URL(page.url()).pathname.split('/')[2];
	expect(await (await page.request.get(`/api/v1/jobs/${id}`)).text()).toBe(text);
});
