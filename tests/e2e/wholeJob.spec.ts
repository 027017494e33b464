import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import {
	addZone,
	alive,
	expect,
	makeSite,
	onOverview,
	placeOn,
	press,
	saved,
	siteAct,
	test,
	toView
} from './bench';

/** Keys every value of the card with the keyboard alone; returns what was asked, in order. */
async function walkCard(page: Page): Promise<string[]> {
	const asked: string[] = [];
	const status = page.locator('main').getByRole('status').first();
	await page.getByRole('button', { name: 'Factory settings, or just reset' }).click();
	await expect(status).toHaveText(/^\d+ left/);
	for (let left = parseInt(await status.innerText()); left > 0; left--) {
		await expect(status).toHaveText(new RegExp(`^${left} left`));
		asked.push(`${await page.locator('.what').innerText()}: ${await page.locator('.value').innerText()}`);
		await page.keyboard.press(left % 2 === 0 ? 'Enter' : 'ArrowRight');
	}
	await expect(page.getByRole('heading', { name: 'All keyed in' })).toBeVisible();
	return asked;
}

/** Exports the site's job file from the board. */
async function exported(page: Page): Promise<{ text: string; file: string }> {
	const [download] = await Promise.all([page.waitForEvent('download'), siteAct(page, 'Export job file')]);
	const file = await download.path();
	return { text: readFileSync(file, 'utf8'), file };
}

async function deleteSite(page: Page, name: string): Promise<void> {
	await page.goto('/');
	await alive(page);
	await page.getByRole('button', { name: `More for ${name}` }).click();
	await page.getByRole('menuitem', { name: 'Delete' }).click();
	await expect(page.getByRole('button', { name: `Put ${name} back` })).toBeVisible();
}

test('a six-step stat from an empty site to the customer’s page and back from its file', async ({ page }) => {
	await makeSite(page, 'Pepper Wharf');
	await addZone(page, 'Sail loft', 'Six-step room stat');
	const change = (day: string, n: number) =>
		page.getByRole('slider', { name: `${day}, change ${n}`, exact: true });

	// Monday by pointer: a change at 08:00 up to comfort, one at 17:00 back down
	const eight = await placeOn(page, 'Monday', 480);
	await page.mouse.dblclick(eight.x, eight.y - 16);
	await expect(change('Monday', 1)).toHaveAttribute('aria-valuetext', /^08:00 to Comfort 20\.0, from /);
	const five = await placeOn(page, 'Monday', 1020);
	await page.mouse.dblclick(five.x, five.y);
	await expect(change('Monday', 2)).toHaveAttribute('aria-valuetext', /^17:00 to Eco/);

	// drag the first change an hour earlier, snapping to the control's ten minutes
	const grip = (await change('Monday', 1).boundingBox())!;
	const seven = await placeOn(page, 'Monday', 423);
	await page.mouse.move(grip.x + grip.width / 2, grip.y + 8);
	await page.mouse.down();
	await page.mouse.move(seven.x, seven.y, { steps: 6 });
	await page.mouse.up();
	await expect(change('Monday', 1)).toHaveAttribute('aria-valuetext', /^07:00/);

	// by keyboard: ten minutes later, undo, redo
	await change('Monday', 1).focus();
	await page.keyboard.press('ArrowRight');
	await expect(change('Monday', 1)).toHaveAttribute('aria-valuetext', /^07:10/);
	await page.keyboard.press('Control+z');
	await expect(change('Monday', 1)).toHaveAttribute('aria-valuetext', /^07:00/);
	await page.keyboard.press('Control+Shift+z');
	await expect(change('Monday', 1)).toHaveAttribute('aria-valuetext', /^07:10/);

	// Monday onto the week, then Wednesday its own shape: frost all day but an evening
	await page.getByRole('button', { name: /^Monday:/ }).click();
	await page.getByRole('button', { name: 'all', exact: true }).click();
	await expect(change('Sunday', 2)).toHaveAttribute('aria-valuetext', /^17:00/);
	await change('Wednesday', 2).focus();
	await page.keyboard.press('Delete');
	await change('Wednesday', 1).focus();
	await page.keyboard.press('Shift+ArrowRight');
	await page.keyboard.press('f');
	await expect(change('Wednesday', 1)).toHaveAttribute('aria-valuetext', /^08:10 to Frost 7\.0, from /);
	await saved(page);

	// 5+2 cannot hold two shapes among the weekdays, and says so; 7-day can
	await press(page.getByRole('radio', { name: /^5\+2/ }));
	await expect(page.getByRole('heading', { name: /will be .*, not / })).toBeVisible();
	await expect(
		page
			.getByText(
				/Wed 07:10–08:10 will be 20\.0\s°C, not 16\.0\s°C|Wed 08:10–17:00 will be 20\.0\s°C, not 7\.0\s°C/
			)
			.first()
	).toBeVisible();
	await press(page.getByRole('radio', { name: /^7-day/ }));
	await expect(page.getByRole('heading', { name: 'The whole week fits' })).toBeVisible();
	await saved(page);

	await toView(page, 'Key in');
	await expect(page.getByRole('heading', { name: 'How was the control found?' })).toBeVisible();
	// paper gets the card alone
	await page.emulateMedia({ media: 'print' });
	await expect(page.getByText(/: what to key in$/)).toBeVisible();
	await expect(page.getByRole('heading', { name: 'How was the control found?' })).toBeHidden();
	await page.emulateMedia({ media: null });
	const asked = await walkCard(page);
	expect(asked.length).toBeLessThan(5 + 7 * 12);
	expect(asked.filter((one) => /, copy \w+ onto it: /.test(one)).length).toBeGreaterThanOrEqual(5);
	expect(asked.some((one) => one.endsWith(', step 1, time: 07:10'))).toBe(true);
	expect(asked.some((one) => one.endsWith(', step 1, time: 08:10'))).toBe(true);
	await page.reload();
	await expect(page.getByRole('heading', { name: 'All keyed in' })).toBeVisible();

	await toView(page, 'Key in', 'Customer page');
	await expect(page.getByRole('heading', { name: 'Your heating week: Sail loft' })).toBeVisible();
	await expect(
		page
			.getByText(/Monday, Tuesday, Thursday, Friday, Saturday and Sunday:|Monday and Tuesday:|Thursday/)
			.first()
	).toBeVisible();
	const pdf = await page.pdf({ preferCSSPageSize: true });
	expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
	expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(1);

	await page.getByRole('link', { name: 'Pepper Wharf', exact: true }).click();
	await expect(page.locator('tbody').getByRole('link', { name: 'keyed in', exact: true })).toBeVisible();
	const before = await exported(page);
	await deleteSite(page, 'Pepper Wharf');
	await page.getByLabel('Job file to import').setInputFiles({
		name: 'pepper.job.json',
		mimeType: 'application/json',
		buffer: Buffer.from(before.text)
	});
	await onOverview(page, 'Pepper Wharf');
	await expect(page.locator('tbody').getByRole('link', { name: 'keyed in', exact: true })).toBeVisible();
	expect((await exported(page)).text).toBe(before.text);
});

