import { addZone, expect, makeSite, open, test } from './bench';

test('a call is taken on a phone: what was said, the one question, its answers, what to do', async ({
	page
}) => {
	await page.setViewportSize({ width: 390, height: 844 });
	await makeSite(page, 'Call Yard');
	await addZone(page, 'Parlour', 'Day-by-day panel stat');
	await open(page, page.url().replace(/week.*$/, 'callback'));
	const headline = page.getByRole('heading', { level: 1 });
	await expect(headline).toContainText('Write what the customer says');
	const said = page.getByRole('region', { name: 'What was said' });
	await said.getByRole('button', { name: 'Say it by choices' }).click();
	await said.getByRole('button', { name: 'all day' }).click();
	await expect(said.getByText('never warm', { exact: true })).toBeVisible();
	await page.getByLabel('about', { exact: true }).fill('09:00');
	await page.getByLabel('about', { exact: true }).press('Tab');
	await said.getByRole('button', { name: 'Take back: comes on at 09:00' }).click();
	await expect(said.getByText('comes on at 09:00', { exact: true })).toHaveCount(0);
	// what is long to take back makes no page wider than the phone
	await said.getByLabel('In their own words').fill('It shows a padlock');
	await said.getByLabel('In their own words').press('Enter');
	const back = said.getByRole('button', { name: 'Take back: it shows a picture: padlock' });
	await expect(back).toBeVisible();
	expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
	await back.click();
	// what hurts comes before any question
	await said.getByLabel('In their own words').fill('It is never warm and there is a smell of burning');
	await said.getByLabel('In their own words').press('Enter');
	await expect(page.getByRole('alert')).toContainText('Switch off at the board and leave it off.');
	await expect(page.getByRole('region', { name: 'Ask now' })).toHaveCount(0);
	await said.getByLabel('In their own words').fill('It is never warm');
	await said.getByLabel('In their own words').press('Enter');
	// other words take the place of what those before them said
	await expect(said.getByText(/^heard or smelt/)).toHaveCount(0);

	// answered as somebody would whose stat was left on manual, turned down
	const answers = [
		'somebody was at its keys',
		'manual, or held',
		'only this room',
		'they work',
		'the right time',
		'every day',
		'hot'
	];
	const asked = page.getByRole('region', { name: 'Ask now' });
	await expect(asked).toBeVisible();
	for (let n = 0; n < 4 && (await asked.isVisible()); n++) {
		for (const name of answers) {
			const answer = asked.getByRole('button', { name, exact: true });
			if (await answer.isVisible()) {
				const question = await asked.getByRole('heading').innerText();
				// a press that comes at once was meant for the question before
				await page.waitForTimeout(700);
				await answer.click();
				await expect(asked.getByRole('heading', { name: question })).toHaveCount(0);
				break;
			}
		}
	}
	await expect(headline).toContainText('Almost certainly left on manual, turned down.');
	await expect(page.getByRole('main')).toContainText('Press Mode until it shows Automatic.');
	await expect(page.getByRole('region', { name: 'What would explain it' }).getByRole('img')).toBeVisible();
});

