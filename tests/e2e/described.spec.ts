import type { Page } from '@playwright/test';
import { alive, expect, saved, test } from './bench';
import { keyAll, openAtOnce, panel, touch } from './standIn';

/** Opens a new control under a name, of a kind of program. */
async function described(page: Page, name: string, holds: string) {
	await openAtOnce(page, '/controls');
	await page.getByLabel('New control, by what it is').fill(name);
	await page.getByRole('button', { name: holds }).click();
	await alive(page);
}
const write = async (page: Page, label: string, text: string) => {
	const field = page.getByLabel(label, { exact: true });
	await field.fill(text);
	await field.press('Tab');
};
const part = (page: Page, title: string) =>
	page.getByRole('button', { name: `Change: ${title}`, exact: true }).click();

test('a timer that asks for on or off after each time, its days set only while it is off, is described and keyed', async ({
	page
}) => {
	await described(page, 'Cellar timer', 'on/off pairs');
	await part(page, 'What it holds');
	await page.getByText('On or off is keyed after each time').click();
	await write(page, 'A day (factory setting first)', '1');
	await part(page, 'Its days');
	const known = page.getByRole('region', { name: 'What is known of it' });
	for (const grouping of ['24-hour', '5+2', '7-day'])
		await known.getByText(grouping, { exact: true }).click();
	await part(page, 'Its keys');
	await page.getByRole('button', { name: 'Start with the usual keys' }).click();
	await write(page, 'Its keys, by the words on them', '▲, ▼, Nod, Back, Day; Lever: Run / Rest');
	await write(page, 'Its modes, the first when new', 'Run, Rest');
	await expect(page.getByLabel('To Rest', { exact: true })).toHaveValue('Lever to Rest');
	await page.getByLabel('Which of them is off').selectOption('Rest');
	await write(page, 'The way to menu 1', '▲ 3 s');
	await page.getByText('Only while it is off').first().click();
	await expect(panel(page)).toBeVisible();
	await saved(page);
	await page.locator('main').getByRole('link', { name: 'Practise' }).click();
	await keyAll(page);
	await expect(page.getByText('It holds the whole week.')).toBeVisible();
	await expect(page.locator('.ask')).toContainText('no slip');
});

test('a strip of half hours with a frost temperature in a menu of its own is described, keyed in runs and set', async ({
	page
}) => {
	await described(page, 'Larder keypad', 'one value for each hour');
	await part(page, 'What it holds');
	await page.getByLabel('Each stretch is').selectOption('30');
	await part(page, 'Its options, resets and lock');
	await page.getByRole('button', { name: 'Another entry of its menus' }).click();
	await write(page, 'Entry 1, as it shows', 'Ice');
	await page.getByLabel('What entry 1 means').selectOption('frost-level');
	await write(page, 'What entry 1 can be set to', 'about 5');
	await expect(page.getByText(/^Write the values with a slash between/)).toBeVisible();
	await write(page, 'What entry 1 can be set to', '5 to 12 °C');
	await part(page, 'Its keys');
	await page.getByRole('button', { name: 'Start with the usual keys' }).click();
	await page.getByText('A key writes the stretch and goes on').click();
	await page.getByText('Ice: frost temperature', { exact: true }).first().click();
	await touch(panel(page).getByRole('button', { name: 'Menu', exact: true }), 5100);
	await expect(panel(page)).toContainText('Set-up');
	await expect(page.getByText(/00:00 to \d\d:\d0/).first()).toBeVisible();
	await saved(page);
	await page.locator('main').getByRole('link', { name: 'Practise' }).click();
	await keyAll(page);
	await expect(page.locator('.ask')).toContainText('no slip');
});
