import { addZone, alive, expect, makeSite, open, placeOn, press, saved, test } from './bench';

test('a routine draws the week; a drawing over it is told, and both ways back are offered', async ({
	page
}) => {
	await makeSite(page, 'Gannet Lane');
	await addZone(page, 'Kitchen', 'Six-step room stat');
	// an untouched week opens with its routine
	await page.getByLabel('Room used as').selectOption({ label: 'Workshop, sitting or light work' });
	await expect(page.getByText(/Usual here: Comfort 16\.0\s°C, Eco 12\.0\s°C\./)).toBeVisible();
	await page.getByRole('button', { name: 'Take these' }).click();
	await expect(page.getByText('The levels are those usual here.')).toBeVisible();
	await page.getByLabel('Start from').selectOption('late-weekend');
	const late = page.getByLabel('Spans of Late night');
	await expect(late).toHaveValue('17:00–01:00 C');
	await expect(page.getByRole('slider', { name: 'Saturday, change 1', exact: true })).toHaveAttribute(
		'aria-valuetext',
		/^01:00 to Eco/
	);

	// what cannot be is refused where it stands, and stays to be mended
	await late.fill('17:00–01:00 C, 23:00–24:00 E');
	await late.press('Tab');
	await expect(page.getByRole('alert')).toHaveText('Late night, 23:00–24:00: overlaps 17:00–01:00 next day.');
	await late.fill('17–25:00');
	await late.press('Tab');
	await expect(page.getByRole('alert')).toContainText('25:00 is no time of day');
	await late.fill('5 pm–1:30, 9.5–11 E');
	await late.press('Tab');
	await expect(late).toHaveValue('09:30–11:00 E, 17:00–01:30 C');
	await page.getByRole('button', { name: 'Sunday is Late night' }).click();
	await expect(page.getByRole('slider', { name: 'Monday, change 1', exact: true })).toHaveAttribute(
		'aria-valuetext',
		/^01:30 to Eco/
	);
	await saved(page);

	await page.getByRole('button', { name: 'Routine', exact: true }).click();
	const noon = await placeOn(page, 'Monday', 720);
	await page.mouse.dblclick(noon.x, noon.y - 12);
	await expect(page.getByText('The week no longer follows its routine.')).toBeVisible();
	await page.getByRole('button', { name: 'See both' }).click();
	await page.getByRole('button', { name: 'Draw the week from the routine' }).click();
	await expect(page.getByText('The drawn week no longer follows this routine.')).toHaveCount(0);
	await page.getByRole('button', { name: 'Undo' }).click();
	await page.getByRole('button', { name: 'Take the routine from the week' }).click();
	await expect(page.getByText('The drawn week no longer follows this routine.')).toHaveCount(0);
	await expect(page.getByLabel('Spans of Monday')).toHaveValue(/12:00–\d\d:\d\d C/);
});

test('one zone’s week is given to others together, or to none when another window was first', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Marrow House/ }).click();
	await page
		.locator('tbody')
		.getByRole('link', { name: /^Fennel room/ })
		.click();
	await alive(page);
	await page.getByRole('button', { name: 'Other zones' }).click();
	const dialog = page.getByRole('dialog');
	await expect(dialog.getByText(/7-day, .* too (cold|warm), \d+ values/).first()).toBeVisible();
	await press(dialog.getByRole('checkbox', { name: /^Apple room/ }));
	await press(dialog.getByRole('checkbox', { name: /^Iris room/ }));

	// Iris room is renamed elsewhere: nothing is given
	const site = /sites\/([^/]+)/.exec(page.url())![1]!;
	const job = `/api/v1/jobs/${site}`;
	const weeks = async () =>
		((await (await page.request.get(job)).json()) as { zones: { name: string; wanted: unknown }[] }).zones;
	const before = await weeks();
	const other = await page.context().newPage();
	await open(other, `/sites/${site}`);
	await other.getByRole('button', { name: 'More for Iris room' }).click();
	await other.getByRole('menuitem', { name: 'Rename' }).click();
	await other.getByLabel('New name of Iris room').fill('Iris suite');
	await other.getByRole('button', { name: 'Save' }).click();
	await expect(other.locator('tbody').getByRole('link', { name: /^Iris suite/ })).toBeVisible();
	await dialog.getByRole('button', { name: 'Give it to 2 zones' }).click();
	await expect(dialog.getByRole('alert')).toContainText('has been changed or removed in another window');
	expect((await weeks()).map((zone) => zone.wanted)).toEqual(before.map((zone) => zone.wanted));

	await dialog.getByRole('button', { name: 'Give it to 2 zones' }).click();
	await expect(dialog.getByText(/2 zones have the week of Fennel room now/)).toBeVisible();
	const after = await weeks();
	const wanted = (name: string) => after.find((zone) => zone.name === name)!.wanted;
	expect(wanted('Apple room')).toEqual(wanted('Fennel room'));
	expect(wanted('Iris suite')).toEqual(wanted('Fennel room'));
	expect(wanted('Elder room')).not.toEqual(wanted('Fennel room'));

	// one temperature everywhere is an act of its own: no week is touched, and one undo takes back all of it
	const levels = async () =>
		(
			(await (await page.request.get(job)).json()) as {
				zones: { name: string; levels: { id: string; setpointC: number }[] }[];
			}
		).zones;
	const warm = (all: Awaited<ReturnType<typeof levels>>) =>
		Object.fromEntries(
			all.map((zone) => [zone.name, zone.levels.find(({ id }) => id === 'comfort')?.setpointC])
		);
	await page.keyboard.press('Escape');
	await expect(dialog).toBeHidden();
	await page.getByRole('button', { name: 'Change', exact: true }).click();
	const setpoint = page.getByLabel(/^Setpoint of Comfort/);
	const was = warm(await levels());
	const next = Number(await setpoint.inputValue()) + 1;
	await setpoint.fill(String(next));
	await setpoint.press('Enter');
	await saved(page);
	await page.getByRole('button', { name: 'Other zones' }).click();
	await expect(dialog.getByText('has a week of its own, which is replaced').first()).toBeVisible();
	await dialog.getByLabel('Or give other zones').selectOption({ value: 'comfort' });
	await expect(dialog.getByText(/becomes .*; its week stays/).first()).toBeVisible();
	await dialog.getByRole('button', { name: 'All', exact: true }).click();
	await dialog.getByRole('button', { name: /^Give it to \d+ zones/ }).click();
	await expect(dialog.getByText(/one undo takes it back everywhere/)).toBeVisible();
	const given = await levels();
	expect(Object.values(warm(given)).filter((c) => c === next).length).toBeGreaterThan(3);
	expect((await weeks()).map((zone) => zone.wanted)).toEqual(after.map((zone) => zone.wanted));
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(page.getByText(/^Undone in \d+ other zones too\.$/)).toBeVisible();
	await saved(page);
	expect(warm(await levels())).toEqual(was);
});

