import { expect, open, saved, test } from './bench';

test('what feeds what: hours that the boiler may not run are said in the same words on House and Week, and its program follows its zones', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Kelter Court/ }).click();
	await page.getByRole('link', { name: 'House', exact: true }).click();
	const vain = 'Mon–Fri 09:00–11:30: Registrar asks for 20.5 °C, but Boiler may not run, 2 h 30 a day.';
	await expect(page.getByText(vain)).toBeVisible();
	await expect(page.getByText(/^Boiler may not run in 28 h 10 of the week/)).toBeVisible();

	// another zone is fed by it; the hours and sentences follow
	await page.getByLabel('Archive', { exact: true }).selectOption('Boiler');
	await saved(page);
	await expect(page.getByText('Archive asks for 19.0 °C, but Boiler may not run').first()).toBeVisible();

	// the zone that lets it run cannot be fed by it: it is not offered
	await expect(page.getByLabel('Boiler, heating', { exact: true })).toHaveCount(0);

	await page.getByRole('link', { name: 'Registrar' }).first().click();
	await page.getByRole('link', { name: /^Week/ }).first().click();
	await expect(page.getByText(vain)).toBeVisible();
	await page.getByRole('link', { name: 'and one more' }).click();

	await page.getByRole('button', { name: 'Make Boiler, heating follow its zones' }).click();
	await saved(page);
	await expect(page.getByText(vain)).toHaveCount(0);
	// what its control cannot hold of that is said, or nothing is left
	const left = page.getByText(/^Boiler may (not run in \d+ (min|h)|run whenever one of its zones asks)/);
	await expect(left).toBeVisible();
});

test('an empty house: a source is added, feeds a room, is let run by a timer, and is taken away again', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Osier Lane/ }).click();
	await page.getByRole('link', { name: 'House', exact: true }).click();
	await expect(page.getByText(/^Nothing is said yet of what makes the heat/)).toBeVisible();
	await page.getByLabel('Name', { exact: true }).fill('Heat pump in the yard');
	await page.getByLabel('It is').selectOption('a heat pump');
	await page.getByRole('button', { name: 'Add it' }).click();
	await saved(page);
	await expect(page.getByText('Heat pump in the yard feeds no zone yet.')).toBeVisible();
	await page.getByLabel('Reading room', { exact: true }).selectOption('Heat pump in the yard');
	await expect(page.getByText('Heat pump in the yard runs whenever one of its zones calls.')).toBeVisible();
	await page.getByLabel('Heat pump in the yard may run in the hours of').selectOption('Back kitchen rail');
	await expect(
		page.getByText(/Reading room asks for .*, but Heat pump in the yard may not run/).first()
	).toBeVisible();

	await page.getByRole('button', { name: 'More for Heat pump in the yard' }).click();
	await page.getByRole('menuitem', { name: 'Take away' }).click();
	await expect(page.getByText(/^Nothing is said yet of what makes the heat/)).toBeVisible();
	await page.reload();
	await expect(page.getByText(/^Nothing is said yet of what makes the heat/)).toBeVisible();
});
