import { alive, expect, open, saved, test, keyIn } from './bench';

test('a table pasted from a spreadsheet becomes the week, and comes out as it went in', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Osier Lane/ }).click();
	await page.locator('tbody th a').first().click();
	await alive(page);
	await page.getByRole('button', { name: 'Table' }).click();
	const table = page.getByLabel('Table of the wanted week: day, from, to, level');
	const before = await table.inputValue();
	expect(before.split('\n')[0]).toBe('Day\tFrom\tTo\tLevel');

	await table.fill(
		'Mon-Fri;0:00;16:00;E\nMon-Fri;4 pm;8:30 pm;20,0\nMon-Fri;20:30;24:00;Closed\nSat+Sun;00:00;24:00;15'
	);
	await page.getByRole('button', { name: 'Use this table' }).click();
	await expect(page.getByRole('slider', { name: 'Friday, change 1', exact: true })).toHaveAttribute(
		'aria-valuetext',
		/^16:00 to Open/
	);
	await expect(page.getByText('Programmed 5+2.')).toBeVisible();

	await table.fill('Mon-Fri;0:00;16.25;E');
	await page.getByRole('button', { name: 'Use this table' }).click();
	await expect(page.getByRole('alert')).toHaveText('Line 1, column To: "16.25" is unclear. Write 06:30.');

	await table.fill(before);
	await page.getByRole('button', { name: 'Use this table' }).click();
	await saved(page);
	await expect(table).toHaveValue(before);
});

const families = [
	'Main hall',
	'Council office',
	'Registrar',
	'Wash room floor',
	'Crèche floor',
	'Porter, panel heater',
	'Upper flat',
	'Archive',
	'Chamber, line voltage',
	'Lower flat',
	'Boiler, heating',
	'Boiler, hot water',
	'Meter room'
];

test('each family: a slip planted in the read-back is found, and the card asks for it alone', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Kelter Court/ }).click();
	await expect(page.locator('tbody th .name')).toHaveText(families);
	const links = await page
		.locator('tbody th a')
		.evaluateAll((all) => all.map((a) => a.getAttribute('href')!));
	for (const link of links) {
		await open(page, link.replace(/week$/, 'key-in'));
		// what hangs on a control that was keyed with another zone is all in
		if ((await keyIn(page, 'Factory settings, or just reset')) > 0) await saved(page);

		await open(page, link.replace(/week$/, 'read-back'));
		const field = page.locator('.row input').last();
		const planned = await field.inputValue();
		// an hour strip's day is keyed whole
		const rows = await page.locator('section').filter({ has: field }).locator('.row input').count();
		const again = rows >= 24 ? 24 : 1;
		// something else that could stand there: another time, figure, or word of the same kind
		const others = await page
			.locator('.row input')
			.evaluateAll((all) => all.map((one) => (one as HTMLInputElement).value));
		const wrong = /:/.test(planned)
			? '03:30'
			: /^\d+\.\d$/.test(planned)
				? planned === '16.0'
					? '17.0'
					: '16.0'
				: /^\d+$/.test(planned)
					? planned === '45'
						? '15'
						: '45'
					: others.find((other) => /^[A-Z]/.test(other) && other !== planned)!;
		await field.fill(wrong);
		await field.press('Enter');
		await field.blur();
		await expect(page.locator('.slips li')).toHaveCount(1);
		await expect(page.locator('.slips li')).toContainText(wrong);
		await saved(page);
		await page.getByRole('link', { name: 'the short card' }).click();
		// it alone is asked for; where a slip means doing the day again, that day and nothing else
		await expect(page.locator('.value')).toContainText(
			// the value, or the copy that brings it
			again === 1 ? new RegExp(`${planned.replace('.', '\\.')}|^(Mon|Tue|Wed|Thu|Fri|Sat|Sun)$`) : /\w/
		);
		await expect(page.getByRole('heading', { name: 'All keyed in' })).toHaveCount(0);
		// and the mode before and after, where a control takes no values without
		expect(await keyIn(page, 'Factory settings, or just reset')).toBeLessThanOrEqual(again + 2);
		await saved(page);
		await open(page, link.replace(/week$/, 'hand-over'));
		const pdf = await page.pdf({ preferCSSPageSize: true });
		expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
	}
});
