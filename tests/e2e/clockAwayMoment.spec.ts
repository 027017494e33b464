import type { Page } from '@playwright/test';
import { alive, expect, open, press, saved, test, toView } from './bench';
import { seenZone } from '../support/seenZone';

/** The addresses of a demo site's zones by name. */
async function zonesOf(page: Page, site: RegExp): Promise<Map<string, string>> {
	await open(page, '/');
	await page.getByRole('link', { name: site }).click();
	await expect(page.locator('tbody th a').first()).toBeVisible();
	const found = await page
		.locator('tbody th a')
		.evaluateAll((all) =>
			all.map((a) => [a.querySelector('.name')!.textContent!, a.getAttribute('href')!] as const)
		);
	return new Map(found);
}

const to = (link: string, view: string) => link.replace(/week$/, view);

/** Writes a date and a time into the two fields of a moment. */
async function moment(page: Page, label: string, date: string, time: string): Promise<void> {
	const fields = page.getByRole('group', { name: label });
	await fields.getByLabel(`${label}, date`).fill(date);
	await fields.getByLabel(`${label}, date`).press('Tab');
	await fields.getByLabel('time').fill(time);
	await fields.getByLabel('time').press('Tab');
}

test('each family: what is tried at a moment ends as its profile says', async ({ page, installation }) => {
	await installation.loadDemo();
	// nothing but what is tried here
	const { jobs } = (await (await page.request.get('/api/v1/jobs')).json()) as { jobs: { id: string }[] };
	for (const { id } of jobs) {
		const job = await (await page.request.get(`/api/v1/jobs/${id}`)).json();
		for (const zone of job.zones) zone.exceptions = [];
		expect((await page.request.put(`/api/v1/jobs/${id}`, { data: job })).status()).toBe(204);
	}
	const kelter = await zonesOf(page, /Kelter Court/);
	const tallow = await zonesOf(page, /Tallow Quay/);
	/** By zone: how a change by hand, a boost of two steps, a hold, manual and off end. `next`: with the program's next change. */
	const ends: [string, Record<string, string>][] = [
		[kelter.get('Main hall')!, { Manual: 'never', Off: 'never, frost protection' }],
		[kelter.get('Council office')!, { Override: 'next', Hold: 'never', Off: 'never' }],
		[kelter.get('Registrar')!, { Override: 'next', Hold: 'never', Off: 'never, frost protection' }],
		[kelter.get('Wash room floor')!, { Override: 'next', Hold: 'never', Off: 'never, frost protection' }],
		[kelter.get('Crèche floor')!, { Override: '12:10', Hold: 'never', Off: 'never, frost protection' }],
		[kelter.get('Porter, panel heater')!, { Manual: 'never', Off: 'never, frost protection' }],
		[kelter.get('Upper flat')!, { Boost: 'next', Manual: 'never', Off: 'never, frost protection' }],
		[kelter.get('Archive')!, { Override: 'next', Off: 'never, frost protection' }],
		[kelter.get('Chamber, line voltage')!, { Override: 'next', Hold: 'never', Off: 'never' }],
		[
			kelter.get('Lower flat')!,
			{
				Override: 'next',
				'Boost, 2 × 60 min': '12:10',
				Manual: 'never',
				Off: 'never, frost protection'
			}
		],
		[
			kelter.get('Boiler, heating')!,
			{ Advance: 'next', 'Boost, 2 × 60 min': '12:10', Manual: 'never', Off: 'never' }
		],
		[kelter.get('Meter room')!, { Off: 'never' }],
		[
			tallow.get('Bindery')!,
			{
				Override: 'next',
				'Boost, 2 × 30 min': '11:10',
				Manual: 'never',
				Off: 'never, frost protection'
			}
		],
		[
			tallow.get("Caretaker's flat")!,
			{ Override: 'next', 'Boost, 2 × 30 min': '11:10', Off: 'never, frost protection' }
		],
		[tallow.get('Showers, towel rails')!, { Override: 'next', Manual: 'never', Off: 'never' }]
	];
	for (const [link, tries] of ends) {
		await open(page, `${to(link, 'moment')}?at=2026-03-03T10:10`);
		const sentence = page.locator('.answer h1');
		const left = page.locator('.left');
		const program = (await sentence.textContent())!.replace(/\s+/g, ' ').trim();
		const nextChange = /until (.+?) \(/.exec(program)?.[1] ?? null;
		if ((await page.getByLabel('Boost steps').count()) > 0) {
			await page.getByLabel('Boost steps').fill('2');
			await page.getByLabel('Boost steps').press('Tab');
		}
		const offered = await page.locator('.tries button').allInnerTexts();
		expect(offered.sort(), link).toEqual(Object.keys(tries).sort());
		for (const [name, end] of Object.entries(tries)) {
			await page.locator('.tries').getByRole('button', { name, exact: true }).click();
			await expect(page.getByText(/Trial:/)).toBeVisible();
			await expect(sentence).not.toHaveText(program);
			if (end.startsWith('never')) {
				await expect(sentence).toContainText('until changed');
				await expect(page.getByText('stays until changed')).toBeVisible();
			} else {
				await expect(sentence).toContainText(`until ${end === 'next' ? nextChange : end} (`);
				await expect(left).toContainText('left');
			}
			if (end.includes('frost')) await expect(sentence).toContainText('frost protection');
			await page.getByRole('button', { name: 'Discard' }).click();
			await expect(sentence).toHaveText(program);
		}
	}

	// what is set at the control counts: a high limit lowers the program and says so, the fan and the changeover are heard
	await open(page, to(tallow.get('Bindery')!, 'control'));
	await page.getByLabel('Maximum setpoint, °C').fill('19');
	await page.getByLabel('Maximum setpoint, °C').press('Tab');
	await page.getByLabel('Minimum setpoint, °C').fill('21');
	await page.getByLabel('Minimum setpoint, °C').press('Tab');
	await expect(page.getByRole('alert')).toHaveText('21 °C is too high: at most 19 °C.');
	await saved(page);
	await open(page, `${to(tallow.get('Bindery')!, 'moment')}?at=2026-03-03T10:10`);
	await expect(page.locator('.answer h1')).toContainText('Comfort 19.0');
	// undone from another view than the one it was done in, and after a reload
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(page.locator('.answer h1')).toContainText('Comfort 20.5');
	await saved(page);
	await open(page, `${to(kelter.get('Council office')!, 'moment')}?at=2026-03-03T10:10`);
	await page.getByLabel('With the room at').fill('26');
	await page.getByLabel('With the room at').press('Tab');
	await expect(page.getByText('Calling for cooling. The fan runs.')).toBeVisible();
	const warm = async () => {
		await open(page, `${to(kelter.get('Council office')!, 'moment')}?at=2026-03-03T10:10`);
		await page.getByLabel('With the room at').fill('26');
		await page.getByLabel('With the room at').press('Tab');
	};
	const settings = to(kelter.get('Council office')!, 'control');
	await open(page, settings);
	await page.getByLabel('It may').selectOption('heat-only');
	await saved(page);
	await warm();
	await expect(page.getByText('No call for heat. The fan rests.')).toBeVisible();
	await open(page, settings);
	await page.getByLabel('Fan', { exact: true }).selectOption('circulate');
	await saved(page);
	await warm();
	await expect(page.getByText(/The fan runs part of every hour\./)).toBeVisible();

	// kept, it is there after a reload, and undone by one key
	await open(page, `${to(tallow.get('Bindery')!, 'moment')}?at=2026-03-03T10:10`);
	await page.getByRole('button', { name: 'Override' }).click();
	await page.getByRole('button', { name: 'Record', exact: true }).click();
	await saved(page);
	await page.reload();
	await expect(page.locator('.answer h1')).toContainText('until 12:00 (override), then');
	await alive(page);
	await page.locator('main h1').click();
	// the next change comes by its own clock, which is a little behind
	for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight');
	await expect(page.getByRole('heading', { level: 1 })).toContainText('Bindery, Tuesday 3 March 2026, 12:10');
	await expect(page.locator('.answer h1')).not.toContainText('(override)');
});

test('both clock changes: a clock that changes by itself beside one that waits for a hand', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	const kelter = await zonesOf(page, /Kelter Court/);
	await open(page, to(kelter.get('Lower flat')!, 'clock'));
	await expect(
		page.getByText(
			/^Forward on the last Sunday of March at 02:00, back on the last Sunday of October at 03:00, by 60 minutes\.$/
		)
	).toBeVisible();
	const changes = page.getByRole('group', { name: 'Which change is drawn' }).locator('label');
	await expect(changes).toHaveCount(2);
	for (const change of [0, 1]) {
		await changes.nth(change).click();
		const forward = /02:00 becomes\s+03:00/.test(await changes.nth(change).innerText());
		await expect(changes.nth(change)).toContainText(forward ? 'Put forward 1 h' : 'Put back 1 h');
		const [itself, byHand] = [page.locator('figure').nth(0), page.locator('figure').nth(1)];
		await expect(byHand).toContainText('as this control does');
		await expect(itself.getByText(forward ? 'forward 1 h' : 'back 1 h')).toBeVisible();
		await expect(itself.locator('rect.cold, rect.warm')).toHaveCount(0);
		// from that Sunday on the one left as it was is off every morning and every evening
		expect(await byHand.locator('rect.cold').count()).toBeGreaterThanOrEqual(5);
		expect(await byHand.locator('rect.warm').count()).toBeGreaterThanOrEqual(5);
	}
	await open(page, to(kelter.get('Main hall')!, 'clock'));
	await expect(page.locator('figure').first()).toContainText('as this control does');

	// a reading in, the error out, and the board says so
	await open(page, to(kelter.get('Archive')!, 'clock'));
	await page.getByLabel('It shows').fill('25:10');
	await page.getByRole('button', { name: 'Note it' }).click();
	await expect(page.getByRole('alert')).toContainText('is unclear');
	const minutes = (text: string) => Number(text.slice(0, 2)) * 60 + Number(text.slice(3));
	const now = minutes(await page.locator('.value').innerText());
	const ahead = (now + 7) % 1440;
	await page
		.getByLabel('It shows')
		.fill(`${String(Math.floor(ahead / 60)).padStart(2, '0')}:${String(ahead % 60).padStart(2, '0')}`);
	await page.getByRole('button', { name: 'Note it' }).click();
	await expect(page.getByText(/Clock [67] min fast/)).toBeVisible();
	await saved(page);
	await page.getByRole('button', { name: 'Blinks, or shows an old year' }).click();
	await expect(page.getByText('Clock lost its time')).toBeVisible();
	await page.getByRole('button', { name: 'Take the last back' }).click();
	await expect(page.getByText(/Clock [67] min fast/)).toBeVisible();
	// twice in one second, while its week is changed in another window, which saves all the same
	const other = await page.context().newPage();
	await open(other, to(kelter.get('Archive')!, 'week'));
	for (const name of ['Blinks, or shows an old year', 'I have set it'])
		await page.getByRole('button', { name }).click();
	await expect(page.locator('aside li')).toContainText([/set right|right/, 'had lost its time', /min fast/]);
	await saved(page);
	await other.getByRole('button', { name: /^Monday:/ }).click();
	await other.getByRole('button', { name: 'all', exact: true }).click();
	await saved(other);
	await expect(other.getByRole('dialog')).toHaveCount(0);
	await other.close();
	await page.reload();
	await expect(page.locator('aside li')).toContainText([/set right|right/, 'had lost its time', /min fast/]);
	await alive(page);

	// the round: each clock of the site in turn
	await page.getByRole('link', { name: 'All clocks of this site' }).click();
	await alive(page);
	await expect(page.getByText(/1 of 11 checked today/)).toBeVisible();
	await page.getByRole('button', { name: 'I have set it' }).click();
	await expect(page.getByText(/2 of 11 checked today/)).toBeVisible();
	await expect(page.getByRole('button', { name: /^Main hall/ })).toContainText('set');
});