test('a customer says by their link what is wrong; the office finds it on Jobs, takes it, promises, and closes it with what it was', async ({
	page,
	browser,
	installation
}) => {
	await makeSite(page, 'Gable Mews');
	await addZone(page, 'Parlour', 'Hour-strip keypad');
	const site = /sites\/([^/]+)/.exec(page.url())![1]!;
	const made = (await (
		await page.request.post(`/api/v1/jobs/${site}/links`, { data: { days: 30 } })
	).json()) as { path: string };

	// the customer, on a phone of their own
	const theirs = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
	await theirs.goto(`${installation.url}${made.path}`);
	await theirs.locator('html[data-alive]').waitFor();
	await theirs.getByRole('button', { name: 'Something is wrong' }).click();
	const form = theirs.getByRole('region', { name: 'Something is wrong' });
	await form.getByRole('button', { name: 'Send', exact: true }).click();
	await expect(form.getByRole('alert')).toHaveText('Say who you are, so that they can call you back.');
	await form.getByRole('button', { name: 'Cold in the mornings' }).click();
	await form.getByLabel('Since').selectOption({ label: 'since the clocks changed' });
	await form.getByLabel('In your own words').fill('It was fine before Sunday');
	await form.getByLabel('Your name').fill('R. Gable');
	await form.getByRole('button', { name: 'Send', exact: true }).click();
	await expect(form.getByRole('status')).toContainText('Sent.');
	// said again at once: refused in a sentence
	const again = await theirs.request.post(`${installation.url}/api/v1/reports/${made.path.slice(3)}`, {
		data: { room: null, caller: 'R. Gable', facts: [] }
	});
	expect(again.status()).toBe(429);
	expect(await again.text()).toContain('You said something less than a minute ago');
	await theirs.close();

	// the office
	await open(page, '/');
	const calls = page.getByRole('list', { name: 'Calls' });
	const row = calls.getByRole('listitem').filter({ hasText: 'Gable Mews' });
	await expect(row).toContainText('From the customer, not taken yet');
	await expect(row).toContainText('“It was fine before Sunday”');
	await row.getByRole('link').click();
	const said = page.getByRole('region', { name: 'What was said' });
	await expect(said.getByText('cold 06:00 to 09:00', { exact: true })).toBeVisible();
	await said.getByLabel('In their own words').fill('It comes on at seven and an hour late');
	await said.getByLabel('In their own words').press('Enter');
	await expect(said.getByText('starts 1 h late').first()).toBeVisible();
	await expect(page.getByRole('status').first()).toBeVisible();
	const call = page.getByRole('region', { name: 'The call' });
	await expect(call.getByLabel('Who called')).toHaveValue('R. Gable');
	await call.getByLabel('What was promised').fill('ring on Friday');
	await call.getByLabel('What was promised').press('Tab');
	await expect(page.locator('header')).toContainText('Saved');
	await expect(call.getByLabel('What it was')).toHaveValue('clock-off');
	await call.getByLabel('How it was found').fill('set by telephone');
	await call.getByRole('button', { name: 'Close the call' }).click();
	await expect(call.getByRole('status')).toContainText('Closed: clock wrong.');

	await open(page, '/');
	await expect(page.getByText('From the customer, not taken yet')).toHaveCount(0);
	await open(page, `/sites/${site}/record`);
	await expect(page.getByRole('region', { name: 'Calls' })).toContainText('It was: Clock 1 h slow');
	await open(page, '/firm');
	await expect(page.getByText('clock wrong')).toBeVisible();
});

test('a logger’s file an hour late is recognised without a question', async ({ page }) => {
	await makeSite(page, 'Log Yard');
	await addZone(page, 'Parlour', 'Hour-strip keypad');
	const [, siteId, zoneId] = /sites\/([^/]+)\/zones\/([^/]+)/.exec(page.url())!;
	const api = `/api/v1/jobs/${siteId}/zones/${zoneId}`;
	const { zone, revision } = (await (await page.request.get(api)).json()) as {
		zone: Record<string, unknown>;
		revision: number;
	};
	const wanted = [0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
		{ at: day * 1440 + 360, level: 'comfort' },
		{ at: day * 1440 + 540, level: 'eco' },
		{ at: day * 1440 + 1020, level: 'comfort' },
		{ at: day * 1440 + 1320, level: 'eco' }
	]);
	const put = await page.request.put(api, { data: { revision, zone: { ...zone, wanted } } });
	expect(put.status(), await put.text()).toBe(200);
	await open(page, page.url().replace(/week.*$/, 'callback'));
	const file = page.getByLabel('A logger’s file of this room, as CSV');
	const line = (minute: number, c: number) =>
		`2026-01-${String(5 + Math.floor(minute / 1440)).padStart(2, '0')} ${String(Math.floor((minute % 1440) / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')},${c.toFixed(2)}`;
	// warm from seven to ten and from six to eleven: an hour after the plan
	let c = 17;
	const lines: string[] = [];
	for (let minute = 0; minute < 9 * 1440; minute += 10) {
		const hour = (minute % 1440) / 60;
		const warms = (hour >= 7 && hour < 10) || (hour >= 18 && hour < 23);
		c = warms ? Math.min(20.5, c + 0.6) : Math.max(16.5, c - (c - 8) * 0.025);
		lines.push(line(minute, c));
	}
	await expect(file).toBeEnabled();
	await file.setInputFiles({ name: 'cold.csv', mimeType: 'text/csv', buffer: Buffer.from('time,room\n') });
	await expect(page.getByRole('alert').filter({ hasText: 'cold.csv' })).toBeVisible();
	const log = Buffer.from(`time,room\n${lines.join('\n')}\n`);
	await file.setInputFiles({ name: 'room.csv', mimeType: 'text/csv', buffer: log });
	await expect(page.getByRole('status').filter({ hasText: 'The log follows' })).toContainText(
		/, (50 min|1 h|1 h 10) too late/
	);
	await expect(page.getByText('Clock 1 h slow.')).toBeVisible();
	await expect(page.getByRole('region', { name: 'Ask now' })).toHaveCount(0);
});
