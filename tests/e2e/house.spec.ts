import type { Page } from '@playwright/test';
import { alive, expect, keyIn, onOverview, open, saved, test, toView, toZone } from './bench';

/** Does something in a drawer of House, and closes it. */
async function inDrawer(page: Page, name: string, act: () => Promise<unknown>): Promise<void> {
	await page.getByRole('button', { name, exact: true }).click();
	await act();
	await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
	await expect(page.getByRole('dialog')).toHaveCount(0);
}

/** Adds a heat source to a house that has one. */
const addSource = async (page: Page, name: string) => {
	await page.getByLabel('Name', { exact: true }).fill(name);
	await page.getByRole('button', { name: 'Add heat source' }).click();
};

test('what feeds what: hours that the boiler may not run are said in the same words on House and Week, and its program follows its zones', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Kelter Court/ }).click();
	await toView(page, 'House');
	const vain = 'Registrar cold Mon–Fri 09:00–11:30, 2 h 30 a day: Boiler timed off, 20.5 °C wanted.';
	await expect(page.getByText(vain)).toBeVisible();
	await expect(page.getByText(/^Boiler is timed off for 28 h 10 of the week/)).toBeVisible();

	// another zone is fed by it; the hours and sentences follow
	await inDrawer(page, 'Heat sources', async () => {
		await page.getByLabel('Archive', { exact: true }).selectOption('Boiler');
		await saved(page);
		// the zone that lets it run cannot be fed by it: it is not offered
		await expect(page.getByLabel('Boiler, heating', { exact: true })).toHaveCount(0);
	});
	await page.getByRole('button', { name: /other calls not met$/ }).click();
	await expect(page.getByText(/Archive cold .*Boiler timed off, 19\.0\s°C wanted/).first()).toBeVisible();

	await page.getByRole('link', { name: 'Registrar' }).first().click();
	await toView(page, 'Plan', 'Week');
	await expect(page.getByText(vain)).toBeVisible();
	await page.getByRole('link', { name: 'and one more' }).click();

	await page.getByRole('button', { name: 'Make Boiler, heating follow its zones' }).click();
	await saved(page);
	await expect(page.getByText(vain)).toHaveCount(0);
	// what its control cannot hold of that is said, or nothing is left
	const left = page.getByText(/^(Boiler is timed off for \d+ (min|h)|Every call for heat to Boiler is met)/);
	await expect(left).toBeVisible();
});

test('an empty house: a source is added, feeds a room, is let run by a timer, and is taken away again', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Osier Lane/ }).click();
	await toView(page, 'House');
	await expect(page.getByText('Add the boiler or heat pump')).toBeVisible();
	await page.getByLabel('It is').selectOption('a heat pump');
	await addSource(page, 'Heat pump in the yard');
	await saved(page);
	await expect(page.getByText('Heat pump in the yard heats no zone yet.')).toBeVisible();
	await inDrawer(page, 'Heat sources', () =>
		page.getByLabel('Reading room', { exact: true }).selectOption('Heat pump in the yard')
	);
	await expect(page.getByText('Heat pump in the yard runs whenever one of its zones calls.')).toBeVisible();
	await inDrawer(page, 'Set up Heat pump in the yard', () =>
		page.getByLabel('Heat pump in the yard may run in the hours of').selectOption('Back kitchen rail')
	);
	await expect(page.getByText(/Reading room cold .*: Heat pump in the yard timed off/).first()).toBeVisible();

	await page.getByRole('button', { name: 'Set up Heat pump in the yard' }).click();
	await page.getByRole('button', { name: 'Take Heat pump in the yard away' }).click();
	await expect(page.getByText('Add the boiler or heat pump')).toBeVisible();
	await page.reload();
	await expect(page.getByText('Add the boiler or heat pump')).toBeVisible();
});