test('away nine nights: what each control is given, and when it goes on', async ({ page, installation }) => {
	await installation.loadDemo();
	const kelter = await zonesOf(page, /Kelter Court/);
	const tallow = await zonesOf(page, /Tallow Quay/);
	const expected: [string, string, RegExp][] = [
		[tallow.get('Bindery')!, '9 days', /In force until Sun 17 Jan 00:00/],
		[tallow.get("Caretaker's flat")!, '9 days', /In force until Sun 17 Jan 14:00/],
		[kelter.get('Upper flat')!, 'return Sun 17 Jan', /In force until Sun 17 Jan 00:00/],
		[kelter.get('Boiler, heating')!, 'return Sun 17 Jan 18:00', /In force until Sun 17 Jan 18:00/],
		[kelter.get('Main hall')!, 'Sat 9 Jan to Sat 16 Jan', /In force until Sun 17 Jan 00:00/],
		[kelter.get('Crèche floor')!, 'start it', /It does not end by itself/]
	];
	for (const [link, key, words] of expected) {
		await open(page, to(link, 'away'));
		await moment(page, 'Leaving', '2027-01-08', '14:00');
		await moment(page, 'Back', '2027-01-17', '18:00');
		// a proposal says that it is one; its keys come with the plan
		const proposal = page.locator('.plan.proposed');
		await expect(proposal.locator('.would')).toHaveText(key);
		await expect(proposal).toContainText(words);
	}
	await expect(page.locator('.plan.proposed')).toContainText('End the holiday on return');

	// a return before the departure; then kept, and the moment of coming back shows what goes on
	await open(page, to(kelter.get('Boiler, heating')!, 'away'));
	await moment(page, 'Leaving', '2027-01-08', '14:00');
	await moment(page, 'Back', '2027-01-07', '18:00');
	await expect(page.getByRole('alert')).toHaveText('The return comes before the departure.');
	await moment(page, 'Back', '2027-01-17', '18:00');
	await page.getByRole('button', { name: 'Plan this holiday' }).click();
	await saved(page);
	const ahead = page.locator('.absence', { hasText: 'return Sun 17 Jan 18:00' });
	await expect(ahead.locator('.key strong')).toHaveText('return Sun 17 Jan 18:00');
	await expect(
		ahead.getByRole('checkbox', { name: /^Keyed: until then the household is to key it/ })
	).toBeVisible();
	await open(page, '/due?kind=absence');
	await expect(
		page.getByText(/until Sun 17 Jan 18:00; the household: key return Sun 17 Jan 18:00 on leaving/)
	).toBeVisible();
	await open(page, `${to(kelter.get('Boiler, heating')!, 'moment')}?at=2027-01-12T07:00`);
	await expect(page.locator('.answer h1')).toContainText('Off until Sun 18:00 (holiday), then On');

	// the whole site at once, each control in its own way
	await page.getByRole('link', { name: 'Kelter Court', exact: true }).click();
	await toView(page, 'Overview', 'Holidays');
	await alive(page);
	await moment(page, 'Leaving', '2027-04-09', '14:00');
	await moment(page, 'Back', '2027-04-18', '18:00');
	await expect(page.getByRole('row', { name: /Lower flat/ })).toContainText('9 days');
	await press(page.getByRole('row', { name: /Meter room/ }).getByRole('checkbox'));
	// what lets the boiler run for rooms that freeze without it is left on its week, unless somebody insists
	const programmer = page.getByRole('row', { name: /Programmer/ });
	await expect(programmer.getByRole('checkbox')).not.toBeChecked();
	await expect(
		page.getByText(/Registrar, Upper flat, Lower flat lose Boiler and frost protection/)
	).toBeVisible();
	await page.getByRole('button', { name: 'Plan it for 10 controls' }).click();
	await expect(page.getByText('Planned for 10 controls.')).toBeVisible();
	await open(page, `${to(kelter.get('Upper flat')!, 'moment')}?at=2027-04-12T08:00`);
	await expect(page.locator('.answer h1')).toContainText('(holiday)');
});

