import { badNetwork, type BadNetwork } from '../support/badNetwork';
import { addZone, alive, expect, makeSite, open, saved, test } from './bench';
import type { Browser, Page } from '@playwright/test';
import { seenZone } from '../support/seenZone';

/** A phone in a cellar: the program through a network that can be as bad as a test wants. */
const phone = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };
const WORKS = 'This visit works without a connection';

let network: BadNetwork | null = null;
test.afterEach(async () => {
	await network?.close();
	network = null;
});

/** A phone that has a site's visit open through a network, with all its pages kept. */
async function phoneOnVisit(browser: Browser, over: BadNetwork, site: string): Promise<Page> {
	const mobile = await (await browser.newContext(phone)).newPage();
	await mobile.goto(`${over.url}${site}/visit`);
	await expect(mobile.getByText(WORKS)).toBeVisible({ timeout: 60_000 });
	return mobile;
}

async function siteWithRooms(page: Page, ...rooms: string[]): Promise<string> {
	await makeSite(page, 'Gannet Cottage');
	const site = new URL(page.url()).pathname;
	for (const room of rooms) {
		await open(page, site);
		await addZone(page, room, 'six-step-room-stat');
	}
	return site;
}

test('on a slow network a visit is alive in four seconds, says how far it is kept, and starves nothing', async ({
	browser,
	installation,
	page
}) => {
	await installation.loadDemo();
	await open(page, '/');
	const site = (await page.getByRole('link', { name: /Kelter Court/ }).getAttribute('href'))!;
	network = await badNetwork(installation.url);
	// what phones get at the edge of a cell: 1.6 Mbit/s, 300 ms each way and back
	network.bytesPerSecond = 200_000;
	network.treat = () => ({ delayMs: 300 });
	const mobile = await (await browser.newContext(phone)).newPage();
	const began = Date.now();
	await mobile.goto(`${network.url}${site}/visit`, { waitUntil: 'commit' });
	const button = mobile.getByRole('button', { name: /^(Next|Skip)$/ });
	await button.waitFor();
	const drawn = Date.now() - began;
	// tapped as soon as it is drawn: alive or not, it counts
	await button.tap();
	await expect(mobile.getByRole('heading', { name: /set these first/ })).toBeVisible({ timeout: 20_000 });
	const alive = Date.now() - began;
	console.log(`drawn after ${drawn} ms, answered after ${alive} ms`);
	// every file costs a way there and back
	expect(network.asked.filter(({ path }) => path.endsWith('.js')).length).toBeLessThan(40);
	await expect(mobile.getByText(/^Keeping \d+ of \d+ pages/)).toBeVisible({ timeout: 40_000 });
	await expect(mobile.getByText(WORKS)).toBeHidden();
	// what is kept first are the steps of the visit; the page in use is not held up by it
	await mobile.getByRole('combobox', { name: 'Zone' }).selectOption({ index: 1 });
	await mobile.getByRole('button', { name: /^Key in/ }).tap();
	await mobile.getByRole('link', { name: 'Key in, one value at a time' }).tap();
	await expect(mobile.getByRole('heading', { name: 'How was the control found?' })).toBeVisible();
	network.bytesPerSecond = Infinity;
	network.treat = () => ({});
	await mobile.goBack();
	await expect(mobile.getByText(WORKS)).toBeVisible({ timeout: 60_000 });
	// it is true: every page of the visit, and what is looked up on the way, opens without a network
	network.treat = () => ({ drop: true });
	const zone = network.asked.map(({ path }) => /zones\/([^/]+)\/key-in$/.exec(path)?.[1]).find(Boolean)!;
	for (const at of [
		`${site}/visit`,
		site,
		'/',
		`${site}/zones/${zone}/key-in`,
		`${site}/zones/${zone}/week`,
		`${site}/zones/${zone}/hand-over`
	]) {
		await mobile.goto(`${network.url}${at}`);
		await expect(mobile.getByText(/^No connection: this page is as of \d\d:\d\d/)).toBeVisible();
		await expect(mobile.locator('h1').first()).toBeVisible();
	}
	// one that is not kept is a page of ours, and leads back into the visit
	await mobile.goto(`${network.url}${site}/heat`);
	await expect(mobile.getByRole('heading', { name: /not kept on this device/ })).toBeVisible();
	await mobile.getByRole('link', { name: 'Back into the visit' }).tap();
	await expect(mobile.getByRole('combobox', { name: 'Zone' })).toBeVisible();
	await mobile.close();
});