test.describe('two windows', () => {
	// what the service worker fetches cannot be held up from here
	test.use({ serviceWorkers: 'block' });

	test('on one house: neither takes the other’s source away; a copy of the site has its own', async ({
		page,
		context,
		installation
	}) => {
		await installation.loadDemo();
		await open(page, '/');
		await page.getByRole('link', { name: /Tallow Quay/ }).click();
		await page.waitForURL(/\/sites\/[0-9a-f-]+$/);
		const site = new URL(page.url()).pathname;
		await open(page, `${site}/house`);
		const other = await context.newPage();
		// the other window hears nothing of what happens meanwhile
		await other.route(/\/mark$/, (route) => route.abort());
		await open(other, `${site}/house`);
		await inDrawer(page, 'Heat sources', () => addSource(page, 'Stove'));
		await expect(page.getByRole('region', { name: 'Stove' })).toBeVisible();
		await other.getByRole('button', { name: 'Heat sources' }).click();
		await addSource(other, 'Range');
		await expect(
			other.getByRole('dialog').getByText('Another window has changed this site since you opened it.')
		).toBeVisible();
		const names = async (id: string) =>
			(
				(await (await page.request.get(`/api/v1/jobs/${id}`)).json()) as {
					site: { sources: { name: string }[] };
				}
			).site.sources.map(({ name }) => name);
		const id = site.split('/')[2]!;
		expect(await names(id)).toEqual(['Heat pump, yard', 'Stove']);
		await other.close();

		// a copy: what is changed there stays there
		const made = await page.request.post(`/api/v1/jobs/${id}/duplicate`);
		expect(made.ok()).toBe(true);
		const copy = ((await made.json()) as { id: string }).id;
		await open(page, `/sites/${copy}/house`);
		await page.getByRole('button', { name: 'Set up Stove' }).click();
		await page.getByRole('button', { name: 'Take Stove away' }).click();
		await expect(page.getByRole('region', { name: 'Stove' })).toHaveCount(0);
		expect([await names(id), await names(copy)]).toEqual([['Heat pump, yard', 'Stove'], ['Heat pump, yard']]);
		await page.getByRole('button', { name: 'Costs' }).click();
		await page.getByRole('button', { name: /^Run a year/ }).click();
		await expect(page.getByText(/^The house costs €[\d,.]+ a year/)).toBeVisible({ timeout: 30_000 });
	});
});

