import type { Locator, Page } from '@playwright/test';
import { addZone, alive, expect, makeSite, open, saved, test } from './bench';

/** A finger at one key of the stand-in: a tap, or held so many ms. */
async function touch(key: Locator, heldMs = 0, pointerId = 1) {
	await key.dispatchEvent('pointerdown', { button: 0, pointerId });
	if (heldMs > 0) await key.page().waitForTimeout(heldMs);
	await key.dispatchEvent('pointerup', { button: 0, pointerId, bubbles: true });
}

const ask = (page: Page) => page.locator('.ask');
const panel = (page: Page) => page.getByRole('group', { name: /^Stand-in of/ });

/** Does the first thing that the rehearsal asks for, as it stands there in keys and words. */
async function next(page: Page) {
	const stroke = page.locator('.ask .stroke').first();
	const keys = await stroke.locator('kbd').allInnerTexts();
	const says =
		((await stroke.innerText())
			.replace(/\s+/g, ' ')
			.match(/(to .+?|twice|\d+ times|hold \d+|together \d+|held|wait \d+),?(?: s,?)?$/) ?? [])[1] ?? '';
	const seconds = Number(/\d+/.exec(says)?.[0] ?? 0);
	const key = (print: string) => panel(page).getByRole('button', { name: print, exact: true });
	if (says.startsWith('wait')) return page.waitForTimeout(seconds * 1000 + 500);
	if (says.startsWith('to '))
		return panel(page)
			.getByRole('radio', { name: says.slice(3).replace(/,$/, ''), exact: true })
			.click();
	if (says.startsWith('hold')) return touch(key(keys[0]!), seconds * 1000 + 100);
	if (says.startsWith('together')) {
		await key(keys[0]!).dispatchEvent('pointerdown', { button: 0, pointerId: 1 });
		await touch(key(keys[1]!), seconds * 1000 + 100, 2);
		return key(keys[0]!).dispatchEvent('pointerup', { button: 0, pointerId: 1, bubbles: true });
	}
	if (says === 'held') return touch(key(keys[0]!), 1300);
	const times = says === 'twice' ? 2 : says.endsWith('times') ? seconds : 1;
	for (let n = 0; n < times; n++) await touch(key(keys[0]!));
}

/** Keys the whole card by what is asked for. */
async function keyAll(page: Page) {
	await expect(ask(page).locator('.stroke').first()).toBeVisible();
	for (let n = 0; n < 400; n++) {
		if (await page.getByText('It holds the whole week.').isVisible()) return;
		await next(page);
	}
	throw new Error(`not in after 400 strokes: ${await ask(page).innerText()}`);
}

test('a card is keyed into the stand-in on a phone: thrown out once, a slip put right, the score at the end', async ({
	page
}) => {
	await page.setViewportSize({ width: 390, height: 844 });
	await open(page, '/rehearse?control=line-voltage-stat');
	await expect(ask(page)).toContainText('must show');
	await next(page);
	await expect(page.getByText(/^throws you out in \d+ s$/)).toBeVisible();
	// too slow: the menu leaves by itself, and the way is told from rest again
	await expect(page.getByText('at rest')).toBeVisible({ timeout: 40_000 });
	await touch(panel(page).getByRole('button', { name: 'Day', exact: true }));
	await expect(page.getByText('1 slip so far')).toBeVisible();
	await keyAll(page);
	await expect(ask(page)).toContainText(/\d+ presses? .* 1 slip/);
	await expect(ask(page)).toContainText('The menu left by itself 1 time');
	await expect(panel(page)).toContainText('Heat');
	await page.getByRole('button', { name: 'Once more' }).click();
	await expect(page.getByText('no slip so far')).toBeVisible();
});

for (const [id, name] of [['switch-timer', 'a switch timer']] as const)
	test(`${name} is keyed by its card on its stand-in, whatever kind of keys it has`, async ({ page }) => {
		test.setTimeout(240_000);
		await open(page, `/rehearse?control=${id}`);
		await keyAll(page);
		await expect(ask(page)).toContainText('no slip');
	});

test('a zone’s card is rehearsed, and asks for nothing that the stand-in holds already', async ({ page }) => {
	await makeSite(page, 'Rehearsal');
	await addZone(page, 'Hall', 'Plain stat');
	await page.goto(page.url().replace(/week.*$/, 'key-in'));
	await expect(page.locator('.keys .stroke').first()).toBeVisible();
	await open(page, page.url().replace(/key-in.*$/, 'rehearse'));
	await keyAll(page);
	await expect(page.getByRole('link', { name: 'To the card' })).toHaveAttribute('href', /key-in$/);
});

test('the keys of a control that nobody shipped are described in plain words, and work at once', async ({
	page
}) => {
	await open(page, '/controls');
	await page.getByLabel('New control, by what it is').fill('Chapel stat');
	await page.getByRole('button', { name: 'changes at times of day' }).click();
	await alive(page);
	await page.getByRole('button', { name: 'Change: Its keys' }).click();
	await page.getByRole('button', { name: 'Start with the usual keys' }).click();
	await expect(panel(page)).toBeVisible();
	const keys = page.getByLabel('Its keys, by the words on them');
	await keys.fill('Set, Raise, Take, Lower, Weekday; Slider: Run / Off');
	await keys.press('Tab');
	await expect(panel(page).getByRole('button', { name: 'Raise', exact: true })).toBeVisible();
	const way = page.getByLabel('The way to the week');
	await way.fill('Clock 3 s');
	await way.press('Tab');
	await expect(
		page.getByText('“Clock” is none of its keys: Set, Raise, Take, Lower, Weekday, Slider.')
	).toBeVisible();
	await way.fill('hold Weekday 3 s');
	await way.press('Tab');
	await expect(page.getByText('Hold Weekday 3 s.').first()).toBeVisible();
	// tried at once beside it
	await touch(panel(page).getByRole('button', { name: 'Weekday', exact: true }), 3200);
	await expect(panel(page)).toContainText('step 1');
	await touch(panel(page).getByRole('button', { name: 'Raise', exact: true }));
	await expect(panel(page)).toContainText('00:10');
	await expect(page.getByText(/\d+ values, \d+ presses from as new\./)).toBeVisible();
	await saved(page);
	await page.getByRole('link', { name: 'Rehearse it' }).click();
	await expect(page.getByRole('heading', { name: 'Chapel stat, rehearsed' })).toBeVisible();
	for (let n = 0; n < 8; n++) await next(page);
	await expect(page.getByText('no slip so far')).toBeVisible();
	await expect(panel(page)).toContainText(/step \d/);
});