test('a network that hangs: the kept page after two seconds, no connection after eight, tried again; nothing waits for ever', async ({
	browser,
	installation,
	page
}) => {
	const site = await siteWithRooms(page, 'Parlour');
	network = await badNetwork(installation.url);
	const mobile = await phoneOnVisit(browser, network, site);
	network.treat = () => ({ hang: true });
	const began = Date.now();
	await mobile.goto(`${network.url}${site}/visit`);
	await expect(mobile.getByRole('heading', { name: 'Parlour: how was it found?' })).toBeVisible();
	expect(Date.now() - began).toBeLessThan(5000);
	await mobile.getByRole('button', { name: 'hold', exact: true }).tap();
	await expect(mobile.getByRole('status').first()).toHaveText(/^Offline/, { timeout: 12_000 });
	// noted in the last second before the cut: it stands on the page that is opened without the network
	network.treat = () => ({});
	await expect(mobile.getByRole('status').first()).toHaveText(/^Saved/, { timeout: 25_000 });
	await mobile.getByRole('button', { name: 'boost', exact: true }).tap();
	await saved(mobile);
	network.treat = () => ({ drop: true });
	await mobile.goto(`${network.url}${site}/visit`);
	await expect(mobile.getByRole('button', { name: 'boost', exact: true })).toHaveAttribute(
		'aria-pressed',
		'true'
	);
	await mobile.close();
});

test('two ends of a visit: what is noted after another has ended it goes where its person says; what another notes shows within seconds', async ({
	browser,
	installation,
	page
}) => {
	const site = await siteWithRooms(page, 'Parlour');
	network = await badNetwork(installation.url);
	const a = await phoneOnVisit(browser, network, site);
	await open(page, `${site}/visit`);
	const found = (at: Page, name: string) => at.getByRole('button', { name, exact: true });
	await found(page, 'hold').click();
	await saved(page);
	await expect(found(a, 'hold')).toHaveAttribute('aria-pressed', 'true', { timeout: 10_000 });

	network.treat = () => ({ drop: true });
	await found(a, 'boost').tap();
	await a.getByLabel('What it showed, what was said').fill('Lamp red');
	await a.getByLabel('What it showed, what was said').press('Tab');
	await page
		.getByRole('button', { name: /^Sign off/ })
		.first()
		.click();
	await page.getByLabel('Who').fill('B. Bell');
	await page.getByRole('button', { name: 'Save without sign-off' }).click();
	await expect(page.getByText('B. Bell').first()).toBeVisible();

	network.treat = () => ({});
	await expect(a.getByText(/^B\. Bell ended this visit on .* at \d\d:\d\d\.$/)).toBeVisible({
		timeout: 15_000
	});
	const visits = async () =>
		(await (await page.request.get(`/api/v1/jobs/${site.split('/')[2]}/visits`)).json()) as {
			visits: { visit: { zones: { onSite: { foundIn: string; foundNote: string } }[] } }[];
		};
	expect((await visits()).visits.at(-1)!.visit.zones[0]!.onSite).toMatchObject({
		foundIn: 'hold',
		foundNote: ''
	});
	await a.getByRole('button', { name: /^Begin a new visit with/ }).tap();
	await saved(a);
	await expect(found(a, 'boost')).toHaveAttribute('aria-pressed', 'true');
	const job = (await (await page.request.get(`/api/v1/jobs/${site.split('/')[2]}`)).json()) as {
		controls: { onSite: { foundIn: string; foundNote: string } }[];
	};
	expect(job.controls[0]!.onSite).toMatchObject({ foundIn: 'boost', foundNote: 'Lamp red' });
	// ended elsewhere while it goes on here: nothing more is noted for it unawares
	await page.request.post(`/api/v1/jobs/${site.split('/')[2]}/visits`, {
		data: { who: 'B. Bell', note: '', signedOff: false }
	});
	await expect(a.getByRole('heading', { name: /begin a visit\?$/ })).toBeVisible({ timeout: 15_000 });
	await a.close();
});

