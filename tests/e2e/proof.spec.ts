import { readFileSync } from 'node:fs';
import { alive, expect, open, saved, slide, test, toView, toZone } from './bench';

test('a light room and a heavy one: other leads, opposite advice; a lead taken goes into week and card, and says when it is out of date', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Kelter Court/ }).click();
	await page
		.locator('tbody')
		.getByRole('link', { name: /^Porter, panel heater/ })
		.click();
	await toView(page, 'Plan', 'Start early');
	await expect(page.getByText(/^Set it back: the program saves \d+ %/)).toBeVisible();
	await expect(page.getByText(/Half an hour is enough down to -?\d+\s°C/)).toBeVisible();
	await toZone(page, 'Crèche floor');
	await expect(page.getByText(/^(Keep it steady|Keep the setback small)/)).toBeVisible();
	await expect(page.getByText(/The floor surface stays at .* under its limit of 29\s°C\./)).toBeVisible();

	// another outdoor temperature: the answer follows
	const outside = page.getByRole('slider', { name: /Outside/ });
	await slide(outside, -12);
	await expect(page.getByText(/at -12\s°C outside allow/)).toBeVisible();
	await slide(outside, 3);
	const rise = page.locator('.rises li').filter({ hasText: /^Tue/ }).first();
	const [, hours, minutes] = /(?:(\d+) h ?)?(\d+)? ?(?:min )?before/.exec(await rise.innerText())!;
	const lead = Number(hours ?? 0) * 60 + Number(minutes ?? 0);
	expect(lead).toBeGreaterThan(30);
	await page.getByRole('button', { name: 'Use these preheat times for 3 °C' }).click();
	await expect(page.getByText(/^Preheat times for .* are taken into the week\.$/)).toBeVisible();
	await saved(page);

	await toView(page, 'Plan', 'Week');
	await expect(page.getByRole('combobox', { name: /^Start/ })).toHaveValue('computed');
	await expect(page.getByText(/For this room at 3\s°C outside, .* before the need\./)).toBeVisible();
	await page.getByRole('button', { name: /^Saturday:/ }).focus();
	await page.keyboard.press('Insert');
	await expect(page.getByText(/have changed since: compute it again/)).toBeVisible();
	await page.keyboard.press('Control+z');
	await expect(page.getByText(/have changed since/)).toHaveCount(0);

	// wrong figures are refused where they stand
	await toView(page, 'Plan', 'Room');
	await alive(page);
	await page.getByRole('textbox', { name: /^Floor/ }).fill('0');
	await page.getByRole('textbox', { name: /^Floor/ }).press('Tab');
	await expect(page.getByRole('alert')).toContainText('Floor area must be at least 1 m²');
	await page.getByRole('textbox', { name: /^Floor/ }).fill('60');
	await page.getByRole('textbox', { name: /^Floor/ }).press('Tab');
	await toView(page, 'Plan', 'Start early');
	await expect(
		page.getByText('Preheat out of date: computed for another room or week. Take it again.')
	).toBeVisible();
});