test('a hall’s calendar of forty bookings becomes a wanted week and a list of dates; what is broken is refused', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	const kelter = await zonesOf(page, /Kelter Court/);
	await open(page, to(kelter.get('Main hall')!, 'away'));
	await page.getByRole('button', { name: 'Bring in a calendar' }).click();
	// forty lettings in eight weeks from next Monday on, no two weeks alike
	const monday = new Date(Date.now() + ((8 - (new Date().getUTCDay() || 7)) % 7 || 7) * 86_400_000);
	const stamp = (week: number, day: number, time: string) => {
		const date = new Date(monday.getTime() + (week * 7 + day) * 86_400_000).toISOString().slice(0, 10);
		return `${date.replaceAll('-', '')}T${time}00`;
	};
	const lettings: [number, number, string, string, string][] = [];
	for (let week = 0; week < 8; week++) {
		lettings.push(
			[week, 1, '1930', '2130', 'Choir'],
			[week, 3, '1800', '2000', 'Dance'],
			[week, 6, '1500', '1730', 'Concert']
		);
		if (week % 2 === 0) lettings.push([week, 0, '1700', '1930', 'Council']);
		if (week === 2 || week === 5) lettings.push([week, 5, '1200', '2330', 'Wedding']);
		if (week !== 3 && week !== 4) lettings.push([week, 2, '1600', '1800', 'Chess']);
		if (week === 1 || week === 3 || week === 6 || week === 7)
			lettings.push([week, 4, `1${week}30`, '2100', 'Lecture']);
	}
	const events = lettings
		.slice(0, 40)
		.map(([week, day, from, until, name], i) =>
			[
				'BEGIN:VEVENT',
				`UID:l${i}@hall`,
				`DTSTART;TZID=Europe/Paris:${stamp(week, day, from)}`,
				`DTEND;TZID=Europe/Paris:${stamp(week, day, until)}`,
				`SUMMARY:${name}`,
				'END:VEVENT'
			].join('\r\n')
		);
	const holiday = [
		'BEGIN:VEVENT',
		'UID:h@hall',
		`DTSTART;VALUE=DATE:${stamp(1, 2, '0000').slice(0, 8)}`,
		'SUMMARY:Fair',
		'END:VEVENT'
	].join('\r\n');
	const file = (body: string) => ({
		name: 'hall.ics',
		mimeType: 'text/calendar',
		buffer: Buffer.from(['BEGIN:VCALENDAR', 'VERSION:2.0', body, 'END:VCALENDAR', ''].join('\r\n'))
	});
	const choose = (body: string) => page.getByLabel('Calendar file').setInputFiles(file(body));

	await choose(events[0]!.replaceAll('Europe/Paris', 'Nowhere/Else'));
	await expect(
		page.getByText('The time zone "Nowhere/Else" is neither known nor described in the file: what is in it')
	).toBeVisible();
	await choose(events[0]!.replace('END:VEVENT', ''));
	await expect(page.getByRole('alert')).toContainText('VEVENT is open. Nothing was taken.');
	await choose([...events, holiday].join('\r\n'));
	await expect(page.getByRole('status').filter({ hasText: 'hall.ics' })).toContainText(
		'40 bookings, one whole day'
	);
	await expect(page.getByText(/The week that follows them best, over 8 weeks/)).toBeVisible();
	await page.getByText('Fair', { exact: true }).click();
	const dates = page.getByRole('list', { name: 'Dates to set' }).getByRole('listitem');
	const all = await dates.allInnerTexts();
	expect(all.length).toBeGreaterThan(6);
	// six special days at most, two of them taken by the demo's own: those bookings replace none of these
	expect(all.filter((one) => one.includes('special day')).length).toBeLessThanOrEqual(8);
	expect(all.filter((one) => one.includes('by hand')).length).toBeGreaterThan(0);
	await page.getByRole('button', { name: 'Take as the wanted week' }).click();
	await saved(page);
	await expect(page.getByText('Bookings, 40')).toBeVisible();
	await expect(page.getByText(/cold unless it is set by hand|heated for nobody/)).toBeVisible();

	// read again with one letting fewer and one more: what is otherwise is said before anything is taken
	await page.getByRole('button', { name: 'Bring in a calendar' }).click();
	const fete = events[0]!.replace('UID:l0', 'UID:l99').replace('Choir', 'Fete');
	await choose([...events.slice(0, 39), fete].join('\r\n'));
	await expect(page.getByText('1 new, 0 moved, 1 gone')).toBeVisible();
	await page.getByRole('button', { name: 'Close', exact: true }).click();

	// or each week by itself: priced, planned and due on its Monday; one week for good again
	await expect(page.getByText(/One week for good: \d+ dates? by hand\./)).toBeVisible();
	await expect(page.getByText(/Keyed each week: usually \d+ values?, at most \d+/)).toBeVisible();
	await page.getByRole('button', { name: /^Plan the week of Mon \d+ \w+, \d+ values?$/ }).click();
	await saved(page);
	await expect(page.getByText(/Planned: the week of Mon \d+ \w+\./)).toBeVisible();
	await expect(page.getByText('It serves every booking of that week.')).toBeVisible();
	const due = await (await page.request.get('/api/v1/due')).json();
	expect(due.due.some((one: { kind: string }) => one.kind === 'week-card')).toBe(true);
	await page.getByRole('button', { name: 'One week for good' }).click();
	await saved(page);

	await toView(page, 'Plan', 'Week');
	await expect(page.getByRole('slider', { name: 'Tuesday, change 1', exact: true })).toHaveAttribute(
		'aria-valuetext',
		/^19:30 to Comfort/
	);

	// the calendar goes out again as a file that others read
	const [download] = await Promise.all([
		page.waitForEvent('download'),
		(async () => {
			await open(page, to(kelter.get('Main hall')!, 'away'));
			await page.getByRole('link', { name: 'Export calendar' }).click();
		})()
	]);
	expect(download.suggestedFilename()).toBe('Main-hall.ics');
});

