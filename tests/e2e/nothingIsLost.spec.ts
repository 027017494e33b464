import type { Page } from '@playwright/test';
import { addZone, alive, expect, guarded, makeSite, open, saved, test } from './bench';

const change = 'Monday, change 1';

test('two windows on one zone: the second is told, sees both, and chooses', async ({ page, context }) => {
	await makeSite(page, 'Pepper Wharf');
	await addZone(page, 'Sail loft', 'Six-step room stat');
	await page.getByRole('button', { name: /^Monday:/ }).focus();
	await page.keyboard.press('Insert');
	await saved(page);

	const other = await context.newPage();
	await open(other, page.url());
	await other.getByRole('slider', { name: change, exact: true }).focus();
	await other.keyboard.press('ArrowRight');
	await saved(other);

	await page.getByRole('slider', { name: change, exact: true }).focus();
	await page.keyboard.press('ArrowLeft');
	const dialog = page.getByRole('dialog', { name: /Another window changed this zone/ });
	await expect(dialog).toBeVisible();
	await dialog.getByRole('button', { name: 'Take the other' }).click();
	await expect(page.getByRole('slider', { name: change, exact: true })).toHaveAttribute(
		'aria-valuetext',
		/^12:10/
	);
	await page.keyboard.press('Control+z');
	await expect(page.getByRole('slider', { name: change, exact: true })).toHaveAttribute(
		'aria-valuetext',
		/^11:50/
	);
	await saved(page);
	await open(other, other.url());
	await expect(other.getByRole('slider', { name: change, exact: true })).toHaveAttribute(
		'aria-valuetext',
		/^11:50/
	);
});

test('what is half typed is there after a reload, and taken when it is left', async ({ page }) => {
	await makeSite(page, 'Pepper Wharf');
	await addZone(page, 'Sail loft', 'Six-step room stat');
	await open(page, page.url().replace(/week$/, 'control'));
	const called = page.getByLabel('Name', { exact: true });
	await called.click();
	await page.keyboard.type('Stat by the st');
	await page.reload();
	await alive(page);
	await expect(called).toHaveValue('Stat by the st');
	await expect(called).toBeFocused();
	await page.keyboard.type('airs');
	await page.keyboard.press('Tab');
	await saved(page);
	await page.reload();
	await alive(page);
	await expect(called).toHaveValue('Stat by the stairs');
	await expect(called).not.toBeFocused();
	// left as it stood after the reload, it is taken too
	await called.fill('Stat in the hall');
	await page.reload();
	await alive(page);
	await expect(called).toHaveValue('Stat in the hall');
	await called.blur();
	await saved(page);
	await open(page, page.url());
	await expect(called).toHaveValue('Stat in the hall');
});

test('what the screen called saved is there after the server was killed; what was not is sent when it is back', async ({
	page,
	installation
}) => {
	await makeSite(page, 'Pepper Wharf');
	await addZone(page, 'Sail loft', 'Six-step room stat');
	await page.getByRole('button', { name: /^Monday:/ }).focus();
	await page.keyboard.press('Insert');
	await saved(page);
	// the tabs have been read again: nothing is under way when the power goes
	await expect(page.getByRole('link', { name: /^Key in \d+ left/ })).toBeVisible();
	await installation.killAndRestart();
	await open(page, page.url());
	const riser = page.getByRole('slider', { name: change, exact: true });
	await expect(riser).toHaveAttribute('aria-valuetext', /^12:00/);

	await installation.stop();
	await riser.focus();
	await page.keyboard.press('ArrowRight');
	await expect(page.getByRole('status').first()).toHaveText('Not saved yet: no connection');
	await installation.start();
	await saved(page);
	await open(page, page.url());
	await expect(riser).toHaveAttribute('aria-valuetext', /^12:10/);
});

/** What a key-in page says is left. */
const left = (page: Page) => page.locator('main').getByRole('status').first();

/** How many values a key-in page says are left, once a value is asked for: while it asks how the control was found it may say another number. */
async function countLeft(page: Page): Promise<number> {
	await expect(page.locator('main .value')).toBeVisible();
	await expect(left(page)).toHaveText(/^\d+ left/);
	return Number.parseInt(await left(page).innerText());
}
const counts = (number: number) => new RegExp(`^${number} left`);

test('values keyed while the server is away survive a reload and arrive, and a second device sees them', async ({
	page,
	browser,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Tallow Quay/ }).click();
	await page
		.getByRole('row', { name: /Bindery/ })
		.getByRole('link', { name: /left/ })
		.click();
	await page.getByRole('button', { name: 'In use: key everything' }).click();
	const all = await countLeft(page);
	await guarded(page);
	await page.keyboard.press('Enter');
	await expect(left(page)).toHaveText(counts(all - 1));
	await saved(page);
	await installation.stop();
	await page.keyboard.press('Enter');
	await expect(page.getByRole('status').first()).toHaveText(/^\d notes? kept here: no connection$/);
	// gone from the page before the server is back, so that what waits has only the reload to be sent by
	const card = page.url();
	await page.goto('about:blank');
	await installation.start();
	await open(page, card);
	await expect(left(page)).toHaveText(counts(all - 2));
	await saved(page);

	const phone = await browser.newPage({ baseURL: installation.url, viewport: { width: 390, height: 844 } });
	await phone.goto(page.url());
	await expect(left(phone)).toHaveText(counts(all - 2));
	await alive(phone);
	await phone.locator('button.go').click();
	await expect(left(phone)).toHaveText(counts(all - 3));
	await phone.close();
});

test.describe('overtaken', () => {
	// what the service worker fetches cannot be held up from here
	test.use({ serviceWorkers: 'block' });

	test('a reload that overtakes the last note still goes on after it', async ({ page, installation }) => {
		await installation.loadDemo();
		// the page is read before the note is written, and shown after the note was answered; held up from the
		// start, for what a page asks in the moment that this begins may pass by
		let read = () => {};
		const pageRead = new Promise<void>((resolve) => (read = resolve));
		let answered = () => {};
		const noteAnswered = new Promise<void>((resolve) => (answered = resolve));
		await page.route(/\/key-in$/, async (route) => {
			const answer = await route.fetch();
			read();
			await noteAnswered;
			await new Promise((resolve) => setTimeout(resolve, 300));
			await route.fulfill({ response: answer });
		});
		await page.route(/\/notes$/, async (route) => {
			if (route.request().method() !== 'POST') return route.continue();
			await pageRead;
			const answer = await route.fetch();
			await route.fulfill({ response: answer });
			answered();
		});
		await open(page, '/');
		await page.getByRole('link', { name: /Tallow Quay/ }).click();
		await page
			.getByRole('row', { name: /Bindery/ })
			.getByRole('link', { name: /left/ })
			.click();
		await page.getByRole('button', { name: 'In use: key everything' }).click();
		const all = await countLeft(page);
		await page.keyboard.press('Enter');
		await expect(left(page)).toHaveText(counts(all - 1));
		await page.reload({ waitUntil: 'commit', timeout: 20_000 });
		await expect(left(page)).toHaveText(counts(all - 1), { timeout: 10_000 });
		// the board's list was read before the note as well: gone to, it is read anew
		await page.getByRole('link', { name: 'Tallow Quay Workshops', exact: true }).click();
		await expect(page.getByRole('row', { name: /Bindery/ })).toContainText(`${all - 1} left`);
		// what is sent again at the very end is nobody's any more
		await page.unrouteAll({ behavior: 'ignoreErrors' });
	});
});
