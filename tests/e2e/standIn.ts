import type { Locator, Page } from '@playwright/test';
import { expect } from './bench';

/** A finger at one key of the stand-in: a tap, or held so many ms. */
export async function touch(key: Locator, heldMs = 0, pointerId = 1) {
	await key.dispatchEvent('pointerdown', { button: 0, pointerId });
	if (heldMs > 0) await key.page().waitForTimeout(heldMs);
	await key.dispatchEvent('pointerup', { button: 0, pointerId, bubbles: true });
}

export const ask = (page: Page) => page.locator('.ask');
export const panel = (page: Page) => page.getByRole('group', { name: /^Stand-in of/ });

/** Does the first thing that the rehearsal asks for, as it stands there in keys and words. */
export async function next(page: Page) {
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
export async function keyAll(page: Page) {
	await expect(ask(page).locator('.stroke').first()).toBeVisible();
	for (let n = 0; n < 400; n++) {
		if (await page.getByText('It holds the whole week.').isVisible()) return;
		await next(page);
	}
	throw new Error(`not in after 400 strokes: ${await ask(page).innerText()}`);
}
