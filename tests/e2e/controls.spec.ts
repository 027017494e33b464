import { readFileSync } from 'node:fs';
import { addZone, alive, expect, makeSite, open, press, saved, test, toView } from './bench';

test('a control of one’s own: made from scratch, exported, deleted, imported, used, changed under a zone', async ({
	page
}) => {
	await open(page, '/controls');
	await page.getByLabel('New control, by what it is').fill('Five-change cellar stat');
	await page.getByRole('button', { name: 'changes at times of day' }).click();
	await expect(page.getByRole('textbox', { name: 'Name of the control' })).toHaveValue(
		'Five-change cellar stat'
	);
	await alive(page);

	// field by field, with the effect on the sample week and a sentence for what cannot be
	await expect(page.getByText(/^The whole week fits, programmed 7-day\.$/)).toBeVisible();
	await page.getByRole('button', { name: 'Change: What it holds' }).click();
	await page.getByLabel('A day (factory setting first)').fill('2');
	await page.getByLabel('A day (factory setting first)').press('Tab');
	await expect(page.getByText(/Holds two changes a day/).first()).toBeVisible();
	await expect(page.getByText(/Programmed as 7-day: .*20\.0|Programmed as 7-day: .*16\.0/)).toBeVisible();
	await page.getByLabel('A day (factory setting first)').fill('5');
	await page.getByLabel('A day (factory setting first)').press('Tab');
	await page.getByLabel('On a raster of').fill('7');
	await page.getByLabel('On a raster of').press('Tab');
	await expect(page.getByRole('alert')).toHaveText(
		'Program, time step must divide the hour. Not kept until it is mended.'
	);
	await page.getByLabel('On a raster of').fill('5');
	await page.getByLabel('On a raster of').press('Tab');
	await expect(page.getByRole('alert')).toHaveCount(0);
	await expect(page.getByText(/Holds five changes a day, in steps of 5 minutes/).first()).toBeVisible();
	await page.getByRole('button', { name: 'Change: Its days' }).click();
	await page.getByLabel('Other blocks').fill('Mon Wed Fri / Tue Thu / Sat-Sun');
	await page.getByLabel('Other blocks').press('Tab');
	await expect(page.getByText('Mon, Wed, Fri / Tue, Thu / Sat, Sun').last()).toBeVisible();
	await page.getByRole('button', { name: 'Change: How it is keyed' }).click();
	await press(page.getByLabel('Leaves the menu by itself'));
	await page.getByLabel('after, s', { exact: true }).fill('5');
	await page.getByLabel('after, s', { exact: true }).press('Tab');
	await expect(page.getByText(/The menu leaves after 5 s, but .* the card cannot be keyed\./)).toBeVisible();
	await page.getByLabel('after, s', { exact: true }).fill('90');
	await page.getByLabel('after, s', { exact: true }).press('Tab');
	await expect(page.getByText(/the card cannot be keyed/)).toHaveCount(0);
	// where its options are found, and what that wipes
	await page.getByRole('button', { name: 'Change: Its options, resets and lock' }).click();
	await page.getByLabel('Day grouping: the way to it').fill('Hold clock until 7 shows.');
	await page.getByLabel('Day grouping: the way to it').press('Tab');
	await expect(
		page.getByText('Day grouping: Hold clock until 7 shows; a change wipes the week.')
	).toBeVisible();
	await page.getByLabel('Its lock').selectOption('all');
	await expect(
		page.getByText(/Its keys lock: Hold two keys until the padlock shows\. To end it:/)
	).toBeVisible();
	await saved(page);

	const [download] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('link', { name: 'Export file' }).click()
	]);
	const file = await download.path();
	const text = readFileSync(file, 'utf8');
	expect(JSON.parse(text)).toMatchObject({
		format: 'fond-quarter/control',
		profile: { id: 'five-change-cellar-stat', program: { perDay: [5], stepMinutes: 5 } }
	});

	await open(page, '/controls');
	await page.getByRole('button', { name: 'More for Five-change cellar stat' }).click();
	await page.getByRole('menuitem', { name: 'Delete' }).click();
	await expect(page.getByRole('button', { name: 'Put Five-change cellar stat back' })).toBeVisible();
	const choose = (content: string) =>
		page.getByLabel('Control file').setInputFiles({
			name: 'cellar.control.json',
			mimeType: 'application/json',
			buffer: Buffer.from(content)
		});
	await choose(text.replace('"maxC": 30', '"maxC": 3'));
	await expect(
		page.getByText(
			/cellar\.control\.json: Profile, temperature, highest temperature must be above the lowest/
		)
	).toBeVisible();
	await choose(text.slice(0, 200));
	await expect(
		page.getByText(/it stops making sense at line \d+, column \d+\. Nothing was imported/)
	).toBeVisible();
	await choose(text);
	await expect(page.getByText('Five-change cellar stat is among your own now.')).toBeVisible();

	await makeSite(page, 'Vellum Row');
	await addZone(page, 'Cellar', 'Five-change cellar stat');
	await press(page.getByRole('radio', { name: /^Mon, Wed, Fri/ }));
	await saved(page);
	await toView(page, 'Key in');
	await expect(page.getByText('Mon, Wed, Fri').first()).toBeVisible();
	await page.getByRole('button', { name: 'Factory settings, or just reset' }).click();
	await expect(page.locator('main').getByText('Hold clock until 7 shows.')).toBeVisible();

	// changed under the zone: nothing is re-fitted until asked
	await open(page, '/controls/five-change-cellar-stat');
	await page.getByRole('button', { name: 'Change: What it holds' }).click();
	await page.getByLabel('A day (factory setting first)').fill('3');
	await page.getByLabel('A day (factory setting first)').press('Tab');
	await saved(page);
	await expect(page.getByText('One zone still works with this control as it was.')).toBeVisible();
	await page.getByRole('button', { name: 'What would change' }).click();
	await expect(page.getByText(/^Cellar \d+ values instead of \d+/)).toBeVisible();
	await page.getByRole('button', { name: 'Fit them again' }).click();
	await expect(
		page.getByText('Used by one zone: Cellar (Vellum Row). One zone was fitted again.')
	).toBeVisible();
});