test('the API answers for a moment, a time and a clock, and refuses dates that do not exist', async ({
	request,
	installation
}) => {
	await installation.loadDemo();
	const { jobs } = await (await request.get('/api/v1/jobs')).json();
	const id = jobs.find((job: { name: string }) => job.name.startsWith('Tallow')).id;
	const job = await (await request.get(`/api/v1/jobs/${id}`)).json();
	const zone = seenZone(job);
	const ask = async (route: string, body: object) => {
		const response = await request.post(`/api/v1/${route}`, {
			data: { zone, timeZone: 'Europe/Dublin', ...body }
		});
		return { status: response.status(), body: await response.json() };
	};
	const moment = await ask('resolve', { at: '2026-03-03T10:10', roomC: 17 });
	expect(moment.body).toMatchObject({ heatC: 20.5, by: 'program', until: '2026-03-03T12:00', calls: 'heat' });
	const week = await ask('timeline', { from: '2026-03-02T00:00', to: '2026-03-09T00:00' });
	expect(week.body.spans[0].from).toBe('2026-03-02T00:00:00.000Z');
	expect(week.body.spans.at(-1).to).toBe('2026-03-09T00:00:00.000Z');
	const clock = await ask('clock', { at: '2026-03-03T10:10:00Z', withoutPowerMinutes: 3000 });
	expect(clock.body).toMatchObject({ time: '10:10', day: '2' });
	expect(clock.body.changes[0].at).toBe('2026-03-29T01:00:00.000Z');
	expect((await ask('resolve', { at: '2026-02-30T10:00' })).body.error.sentence).toBe(
		'Time is no date and time that exists, as in 2026-12-24T14:00.'
	);
	expect((await ask('timeline', { from: '2026-03-09T00:00', to: '2026-03-02T00:00' })).body.error.path).toBe(
		'to'
	);
	expect((await ask('clock', { timeZone: 'Moon/Sea' })).body.error.path).toBe('timeZone');
});
