import type { Page } from '@playwright/test';
import { addZone, alive, expect, keyIn, makeSite, open, saved, test } from './bench';

/**
 * Every sentence on the page, and what stands in fields and labels, held against the wrong unit. Figures of a profile (what a
 * control can hold at all) stand on pages of their own and are in °C.
 */
async function readPage(page: Page, wrong: RegExp, of: string) {
	const said = await page.evaluate(() =>
		[
			document.body.innerText,
			...[...document.querySelectorAll('[aria-label], [aria-valuetext], [placeholder], [title]')].flatMap(
				(one) =>
					['aria-label', 'aria-valuetext', 'placeholder', 'title'].map((name) => one.getAttribute(name) ?? '')
			)
		]
			.join('\n')
			.replaceAll('\u00a0', ' ')
	);
	// a choice of units names both
	const lines = said
		.split('\n')
		.filter(
			(line) =>
				wrong.test(line) &&
				!/^°[CF]$|^shows now °C ·|^(It|After the first keys it) shows °C and blinks/.test(line.trim())
		);
	expect(lines, of).toEqual([]);
	return said;
}

const cases = [
	{
		site: 'Fathom Terrace',
		control: 'six-step-room-stat',
		fahrenheit: true,
		wrong: /°C|\d\sK\b/,
		right: /°F/,
		// the comfort of a room, 3 K above what it shows, and what an hour of an hour strip shows
		shown: '64'
	},
	{
		site: 'Strip Yard',
		control: 'hour-strip-keypad',
		fahrenheit: false,
		wrong: /°F/,
		right: /°C/,
		shown: '18'
	}
] as const;

