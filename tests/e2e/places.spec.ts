/** The places of a site and of a zone: four tabs each, switchers, and several rooms in one field. */
import type { Page } from '@playwright/test';
import { alive, expect, makeSite, menuAct, onOverview, open, test, toView, toZone } from './bench';

/** No tab is cut: each stands within the window, with all of its words. */
async function wholeTabs(page: Page, of: string) {
	const tabs = page.getByRole('navigation', { name: `Places of ${of}` }).getByRole('link');
	await expect(tabs).toHaveCount(4);
	const cut = await tabs.evaluateAll((all) =>
		all
			.filter((tab) => {
				const { left, right } = tab.getBoundingClientRect();
				return left < 0 || right > innerWidth + 0.5 || tab.scrollWidth > tab.clientWidth + 1;
			})
			.map((tab) => tab.textContent)
	);
	expect(cut, `${of} at ${page.viewportSize()!.width} px`).toEqual([]);
}

test('several rooms are added in one go, and their places are gone through by switchers, keys and tabs', async ({
	page
}) => {
	await makeSite(page, 'Tern Cottage');
	await page.getByRole('button', { name: 'Several rooms' }).click();
	const dialog = page.getByRole('dialog', { name: 'Several rooms' });
	await dialog
		.getByLabel('Rooms, each with its control')
		.fill('Lounge six-step; Bed 2, Bed 10 hour-strip; Boiler programmer with hot water; Porch');
	await expect(dialog.getByRole('listitem')).toHaveCount(5);
	// what no control was said for is asked, and nothing is added before
	await expect(dialog.getByRole('button', { name: 'Add 6 zones' })).toBeDisabled();
	await dialog.getByLabel('Control of Porch').selectOption('Switch timer');
	await expect(dialog.getByLabel('Control of Bed 10')).toHaveValue('hour-strip-keypad');
	await dialog.getByRole('button', { name: 'Add 6 zones' }).click();
	await expect(dialog).toBeHidden();
	// the programmer's other channel is a zone as well
	await expect(page.locator('tbody tr')).toHaveCount(6);
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('6 zones: not drawn yet');

	await page.getByRole('link', { name: 'Draw the week of Lounge' }).click();
	await expect(page.getByRole('heading', { name: 'Lounge, the week' })).toBeVisible();
	await alive(page);
	await page.keyboard.press(']');
	await expect(page.getByRole('heading', { name: 'Bed 2, the week' })).toBeVisible();
	await toView(page, 'Control', 'Clock');
	await expect(page.getByRole('heading', { name: 'Bed 2, the clock' })).toBeVisible();
	await toZone(page, 'Bed 10');
	await expect(page.getByRole('heading', { name: 'Bed 10, the clock' })).toBeVisible();
	await alive(page);
	await page.keyboard.press('[');
	await expect(page.getByRole('heading', { name: 'Bed 2, the clock' })).toBeVisible();
	for (const [place, view, heading] of [
		['Plan', 'Room', 'Bed 2: the room'],
		['Plan', 'Dates', 'Bed 2: holidays and special days'],
		['Key in', 'Read back', 'Bed 2, read back'],
		['Now', 'Call', 'Bed 2, a call']
	] as const) {
		await toView(page, place, view);
		await expect(page.getByRole('heading', { name: heading })).toBeVisible();
	}
	await page.getByRole('link', { name: 'Tern Cottage', exact: true }).click();
	await onOverview(page, 'Tern Cottage');
	for (const [place, view, heading] of [
		['House', 'Peak load', /Peak load of/],
		['Visit', 'Checks', /checks before the sign-off/],
		['Record', 'Handover sheet', /Handover sheet/],
		['Overview', 'Clocks', /all clocks/]
	] as const) {
		await toView(page, place, view);
		await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible();
	}
	await menuAct(page, 'Controls');
	await expect(page.getByRole('heading', { name: 'Controls', exact: true })).toBeVisible();
});

test('no tab is cut, however wide the window and whatever it is called', async ({ page, installation }) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Tallow Quay/ }).click();
	await onOverview(page, 'Tallow Quay Workshops');
	const site = page.url();
	const zone = (await page.locator('tbody th a').nth(2).getAttribute('href'))!;
	const name = (await page.locator('tbody th a').nth(2).innerText()).split('\n')[0]!.trim();
	for (const width of [1280, 1024, 640, 390]) {
		await page.setViewportSize({ width, height: 800 });
		await open(page, site);
		await wholeTabs(page, 'Tallow Quay Workshops');
		await open(page, zone);
		await wholeTabs(page, name);
	}
});