test('a logger’s file changes the room, and the lead, the week and the card with it; a bad one changes nothing', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Kelter Court/ }).click();
	await page
		.locator('tbody')
		.getByRole('link', { name: /^Porter, panel heater/ })
		.click();
	await toView(page, 'Plan', 'Start early');
	await page.getByRole('button', { name: /^Use these preheat times for/ }).click();
	await saved(page);
	const first = page.locator('.rises li').first();
	const before = await first.innerText();

	await toView(page, 'Plan', 'Room');
	await alive(page);
	const text = readFileSync('demo/porters-lodge.log.csv', 'utf8');
	const choose = (content: string) =>
		page
			.getByLabel('Logger file')
			.setInputFiles({ name: 'lodge.csv', mimeType: 'text/csv', buffer: Buffer.from(content) });
	await choose(text.replace('2026-11-17 06:00', '17/11 6am'));
	await expect(page.getByRole('alert')).toContainText('lodge.csv: Line 1802: "17/11 6am" is unclear');
	await choose(text.split('\n').slice(0, 300).join('\n'));
	await expect(page.getByRole('alert')).toContainText('a night and a morning are needed');
	await choose(text);
	await expect(page.getByText(/^Warms from .*C to .*C in .* \(.* to .*\)$/)).toBeVisible({ timeout: 20_000 });
	// the columns are guessed, shown, and can be chosen otherwise
	await expect(
		page.getByRole('combobox', { name: 'Room', exact: true }).locator('option:checked')
	).toHaveText(/^room °C: /);
	await page
		.getByRole('combobox', { name: 'Heating', exact: true })
		.selectOption({ label: 'told from the temperature' });
	await expect(page.getByText(/that is told from how the temperature rises and falls/)).toBeVisible({
		timeout: 20_000
	});
	await page.getByRole('combobox', { name: 'Heating', exact: true }).selectOption({ index: 5 });
	await expect(page.getByText(/^Warms from/)).toBeVisible({ timeout: 20_000 });
	await page.getByRole('button', { name: 'Take what was measured' }).click();
	await expect(
		page.getByText(/Time constant [\d.]+ ± [\d.]+ h and [\d.]+ W\/K, from a log to 2026-11-18\./)
	).toBeVisible();
	await toView(page, 'Plan', 'Start early');
	await expect(
		page.getByText('Preheat out of date: computed for another room or week. Take it again.')
	).toBeVisible();
	await expect(first).not.toHaveText(before);
	await saved(page);
	await toView(page, 'Plan', 'Week');
	await expect(page.getByText(/have changed since: compute it again/)).toBeVisible();
	const line = await page.locator('path.target').first().getAttribute('d');
	await toView(page, 'Plan', 'Start early');
	await page.getByRole('button', { name: /^Use these preheat times for/ }).click();
	await expect(page.getByText(/^Preheat times for .* are taken into the week\.$/)).toBeVisible();
	await saved(page);
	await toView(page, 'Plan', 'Week');
	await expect(page.getByText(/For this room at 0\s°C outside/)).toBeVisible();
	expect(await page.locator('path.target').first().getAttribute('d')).not.toBe(line);
});

test('a year of invented weather, then of a weather file that is kept with the site; a bad file changes nothing', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Kelter Court/ }).click();
	await page
		.locator('tbody')
		.getByRole('link', { name: /^Porter, panel heater/ })
		.click();
	await toView(page, 'Plan', 'Start early');
	await page.getByRole('button', { name: 'Run a year of invented weather' }).click();
	const sentence = page.getByText(/^\d+ kWh a year, \d+ kWh less than at one temperature; /);
	await expect(sentence).toBeVisible({ timeout: 30_000 });
	const invented = await sentence.innerText();

	const days = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
	const rows = days.flatMap((n, month) =>
		Array.from(
			{ length: n * 24 },
			(_, i) => `2003,${month + 1},${Math.floor(i / 24) + 1},${(i % 24) + 1},60,?,3.5,1,80`
		)
	);
	const head = [
		'LOCATION,Hollow Reach,-,NWHERE,invented,1,52,-3,0,40',
		...[1, 2, 3, 4, 5, 6].map((n) => `HEADER ${n},`),
		'DATA PERIODS,1,1,Data,Monday, 1/ 1,12/31'
	];
	const file = (name: string, lines: string[]) =>
		page.getByLabel('Weather file').setInputFiles({
			name,
			mimeType: 'text/plain',
			buffer: Buffer.from(lines.join('\n'))
		});
	await file('broken.epw', [...head, ...rows.slice(0, 100), 'what is this']);
	await expect(page.getByRole('alert')).toContainText('broken.epw: Line 109: no hour of a year');
	await file('hollow.epw', [...head, ...rows]);
	await expect(page.getByText('Hollow Reach, NWHERE: 3.5 °C to 3.5 °C.')).toBeVisible();
	await expect(page.getByText(/another room, week or weather: compute it again\.$/)).toBeVisible();
	await page.reload();
	await page.getByRole('button', { name: 'Run a year of Hollow Reach, NWHERE' }).click();
	await expect(sentence).toBeVisible({ timeout: 30_000 });
	expect(await sentence.innerText()).not.toBe(invented);
});