for (const { site: name, control, fahrenheit, wrong, right, shown } of cases)
	test(`a site on ${fahrenheit ? 'a control in °F' : 'an hour strip'}, from empty to signed off, with no sentence in the wrong unit`, async ({
		page
	}) => {
		// the time zone is asked and shown before anything is made, with what follows from it
		await open(page, '/');
		await page.getByLabel('New site').fill(name);
		await page.getByRole('combobox', { name: 'Time zone of the place' }).fill('dublin');
		await page.getByRole('option', { name: 'Europe/Dublin' }).click();
		await expect(page.getByText(/^Forward on the last Sunday of March/)).toBeVisible();
		await makeSite(page, name);
		const site = new URL(page.url()).pathname;
		await addZone(page, 'Long room', control);
		const zone = new URL(page.url()).pathname.replace(/\/week$/, '');
		if (fahrenheit) {
			await open(page, `${zone}/control`);
			await page.getByLabel('Its unit').selectOption('F');
			await expect(
				page.getByText(/^On this control a level is a whole\s°F: Eco 16\.0\s°C is 61\s°F now/)
			).toBeVisible();
			await saved(page);
			await page.reload();
			await alive(page);
			// said once, when it was changed
			await expect(page.getByText(/^On this control a level/)).toHaveCount(0);
			await open(page, `${zone}/week`);
		}
		// a day drawn by keyboard on Monday: warm from the first change on
		await page.getByRole('button', { name: /^Monday:/ }).focus();
		await page.keyboard.press('Insert');
		await saved(page);
		await readPage(page, wrong, 'week');
		await page.getByRole('button', { name: 'Change', exact: true }).click();
		await readPage(page, wrong, 'levels');
		await page.getByLabel('Room used as').selectOption({ label: 'Room of frail or very young people' });
		await saved(page);
		await readPage(page, wrong, 'routine');

		await open(page, `${zone}/proof`);
		await page.getByRole('button', { name: 'A radiator, block walls' }).click();
		await page.getByRole('button', { name: 'Describe it so' }).click();
		await expect(page.locator('main h1')).not.toHaveText(/Computing/);
		await saved(page);
		for (const more of await page.locator('.bx--accordion__heading').all()) await more.click();
		await readPage(page, wrong, 'proof');

		await open(page, `${site}/visit`);
		await page.getByLabel('Room, measured').fill(shown);
		await page.getByLabel('Room, measured').press('Tab');
		await page.getByRole('group', { name: 'It was in' }).getByRole('button', { name: 'manual' }).click();
		await saved(page);
		expect(await readPage(page, wrong, 'visit, found')).toMatch(right);
		const next = () => page.getByRole('button', { name: /^(Next|Skip)$/ }).click();
		await next();
		await page.getByRole('group', { name: 'Frost protection' }).getByRole('button', { name: 'on' }).click();
		await page.getByLabel('The control shows').fill(shown);
		await page.getByLabel('The control shows').press('Tab');
		await page.getByLabel('The thermometer shows').fill(fahrenheit ? '65' : '18.5');
		await page.getByLabel('The thermometer shows').press('Tab');
		await page.getByRole('button', { name: 'Add the reading' }).click();
		await expect(page.getByText(fahrenheit ? /^Offset \+1\.0\s°F/ : /^Offset \+0\.5\sK/)).toBeVisible();
		await readPage(page, wrong, 'visit, settings');
		await next();
		await page.getByRole('button', { name: 'It is set now' }).click();
		await saved(page);
		await readPage(page, wrong, 'visit, clock');

		await open(page, `${zone}/key-in`);
		await page.getByRole('button', { name: 'Factory settings, or just reset' }).click();
		await expect(page.locator('.value')).toBeVisible();
		await readPage(page, wrong, 'key in');
		await keyIn(page, 'Factory settings, or just reset');
		await saved(page);

		// keyed is not read: the check asks for it, the tab says how far it is
		await open(page, `${site}/checks`);
		await expect(page.getByText('Nothing was read back from the display.')).toBeVisible();
		await readPage(page, wrong, 'checks');
		await open(page, `${zone}/read-back`);
		const tab = page.getByRole('navigation', { name: /^Places of/ }).getByRole('link', { name: /^Key in/ });
		await expect(tab).toContainText(/0 of \d read back/);
		await readPage(page, wrong, 'read back');
		const groups = page.getByRole('button', { name: 'shows this' });
		const count = await groups.count();
		for (let i = 0; i < count; i++) await groups.first().click();
		await expect(page.getByText('The display shows what is planned.')).toBeVisible();
		await expect(tab).toContainText('keyed in, read back');
		await saved(page);

		for (const view of ['clock', 'away', 'moment', 'hand-over']) {
			await open(page, `${zone}/${view}`);
			await readPage(page, wrong, view);
		}
		for (const view of ['', '/settings', '/clocks', '/away', '/heat', '/record']) {
			await open(page, `${site}${view}`);
			await readPage(page, wrong, `site${view}`);
		}

		await open(page, `${site}/visit`);
		await page
			.getByRole('navigation', { name: 'Steps at this control' })
			.getByRole('button', { name: /^Test/ })
			.click();
		await expect(
			page
				.getByText(
					fahrenheit
						? 'Set it to 69 °F, above the 64 °F of the room.'
						: 'Set it to 21.0 °C, above the 18.0 °C of the room.'
				)
				.first()
		).toBeVisible();
		for (let i = 0; i < 6; i++) await page.getByRole('button', { name: 'Seen', exact: true }).click();
		await readPage(page, wrong, 'visit, test');
		await next();
		await readPage(page, wrong, 'visit, leave');
		await next();
		await expect(page.getByRole('heading', { name: 'Ready to sign off' })).toBeVisible();
		await expect(page.getByText('Nothing was read back')).toHaveCount(0);
		await readPage(page, wrong, 'sign-off');
		await page.getByLabel('Who').fill('R. Tilling');
		await page.getByRole('button', { name: 'Sign off', exact: true }).last().click();
		await expect(page.getByText('R. Tilling, signed off')).toBeVisible();
		await readPage(page, wrong, 'record');
		// who signed stands on what is handed over
		await open(page, `${zone}/hand-over`);
		await expect(page.locator('footer', { hasText: 'Set up by: R. Tilling' })).toBeVisible();

		// what stands beside a tab is never older than the page: one edit, and the card is no longer all in
		await open(page, `${zone}/week`);
		const tabs = page.getByRole('navigation', { name: /^Places of/ }).getByRole('link', { name: /^Key in/ });
		await expect(tabs).toHaveText(/Key in keyed in, read back$/);
		await page.getByRole('button', { name: /^Tuesday:/ }).focus();
		await page.keyboard.press('Insert');
		await expect(tabs).toHaveText(/\d+ left, \d+ min$/);
		await saved(page);
		await expect(tabs).toHaveText(/\d+ left, \d+ min$/);
	});
