/** Many alike: dwellings of a type by one line, planned together, one of its own left alone, and one signed off by itself. */
import type { Page } from '@playwright/test';
import { alive, expect, makeSite, open, saved, test } from './bench';

const WEEK = 'weekdays up at six, out half eight to five, bed half ten; weekends home all day';

async function say(page: Page, words: string) {
	await page.getByRole('button', { name: 'Say the week' }).click();
	await page.getByLabel('What they say').fill(words);
	await page.getByRole('button', { name: 'Take this week' }).click();
	await saved(page);
}

test('twenty flats come by one line, follow one plan, and the flat of its own keeps its week', async ({
	page
}) => {
	await makeSite(page, 'Weir Yard');
	const site = page.url();
	await page.getByRole('button', { name: 'Several rooms' }).click();
	const dialog = page.getByRole('dialog', { name: 'Several rooms' });
	const dwellings = dialog.getByLabel('Dwellings, where many are alike');
	const add = dialog.getByRole('button', { name: /^Add \d+ zones?$/ });
	await dialog.getByLabel('Rooms, each with its control').fill('Lounge six-step; Bath touch floor stat');
	await dwellings.fill('Flat A × 20, named 1–19');
	await expect(dialog.getByText('20 dwellings, but 19 names.')).toBeVisible();
	await expect(add).toBeDisabled();
	await dwellings.fill('Flat A × 20, named 1–20');
	await expect(dialog.getByText('Flat 1 to Flat 20: 20 dwellings with 2 zones each.')).toBeVisible();
	await expect(add).toHaveText('Add 40 zones');
	await add.click();
	await expect(dialog).toBeHidden();

	// a line a dwelling: what is open leads to where it is done
	const type = page.getByRole('region', { name: 'Flat A' });
	await expect(type.locator('tbody tr')).toHaveCount(20);
	const flat = (n: number) => type.getByRole('row', { name: new RegExp(`^Flat ${n} `) });
	await flat(1).getByRole('link', { name: 'not drawn yet' }).click();
	await expect(page.getByRole('heading', { name: 'Flat 1 Lounge, the week' })).toBeVisible();
	await alive(page);
	await say(page, WEEK);
	await expect(page.getByText('19 dwellings of Flat A share another week, not drawn yet.')).toBeVisible();
	await page.getByRole('button', { name: 'Give them this week' }).click();
	await expect(page.getByText('19 zones followed; one undo takes it back everywhere.')).toBeVisible();

	// one of its own is said to be so, and is given nothing
	await open(page, site);
	await flat(7).getByRole('link', { name: 'Flat 7' }).click();
	await page.getByRole('link', { name: /^Flat 7 Lounge/ }).click();
	await alive(page);
	await say(page, 'every day up at five, bed at nine');
	await expect(page.getByText('19 dwellings of Flat A share another week')).toBeVisible();
	await open(page, site);
	await flat(2).getByRole('link', { name: 'Flat 2' }).click();
	await page.getByRole('link', { name: /^Flat 2 Lounge/ }).click();
	await alive(page);
	const change = page.getByRole('slider', { name: 'Monday, change 1', exact: true });
	await change.focus();
	await page.keyboard.press('ArrowRight');
	await saved(page);
	// Monday by itself is keyed day by day: the whole card
	const offer = page.getByText('18 dwellings of Flat A share another week: ');
	await expect(offer).toContainText(/: 19 values each\./);
	await expect(offer).toContainText('Flat 7 keeps its own.');
	await page.getByRole('button', { name: 'Give them this week' }).click();
	await expect(page.getByText('18 zones followed; one undo takes it back everywhere.')).toBeVisible();
	await page.reload();
	await alive(page);
	await expect(page.getByText('of Flat A share another week')).toHaveCount(0);

	// more of them are as the first is
	await open(page, site);
	await type.getByRole('button', { name: 'More of these' }).click();
	await dwellings.fill('Flat A × 2');
	await expect(dialog.getByText('2 dwellings with 2 zones each, planned as Flat 1.')).toBeVisible();
	await add.click();
	await expect(type.locator('tbody tr')).toHaveCount(22);
	await flat(21).getByRole('link', { name: 'Flat 21' }).click();
	await expect(page.getByRole('link', { name: /^Flat 21 Lounge/ })).toBeVisible();
	await expect(page.locator('tbody tr')).toHaveCount(2);

	// signed off by itself once nothing of it stops: here each stop is let pass with a reason
	const rooms = await page
		.locator('tbody th a')
		.evaluateAll((all) => all.map((a) => (a as HTMLAnchorElement).pathname));
	await page.getByRole('link', { name: 'Checks and sign-off' }).click();
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/Flat 21:\s+\d+ before sign-off/);
	const sign = page.getByRole('button', { name: 'Sign off Flat 21' });
	await expect(sign).toBeDisabled();
	const at = new Date().toISOString();
	const value = ['keyed-missing', 'test-missing', 'undrawn'].map((check) => ({
		check,
		reason: 'The tenant moves in later',
		at
	}));
	for (const room of rooms) {
		const path = `/api/v1/jobs${room.replace('/sites', '').replace(/\/week$/, '')}/on-site`;
		const noted = await page.request.post(path, { data: { edits: [{ key: 'overruled', value, base: [] }] } });
		expect(noted.status()).toBe(200);
	}
	await page.reload();
	await alive(page);
	await page.getByLabel('Who', { exact: true }).fill('R. Tilling');
	await sign.click();
	await expect(page.getByText('Flat 21 is signed off. The visit goes on elsewhere.')).toBeVisible();
	await page.getByRole('link', { name: 'Its sheet and link' }).click();
	await expect(page.getByText('Your heating week: Flat 21')).toBeVisible();
	await expect(page.getByText('Flat 20 Lounge')).toHaveCount(0);
	await open(page, site);
	await expect(type.getByText('22 dwellings, 1 signed off')).toBeVisible();
	await expect(flat(21).getByRole('cell').nth(5)).not.toHaveText('–');
	await expect(flat(20).getByRole('cell').nth(5)).toHaveText('–');
	await open(page, `${site}/record`);
	await expect(page.getByText('R. Tilling, Flat 21 signed off')).toBeVisible();
	// now is held against a visit to the whole site: there was none
	await expect(page.getByRole('heading', { level: 1 })).toContainText('Nothing changed');
});
