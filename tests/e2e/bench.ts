import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { test as base, expect, type Locator, type Page } from '@playwright/test';
import { freePort, loadDemo, startServer, type RunningServer } from '../../scripts/setup.mjs';

/** A built server of its own for each test, on real files, that can be killed and started again. */
export interface Installation {
	readonly url: string;
	/** The folder of its database. */
	readonly data: string;
	/** Ends the server at once, as a power cut does, and starts it again on the same data. */
	killAndRestart(): Promise<void>;
	stop(): Promise<void>;
	start(): Promise<void>;
	loadDemo(): Promise<void>;
}

export const test = base.extend<{ installation: Installation; strangers: string[] }>({
	// eslint-disable-next-line no-empty-pattern
	installation: async ({}, use) => {
		const data = mkdtempSync(path.join(tmpdir(), 'fond-quarter-e2e-'));
		const port = await freePort();
		const start = () => startServer({ data, port, quiet: true });
		let server: RunningServer = await start();
		await use({
			url: server.url,
			data,
			async killAndRestart() {
				const ended = new Promise((resolve) => server.process.once('exit', resolve));
				server.process.kill('SIGKILL');
				await ended;
				server = await start();
			},
			stop: () => server.stop(),
			async start() {
				server = await start();
			},
			async loadDemo() {
				await loadDemo(server.url);
			}
		});
		await server.stop();
		rmSync(data, { recursive: true, force: true });
	},
	baseURL: async ({ installation }, use) => use(installation.url),
	/** Requests to any other origin, and errors on the page: every test ends with none. */
	strangers: [
		async ({ page, installation }, use, info) => {
			const seen: string[] = [];
			const said: string[] = [];
			page.on('console', (message) => message.type() === 'error' && said.push(message.text()));
			page.on('request', (request) => {
				const url = request.url();
				if (!url.startsWith(installation.url) && !/^(blob|data|about):/.test(url)) seen.push(url);
			});
			page.on('pageerror', (error) => seen.push(`error on the page: ${error.message}`));
			await use(seen);
			// what the browser said helps whoever looks for the cause
			if (info.status !== info.expectedStatus) console.log(said.join('\n'));
			expect(seen).toEqual([]);
		},
		{ auto: true }
	]
});

export { expect };

/** Waits until the page is alive: its buttons answer. */
export async function alive(page: Page): Promise<void> {
	await page.locator('html[data-alive]').waitFor();
}

/** Waits until what a page has kept stands between it and the network: from then on it outlives the server at any moment. */
export async function guarded(page: Page): Promise<void> {
	await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
}

/** Opens an address and waits until it is alive. */
export async function open(page: Page, address: string): Promise<void> {
	await page.goto(address);
	await alive(page);
}

/** Makes a site as a person does and stays on its board. */
export async function makeSite(page: Page, name: string): Promise<void> {
	await open(page, '/');
	// an empty list shows the form itself
	const first = page.getByRole('heading', { name: 'The first site' });
	if (!(await first.isVisible())) await page.getByRole('button', { name: 'New site' }).click();
	await page.getByLabel('New site').fill(name);
	await page.getByLabel('Place', { exact: true }).fill('Somewhere, Anywhere');
	await page.getByRole('button', { name: 'Add site' }).click();
	await onOverview(page, name);
}

/** Waits until a site's own places are on screen: it is open at none of its zones. */
export async function onOverview(page: Page, site: string): Promise<void> {
	await expect(page.getByRole('navigation', { name: `Places of ${site}` })).toBeVisible();
}

/** Another place of the site or zone that is open, and one of its views. */
export async function toView(page: Page, place: string, view?: string): Promise<void> {
	const link = (within: RegExp, name: string) =>
		page.getByRole('navigation', { name: within }).getByRole('link', { name: new RegExp(`^${name}`) });
	await link(/^Places of/, place).click();
	if (view) await link(new RegExp(`^Views of ${place}`), view).click();
}

/** Another zone of the site, in the view that is open. */
export async function toZone(page: Page, name: string): Promise<void> {
	await page.getByRole('button', { name: 'Another zone' }).click();
	await page.getByRole('combobox', { name: 'Its name' }).fill(name);
	await page
		.getByRole('option', { name: new RegExp(`^${name}`) })
		.first()
		.click();
}

/** One of the acts in the menu of the header. */
export async function menuAct(page: Page, name: string | RegExp): Promise<void> {
	await page.getByRole('button', { name: 'Menu', exact: true }).click();
	await page.getByRole('menuitem', { name }).click();
}

/** Adds a zone on the board and stays on its week. */
export async function addZone(page: Page, name: string, control: string): Promise<void> {
	await page.getByLabel('New zone').fill(name);
	await page.getByLabel('Its control').selectOption(control);
	await page.getByRole('button', { name: 'Add zone' }).click();
	await expect(page.getByRole('heading', { name: `${name}, the week` })).toBeVisible();
	await alive(page);
}

/** Waits until the head says that all is saved. */
export async function saved(page: Page): Promise<void> {
	await expect(page.getByRole('status').first()).toHaveText(/^Saved \d\d:\d\d$/);
}

/** A place on the drawn week: the pixel of a day and a minute, at the height of the day's middle. */
export async function placeOn(page: Page, day: string, minute: number): Promise<{ x: number; y: number }> {
	const label = (await page.getByRole('button', { name: new RegExp(`^${day}:`) }).boundingBox())!;
	const chart = page.getByRole('group', { name: 'The wanted week, day by day' });
	const hour = async (name: string) => {
		const box = (await chart.locator('text.hour', { hasText: new RegExp(`^${name}$`) }).boundingBox())!;
		return box.x + box.width / 2;
	};
	const [left, right] = [await hour('00'), await hour('24')];
	return { x: left + ((right - left) * minute) / 1440, y: label.y + label.height / 2 };
}

/** Presses a choice, tile or box as a person does: on its label. */
export async function press(choice: Locator): Promise<void> {
	const id = await choice.getAttribute('id');
	await choice.page().locator(`label[for="${id}"]`).click();
}

/** Sets a slider of the program by its keys to a value. */
export async function slide(slider: Locator, value: number): Promise<void> {
	await slider.focus();
	for (let i = 0; i < 200; i++) {
		const now = Number(await slider.getAttribute('aria-valuenow'));
		if (now === value) return;
		await slider.press(now < value ? 'ArrowRight' : 'ArrowLeft');
	}
	throw new Error(`The slider does not come to ${value}.`);
}

/** One of the rare acts of a site, from the menu of its overview. */
export async function siteAct(page: Page, name: string): Promise<void> {
	await page.getByRole('button', { name: 'More for this site' }).click();
	await page.getByRole('menuitem', { name }).click();
}

/** Says how the control of a key-in page was found, if it asks, and confirms value after value until all is in. Gives how many were left. */
export async function keyIn(page: Page, found: 'Factory settings, or just reset' | 'In use: key everything') {
	const asks = page.getByRole('heading', { name: 'How was the control found?' });
	const value = page.locator('main .value');
	const allIn = page.getByRole('heading', { name: 'All keyed in' });
	await expect(asks.or(value).or(allIn).first()).toBeVisible();
	if (await asks.isVisible()) await page.getByRole('button', { name: found }).click();
	await expect(value.or(allIn).first()).toBeVisible();
	const left = parseInt(await page.locator('main').getByRole('status').first().innerText()) || 0;
	for (let count = 0; count < 400; count++) {
		if (await allIn.isVisible()) return left;
		await page.keyboard.press('Enter');
	}
	throw new Error(`not in after 400 values: ${await page.locator('main').innerText()}`);
}