test('a week that nobody drew is a state of its own, and one level all week is drawn once somebody says that it is wanted', async ({
	page
}) => {
	await makeSite(page, 'Plover Yard');
	const home = new URL(page.url()).pathname;
	await page.goto(`${home}/checks`);
	await expect(page.getByRole('heading', { name: 'No zones to sign off yet' })).toBeVisible();
	await open(page, home);
	await addZone(page, 'Store', 'Six-step room stat');
	await open(page, home);
	await addZone(page, 'Kitchen', 'Hour-strip keypad');
	await open(page, home);
	await expect(page.getByRole('heading', { name: 'Store and Kitchen: not drawn yet' })).toBeVisible();
	await expect(page.getByRole('row', { name: /Store/ })).toContainText('not drawn yet');
	await page.getByRole('link', { name: 'Draw the week of Store' }).click();
	await alive(page);
	await expect(page.getByRole('heading', { name: 'Week not drawn yet' })).toBeVisible();
	await page.getByRole('button', { name: 'Eco all week is what they want' }).click();
	await saved(page);
	await expect(page.getByRole('heading', { name: 'The whole week fits' })).toBeVisible();
	await open(page, home);
	await expect(page.getByRole('heading', { name: 'Kitchen: not drawn yet' })).toBeVisible();
	await expect(page.getByText('The one drawn week fits.')).toBeVisible();
	await page.goto(`${home}/checks`);
	await expect(page.getByText('Its week is not drawn yet: one level throughout.')).toHaveCount(1);
});

test('a week is said, drawn before it is taken, and what is not understood is marked', async ({ page }) => {
	await makeSite(page, 'Said Row');
	await addZone(page, 'Parlour', 'Six-step room stat');
	const first = page.getByRole('slider', { name: 'Monday, change 1', exact: true });
	await page.getByRole('button', { name: 'Say the week' }).click();
	const words = page.getByLabel('What they say');
	await words.fill('weekdays up at six, out half eight to five');
	await expect(page.getByText('Until when, Mon–Fri?')).toBeVisible();
	await words.fill('weekdays up at six, out half eight to five, bed half ten; the cat too');
	await expect(first).toHaveAttribute('aria-valuetext', /^06:00/);
	await expect(page.getByText('not understood: “the cat too”')).toBeVisible();
	// left, it was never there
	await page.getByRole('button', { name: 'Leave it' }).click();
	await expect(first).toHaveCount(0);
	await page.getByRole('button', { name: 'Say the week' }).click();
	await words.fill('weekdays up at six, out half eight to five, bed half ten');
	await page.getByRole('button', { name: 'Take this week' }).click();
	await saved(page);
	await page.reload();
	await expect(first).toHaveAttribute('aria-valuetext', /^06:00/);
	// of a week that stands only what is to be otherwise is said
	await page.getByRole('button', { name: 'Say the week' }).click();
	await expect(page.getByText(/^Only what is to be otherwise/)).toBeVisible();
	await words.fill('half an hour earlier on Monday');
	await expect(first).toHaveAttribute('aria-valuetext', /^05:30/);
	await expect(page.getByRole('slider', { name: 'Tuesday, change 1', exact: true })).toHaveAttribute(
		'aria-valuetext',
		/^06:00/
	);
	await page.getByRole('button', { name: 'Take this week' }).click();
	await saved(page);
	// a level is taken up and drawn with
	const chart = page.getByRole('group', { name: 'The wanted week, day by day' });
	const palette = page.getByRole('group', { name: 'Levels to draw with' });
	await palette.getByRole('button', { name: /^C/ }).click();
	const box = (await chart.boundingBox())!;
	const y = box.y + 22 + 6.5 * ((box.height - 22) / 7);
	await page.mouse.move(box.x + box.width * 0.4, y);
	await page.mouse.down();
	await page.mouse.move(box.x + box.width * 0.6, y, { steps: 4 });
	await page.mouse.up();
	await expect(page.getByRole('slider', { name: /^Sunday, change/ }).first()).toBeVisible();
	await saved(page);
});