test('a new house: the programmer is added, keyed and visited once, its hours follow the early lead of the room, and nothing contradicts', async ({
	page,
	request,
	installation
}) => {
	await open(page, '/');
	await page.getByLabel('New site').fill('Six Ropewalk Steps');
	await page.getByRole('button', { name: 'Add site' }).click();
	await onOverview(page, 'Six Ropewalk Steps');
	const site = new URL(page.url()).pathname;
	const add = async (name: string, control: string) => {
		await open(page, site);
		await page.getByLabel('New zone').fill(name);
		await page.getByLabel('Its control').selectOption({ label: control });
		await page.getByRole('button', { name: 'Add zone' }).click();
		await expect(page.getByRole('heading', { name: `${name}, the week` })).toBeVisible();
		return new URL(page.url()).pathname.replace(/\/week$/, '');
	};
	const living = await add('Living room', 'Six-step room stat');
	await add('Bathroom floor', 'Four-step floor stat');
	await add('Towel rail', 'Switch timer');
	const heating = await add('Heating', 'Two-channel programmer');
	// its hot water came with it, on the same control
	await open(page, site);
	await page
		.locator('tbody')
		.getByRole('link', { name: /^Hot water/ })
		.first()
		.click();
	await expect(page.getByRole('heading', { name: 'Hot water, the week' })).toBeVisible();
	await expect(page.getByLabel('Room used as')).toHaveCount(0);
	const water = new URL(page.url()).pathname.replace(/\/week$/, '');
	await toView(page, 'Control');
	await expect(page.getByText(/controls Hot water and Heating: one clock and settings/)).toBeVisible();
	await page.getByLabel('Name', { exact: true }).fill('Programmer');
	await page.getByLabel('Name', { exact: true }).press('Tab');
	await page.getByLabel('Fitted in').fill('airing cupboard');
	await page.getByLabel('Fitted in').press('Tab');
	await saved(page);
	await expect(
		page.getByText('Programmer, airing cupboard controls Hot water and Heating: one clock and settings.')
	).toBeVisible();

	// the living room is wanted warm from six; its start is an hour before
	const api = `/api/v1/jobs/${site.split('/').at(-1)}/zones`;
	const id = (zone: string) => zone.split('/').at(-1)!;
	const read = async (zone: string) => (await request.get(`${api}/${id(zone)}`)).json();
	const change = async (zone: string, by: object) => {
		const { revision, zone: now } = await read(zone);
		const put = await request.put(`${api}/${id(zone)}`, { data: { revision, zone: { ...now, ...by } } });
		expect(put.status()).toBe(200);
	};
	const days = (from: number, to: number, [on, off]: [string, string]) =>
		Array.from({ length: 7 }, (_, day) => [
			{ at: day * 1440 + from, level: on },
			{ at: day * 1440 + to, level: off }
		]).flat();
	await change(living, {
		wanted: days(360, 1320, ['comfort', 'eco']),
		lead: { school: 'fixed', minutes: 60, stopMinutes: 0, computed: null }
	});
	await change(heating, { wanted: days(390, 1320, ['on', 'off']) });
	await change(water, { wanted: days(400, 480, ['on', 'off']) });

	await open(page, `${site}/house`);
	await addSource(page, 'Boiler');
	await saved(page);
	await inDrawer(page, 'Heat sources', () =>
		page.getByLabel('Living room', { exact: true }).selectOption('Boiler')
	);
	await saved(page);
	await inDrawer(page, 'Set up Boiler', () =>
		page.getByLabel('Boiler may run in the hours of').selectOption('Heating')
	);
	await saved(page);
	// the lead reaches the boiler's hours: they begin an hour and a half too late for it
	const vain = /Living room:? cold every day 05:00–06:30, 1 h 30 a day: Boiler timed off/i;
	const said = page.getByText(vain);
	await expect(said).toBeVisible();
	for (const view of [`${living}/week`, `${site}/checks`]) {
		await open(page, view);
		await expect(said.first()).toBeVisible();
	}
	await open(page, `${living}/moment?at=2026-11-30T05:30`);
	await expect(said.first()).toBeVisible();
	await expect(page.getByText('No heat until 06:30: Boiler timed off.')).toBeVisible();
	await open(page, `${site}/house`);
	// the moment stands where heat is wanted and none comes; an hour and a half on it is not
	const moment = page.getByRole('slider', { name: /^The moment of the week/ });
	await expect(moment).toHaveAttribute('aria-valuetext', 'Mon 05:00');
	const lane = page.getByRole('list', { name: 'Fed by Boiler' });
	await expect(lane.getByText('no heat')).toBeVisible();
	await moment.focus();
	for (let i = 0; i < 9; i++) await page.keyboard.press('ArrowRight');
	await expect(moment).toHaveAttribute('aria-valuetext', 'Mon 06:30');
	await expect(lane.getByText('gets it')).toBeVisible();
	await page.getByRole('button', { name: 'Make Heating follow its zones' }).click();
	await saved(page);
	await expect(page.getByText('Every call for heat is met')).toBeVisible();
	expect((await read(heating)).zone.wanted[0]).toEqual({ at: 300, level: 'on' });
	for (const view of [`${living}/week`, `${site}/checks`, `${site}/visit`]) {
		await open(page, view);
		await expect(page.getByText(/timed off/)).toHaveCount(0);
	}

	// one card for both channels, one clock, one stop of the visit
	await open(page, `${water}/key-in`);
	await expect(page.getByRole('heading', { name: 'Programmer, airing cupboard' })).toBeVisible();
	await keyIn(page, 'Factory settings, or just reset');
	await saved(page);
	for (const zone of [heating, water]) {
		const { zone: now, beside } = await read(zone);
		expect(beside).toHaveLength(1);
		expect(now.box).toEqual({ name: 'Programmer', place: 'airing cupboard', note: '' });
	}
	await open(page, `${heating}/key-in`);
	await expect(page.getByRole('heading', { name: 'All keyed in' })).toBeVisible();
	await open(page, `${site}/clocks`);
	await expect(page.locator('main').getByText('Programmer, airing cupboard', { exact: true })).toHaveCount(1);
	await open(page, `${site}/visit`);
	await page.getByLabel('Zone', { exact: true }).selectOption('Heating');
	await expect(
		page.getByRole('heading', { name: 'Programmer, airing cupboard: how was it found?' })
	).toBeVisible();
	await page.getByLabel('What it showed, what was said').fill('Dark display');
	await page.getByLabel('What it showed, what was said').press('Tab');
	await page.getByLabel('Zone', { exact: true }).selectOption('Hot water');
	await expect(page.getByRole('heading', { name: 'Hot water: does it heat?' })).toBeVisible();
	await page
		.getByRole('button', { name: 'Next' })
		.or(page.getByRole('button', { name: 'Skip' }))
		.click();
	await expect(
		page.getByRole('heading', { name: 'Programmer, airing cupboard: how is it left?' })
	).toBeVisible();
	// left off, it stops the sign-off of the room that its source feeds, in the same words as on the week
	await page.getByRole('group', { name: 'It is left in' }).getByRole('button', { name: 'off' }).click();
	await saved(page);
	const off = 'No heat, no frost protection: Heating is off, so Boiler is off too.';
	await page.getByRole('button', { name: /^Sign off/ }).click();
	await expect(page.getByText(off)).toBeVisible();
	await open(page, `${living}/week`);
	await expect(page.getByText(off)).toBeVisible();

	// through a restart, and out of the file and in again
	await installation.killAndRestart();
	const job = await (await request.get(api.replace('/zones', ''))).json();
	expect(job.controls).toHaveLength(4);
	expect(job.zones.slice(3).map(({ on }: { on: object }) => on)).toEqual([
		{ control: 3, channel: 0 },
		{ control: 3, channel: 1 }
	]);
	expect(job.controls[3].onSite.foundNote).toBe('Dark display');
});