test('a plan that is changed under the card: said by whom, the value on show is held, and what must be keyed again comes before the end', async ({
	browser,
	installation,
	page
}) => {
	const site = await siteWithRooms(page, 'Parlour');
	const zoneId = /zones\/([^/]+)/.exec(page.url())![1]!;
	const api = `/api/v1/jobs/${site.split('/')[2]}`;
	network = await badNetwork(installation.url);
	const mobile = await (await browser.newContext(phone)).newPage();
	await mobile.goto(`${network.url}${site}/zones/${zoneId}/key-in`);
	const value = mobile.locator('.value');
	const key = mobile.locator('button.go');
	await alive(mobile);
	await mobile.getByRole('button', { name: 'Factory settings, or just reset' }).tap();
	// past the settings, and on to a temperature
	for (let i = 0; i < 60 && !/temperature/.test(await mobile.locator('.what').innerText()); i++)
		await key.tap();
	const before = (await value.innerText()).replace(/\s/g, '');

	/** The desk makes every level a degree warmer. */
	const warmer = async (by: string) => {
		const { zone } = (await (await page.request.get(`${api}/zones/${zoneId}`)).json()) as {
			zone: Record<string, unknown> & { levels: { setpointC: number }[] };
		};
		const levels = zone.levels.map((level) => ({ ...level, setpointC: level.setpointC + 1 }));
		const answer = await page.request.put(`${api}/zones/${zoneId}`, {
			headers: { person: encodeURIComponent(by) },
			data: { revision: 1, zone: { ...zone, levels } }
		});
		expect(answer.status(), await answer.text()).toBe(200);
	};
	await warmer('D. Desk');
	await expect(mobile.getByText(/^D\. Desk changed the plan at \d\d:\d\d:/)).toBeVisible({ timeout: 10_000 });
	// under the thumb nothing has changed, and what was keyed is what is recorded
	expect((await value.innerText()).replace(/\s/g, '')).toBe(before);
	await key.tap();
	const after = (await value.innerText()).replace(/\s/g, '');
	expect(after).not.toBe(before);
	for (let i = 0; i < 120 && !(await mobile.getByRole('heading', { name: 'All keyed in' }).isVisible()); i++)
		await key.tap();
	await saved(mobile);
	// the record says what the phone says
	await open(page, site);
	await expect(page.getByRole('row', { name: /Parlour/ })).toContainText('keyed in');
	await mobile.close();
});

