/** `npm run shots`: one picture of each main view from the demo data, into docs/screenshots/; or those whose name holds a word. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensureBuild, ensureChromium, ensurePackages, loadDemo, root, say, startServer } from './setup.mjs';

ensurePackages();
const executablePath = ensureChromium();
ensureBuild();
const { chromium } = await import('@playwright/test');
const data = mkdtempSync(path.join(tmpdir(), 'fond-quarter-shots-'));
const server = await startServer({ data, port: 4791, quiet: true });
await loadDemo(server.url);
const { jobs } = await (await fetch(`${server.url}/api/v1/jobs`)).json();
const site = (/** @type {string} */ name) =>
	jobs.find((/** @type {{ name: string }} */ job) => job.name.startsWith(name)).id;

const browser = await chromium.launch({
	executablePath,
	args: [
		'--no-sandbox',
		'--disable-gpu',
		'--disable-quic',
		'--no-first-run',
		'--disable-background-networking'
	]
});
const desk = { width: 1280, height: 800 };
const phone = { width: 390, height: 844 };

/**
 * @param {string} name
 * @param {{ width: number, height: number }} viewport
 * @param {'light' | 'dark'} colorScheme
 * @param {(page: import('@playwright/test').Page) => Promise<void>} go
 */
async function shot(name, viewport, colorScheme, go) {
	if (!name.includes(process.argv[2] ?? '')) return;
	const page = await browser.newPage({ viewport, colorScheme, baseURL: server.url });
	await go(page);
	await page.waitForLoadState('networkidle');
	await page.waitForTimeout(300);
	await page.screenshot({ path: path.join(root, 'docs', 'screenshots', `${name}.png`) });
	await page.close();
	say(`docs/screenshots/${name}.png`);
}

/**
 * @param {import('@playwright/test').Page} page
 * @param {string} siteName
 * @param {string} zone
 * @param {string} view
 */
async function zoneView(page, siteName, zone, view) {
	await page.goto(`/sites/${site(siteName)}`);
	const href = await page.locator('tbody th a', { hasText: zone }).first().getAttribute('href');
	await page.goto(String(href).replace(/week$/, view), { waitUntil: 'networkidle' });
}

await shot('jobs', desk, 'light', async (page) => void (await page.goto('/')));
await shot('board', desk, 'light', async (page) => void (await page.goto(`/sites/${site('Tallow')}`)));
await shot('week', desk, 'light', async (page) => {
	await zoneView(page, 'Tallow', 'Bindery', 'week');
	await page.getByRole('slider', { name: 'Thursday, change 3', exact: true }).focus();
});
await shot('key-in-phone', phone, 'dark', async (page) => {
	await zoneView(page, 'Tallow', 'Bindery', 'key-in');
	await page.getByRole('button', { name: 'Factory settings, or just reset' }).click();
	for (let i = 0; i < 10; i++) await page.keyboard.press('Enter');
});
await shot('rehearse', desk, 'light', async (page) => {
	await zoneView(page, 'Tallow', 'Bindery', 'rehearse');
	const menu = page.locator('main').getByRole('button', { name: 'Menu', exact: true });
	await menu.dispatchEvent('pointerdown', { button: 0, pointerId: 1 });
	await page.waitForTimeout(5200);
	await menu.dispatchEvent('pointerup', { button: 0, pointerId: 1, bubbles: true });
	await page.getByRole('button', { name: 'OK', exact: true }).click({ clickCount: 2, delay: 30 });
});
await shot('read-back', desk, 'light', async (page) => {
	await zoneView(page, 'Kelter', 'Registrar', 'read-back');
	const weekday = page.getByLabel('Mon–Fri, step 2, time', { exact: true });
	await weekday.fill('00:00');
	await weekday.press('Tab');
});
await shot('house', desk, 'light', async (page) => void (await page.goto(`/sites/${site('Kelter')}/house`)));
await shot('proof', desk, 'light', async (page) => {
	await zoneView(page, 'Kelter', 'Registrar', 'proof');
	await page.waitForTimeout(800);
});
await shot('clock', desk, 'light', (page) => zoneView(page, 'Kelter', 'Lower flat', 'clock'));
await shot('away', desk, 'light', async (page) => void (await page.goto(`/sites/${site('Marrow')}/away`)));
await shot('heat', desk, 'light', async (page) => {
	await page.goto(`/sites/${site('Marrow')}/heat`);
	await page.getByRole('button', { name: 'Stagger the starts' }).click();
	await page.getByText('What was moved').waitFor({ timeout: 60_000 });
	await page.evaluate(() => window.scrollTo(0, 0));
});
await shot('call', desk, 'light', async (page) => {
	await zoneView(page, 'Marrow', 'Gable room', 'callback');
	const words = page.getByLabel('In their own words');
	await words.fill('It comes on at five');
	await words.press('Enter');
});
await shot('control', desk, 'light', (page) => zoneView(page, 'Tallow', 'Bindery', 'control'));
await shot('visit-phone', phone, 'dark', async (page) => {
	await page.goto(`/sites/${site('Tallow')}/visit`, { waitUntil: 'networkidle' });
	await page.getByRole('button', { name: 'Begin a visit' }).click();
	await page
		.getByRole('navigation', { name: 'Steps at this control' })
		.getByRole('button', { name: /^Test/ })
		.click();
	await page.getByRole('button', { name: 'Seen', exact: true }).click();
});
await shot(
	'checks',
	desk,
	'light',
	async (page) => void (await page.goto(`/sites/${site('Kelter')}/checks`))
);
await shot('record', desk, 'light', async (page) => {
	await page.goto(`/sites/${site('Tallow')}/record`, { waitUntil: 'networkidle' });
	await page.getByRole('button', { name: 'What changed: Monday 3 November 2025' }).click();
});
await shot('due', desk, 'dark', async (page) => void (await page.goto('/due')));
await shot('moment', desk, 'light', async (page) => {
	await zoneView(page, 'Tallow', 'Bindery', 'moment');
	await page.getByLabel('Boost steps').fill('3');
	await page.getByRole('button', { name: /^Boost/ }).click();
});
await shot('hand-over', { width: 1280, height: 1250 }, 'light', (page) =>
	zoneView(page, 'Tallow', 'Bindery', 'hand-over')
);

await browser.close();
await server.stop();
rmSync(data, { recursive: true, force: true });