test('rooms alike: one card is keyed and ticked for each of them, and what differs is said', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Marrow House/ }).click();
	await page.getByRole('link', { name: 'Apple room' }).first().click();
	await toView(page, 'Key in');
	await keyIn(page, 'Factory settings, or just reset');
	await expect(page.getByRole('heading', { name: '5 more controls take this very card' })).toBeVisible();
	await expect(page.getByText(/^Not the same: .*Dormer room.*\(\d+ values\)/)).toBeVisible();
	await page.getByText('Bittern room, keyed in').click();
	await expect(page.getByText('Key it there, then tick it: 1 of 5 done.')).toBeVisible();
	await saved(page);
	await toZone(page, 'Bittern room');
	await expect(page).toHaveTitle(/^Bittern room/);
	await expect(page.getByRole('heading', { name: 'All keyed in' })).toBeVisible();
	await page.reload();
	await alive(page);
	await expect(page.getByText('Key it there, then tick it: 1 of 5 done.')).toBeVisible();

	// a change to one asks whether the others follow
	await toView(page, 'Plan', 'Week');
	await expect(page.getByRole('heading', { name: 'Bittern room, the week' })).toBeVisible();
	await page.getByRole('button', { name: /^Tuesday:/ }).focus();
	await page.keyboard.press('Insert');
	await expect(page.getByText(/^\w+ room and \d more had this same week\./)).toBeVisible();
	await saved(page);
	await page.getByRole('button', { name: 'Copy this week to them' }).click();
	const said = page.getByText(/^\d zones followed; one undo/);
	await expect(said).toBeVisible();
	const followed = Number((await said.innerText()).split(' ')[0]);
	const { zones } = (await (
		await page.request.get(`/api/v1/jobs/${new URL(page.url()).pathname.split('/')[2]}`)
	).json()) as { zones: { name: string; wanted: unknown }[] };
	const { wanted } = zones.find(({ name }) => name === 'Bittern room')!;
	const like = zones.filter((zone) => JSON.stringify(zone.wanted) === JSON.stringify(wanted));
	expect(like).toHaveLength(followed + 1);
});