test('a commissioning through a network that drops a quarter, hangs a tenth and takes ten seconds, with a desk editing meanwhile: every value right, every sentence true', async ({
	browser,
	installation,
	page
}) => {
	const site = await siteWithRooms(page, 'Parlour');
	const zoneId = /zones\/([^/]+)/.exec(page.url())![1]!;
	const api = `/api/v1/jobs/${site.split('/')[2]}`;
	network = await badNetwork(installation.url);
	const a = await phoneOnVisit(browser, network, site);
	a.setDefaultTimeout(20_000);

	// begun with 77 an older request comes in after a newer one
	let random = 77;
	network.treat = () => {
		random = (Math.imul(random, 1664525) + 1013904223) | 0;
		const share = (random >>> 0) / 4294967296;
		if (share < 0.25) return share < 0.05 ? { loseAnswer: true } : { drop: true };
		if (share < 0.35) return { hang: true };
		return { delayMs: share < 0.5 ? 10_000 : 100 };
	};
	const zone = async () => {
		const job = (await (await page.request.get(api)).json()) as {
			controls: unknown[];
			zones: unknown[];
		};
		return seenZone(job) as Record<string, unknown> & {
			levels: { setpointC: number }[];
			onSite: { foundIn: string; test: { seen: boolean }[]; leftIn: string };
		};
	};
	/** What is said beside what is so: a recorder looks three times a second, whatever else goes on. */
	const lies: string[] = [];
	let looked = 0;
	let recording = true;
	const recorder = (async () => {
		while (recording) {
			const said = await a
				.evaluate(() => {
					const waiting = Object.entries(localStorage).flatMap(([name, text]) => {
						return /^fond-quarter\/outbox\//.test(name) ? [text] : [];
					});
					return {
						status: document.querySelector('header [role="status"]')?.textContent ?? '',
						waiting: waiting.length
					};
				})
				.catch(() => null);
			if (said) {
				looked++;
				if (/^Saved/.test(said.status) && said.waiting > 0)
					lies.push(`${said.status} with ${said.waiting} waiting`);
				if (/kept here|Kept here/.test(said.status) && !/what you do/.test(said.status) && said.waiting === 0)
					lies.push(`${said.status} with nothing waiting`);
			}
			await a.waitForTimeout(330).catch(() => undefined);
		}
	})();

	await a.getByRole('button', { name: 'hold', exact: true }).first().tap();
	await a.getByRole('button', { name: /^Key in/ }).tap();
	await a.getByRole('link', { name: 'Key in, one value at a time' }).tap();
	await a.getByRole('button', { name: 'Factory settings, or just reset' }).tap();
	await expect(a.locator('.value')).toBeVisible();
	const allIn = a.getByRole('heading', { name: 'All keyed in' });
	const progress = a.getByRole('progressbar', { name: 'Values in the control' });
	for (let i = 0; i < 150 && !(await allIn.isVisible()); i++) {
		await a.locator('button.go').tap();
		if (i !== 12) continue;
		const stored = await zone();
		const levels = stored.levels.map((level) => ({ ...level, setpointC: level.setpointC + 1 }));
		delete (stored as { onSite?: unknown }).onSite;
		const answer = await page.request.put(`${api}/zones/${zoneId}`, {
			headers: { person: 'D.%20Desk' },
			data: { revision: 1, zone: { ...stored, levels } }
		});
		expect(answer.status(), await answer.text()).toBe(200);
		await expect(a.getByText(/^D\. Desk changed the plan/)).toBeVisible({ timeout: 60_000 });
	}
	await expect(allIn).toBeVisible();
	// what stands above is what is so
	expect(await progress.getAttribute('aria-valuenow')).toBe(await progress.getAttribute('aria-valuemax'));
	await a.getByRole('link', { name: 'to the overview' }).tap();
	await a.goto(`${network.url}${site}/visit`);
	await a.getByRole('button', { name: /^Test/ }).tap();
	for (let i = 0; i < 6; i++) await a.getByRole('button', { name: 'Seen', exact: true }).tap();
	await a.getByRole('button', { name: /^Leave/ }).tap();
	// the last step of the test left it so
	await expect(
		a.getByRole('group', { name: 'It is left in' }).getByRole('button', { name: 'automatic' })
	).toHaveAttribute('aria-pressed', 'true');
	await a
		.getByRole('button', { name: /^Sign off/ })
		.first()
		.tap();
	await a.getByLabel('Who').fill('A. Cellar');
	for (let i = 0; i < 40 && !/record$/.test(new URL(a.url()).pathname); i++) {
		await a
			.getByRole('button', { name: 'Save without sign-off' })
			.tap({ timeout: 3000 })
			.catch(() => undefined);
		await a.waitForTimeout(2500);
	}
	recording = false;
	await recorder;
	network.treat = () => ({});
	expect(lies).toEqual([]);
	expect(looked).toBeGreaterThan(20);
	const visits = (await (await page.request.get(`${api}/visits`)).json()) as {
		visits: {
			visit: {
				who: string;
				zones: {
					done: number;
					of: number;
					onSite: { foundIn: string; leftIn: string; test: { seen: boolean }[] };
				}[];
			};
		}[];
	};
	expect(visits.visits.map(({ visit }) => visit.who)).toEqual(['A. Cellar']);
	const left = visits.visits[0]!.visit.zones[0]!;
	expect(left.done).toBe(left.of);
	expect(left.onSite).toMatchObject({ foundIn: 'hold', leftIn: 'automatic' });
	expect(left.onSite.test).toHaveLength(6);
	await a.close();
});