for (const [control, letters, value] of [
	['Hour-strip keypad', ['c', 'e'], 'Monday, 00:00 to 11:00: Eco'],
	['Switch timer', ['i', '0'], 'Monday, pair 1 on, hour: 11']
] as const) {
	test(`a ${control.toLowerCase()} goes the same way`, async ({ page }) => {
		await makeSite(page, 'Pepper Wharf');
		await addZone(page, 'Wash room', control);
		const change = (day: string, n: number) =>
			page.getByRole('slider', { name: `${day}, change ${n}`, exact: true });

		// by keyboard alone: a day without any change, then a change added, lettered and moved
		await page.getByRole('button', { name: /^Monday:/ }).focus();
		await page.keyboard.press('Insert');
		await expect(change('Monday', 1)).toHaveAttribute('aria-valuetext', /^12:00/);
		await page.keyboard.press(letters[0]);
		await page.keyboard.press('Shift+ArrowLeft');
		await page.keyboard.press('Enter');
		await page.keyboard.press(letters[1]);
		await expect(change('Monday', 2)).toBeVisible();
		await page.getByRole('button', { name: 'Copy Monday onto Saturday' }).click();
		await expect(change('Saturday', 2)).toBeVisible();
		await saved(page);

		if (control === 'Switch timer') await press(page.getByRole('radio', { name: /^7-day/ }));
		await expect(page.getByRole('heading', { name: 'The whole week fits' })).toBeVisible();
		await saved(page);
		await toView(page, 'Key in');
		const asked = await walkCard(page);
		expect(asked).toContain(value);

		await toView(page, 'Key in', 'Customer page');
		await expect(page.getByRole('heading', { name: 'Your heating week: Wash room' })).toBeVisible();
		await expect(page.locator('.words')).toContainText(
			control === 'Switch timer' ? 'On from 11:00 to' : 'until 11:00'
		);
		await page.getByRole('link', { name: 'Pepper Wharf', exact: true }).click();
		const before = await exported(page);
		await deleteSite(page, 'Pepper Wharf');
		await page
			.getByLabel('Job file to import')
			.setInputFiles({ name: 'p.json', mimeType: 'application/json', buffer: Buffer.from(before.text) });
		await onOverview(page, 'Pepper Wharf');
		expect((await exported(page)).text).toBe(before.text);
	});
}
