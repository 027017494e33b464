import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import { expect, open, test } from './bench';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Violation {
	readonly id: string;
	readonly impact: string | null;
	readonly nodes: readonly { readonly html: string }[];
}

/** What axe finds serious or worse on the page on show, or of one rule. */
async function serious(page: Page, rule?: string): Promise<string[]> {
	await page.evaluate(axe);
	const which = rule
		? `runOnly: [${JSON.stringify(rule)}]`
		: // a day is written short and spoken in full: "Mon" is Monday
			'rules: { "label-content-name-mismatch": { enabled: false } }';
	const violations = (await page.evaluate(
		`axe.run(document, { resultTypes: ["violations"], ${which} }).then((result) => result.violations)`
	)) as Violation[];
	return violations
		.filter((one) => one.impact === 'serious' || one.impact === 'critical')
		.map((one) => `${one.id}: ${one.nodes[0]!.html.slice(0, 160)}`);
}

test('every view: nothing serious for axe in either theme, and nothing wider than a phone', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Kelter Court/ }).click();
	await expect(page.locator('tbody th a').first()).toBeVisible();
	const site = new URL(page.url()).pathname;
	const zone = (await page.locator('tbody th a').nth(4).getAttribute('href'))!.replace(/\/week$/, '');
	await open(page, '/due');
	const round = (await page
		.getByRole('link', { name: 'Plan the round of its clocks' })
		.first()
		.getAttribute('href'))!;
	const views = [
		'/',
		'/controls',
		'/controls/plant-clock',
		site,
		`${site}/clocks`,
		`${site}/away`,
		`${site}/heat`,
		`${site}/visit`,
		`${site}/checks`,
		`${site}/hand-over`,
		`${site}/house`,
		`${site}/record`,
		`${site}/settings`,
		'/rehearse',
		'/due',
		round,
		'/firm',
		...[
			'room',
			'control',
			'week',
			'key-in',
			'read-back',
			'proof',
			'clock',
			'away',
			'moment',
			'talk',
			'rehearse',
			'callback',
			'hand-over'
		].map((view) => `${zone}/${view}`)
	];
	const ground = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
	for (const view of views) {
		await page.emulateMedia({ colorScheme: 'light' });
		await page.setViewportSize({ width: 1280, height: 800 });
		await open(page, view);
		expect(await serious(page), view).toEqual([]);
		const tooWide = () => page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
		expect(await tooWide(), `${view} at 1280 px`).toBeLessThanOrEqual(0);
		// in the dark nothing but the colours is another
		const light = await ground();
		await page.emulateMedia({ colorScheme: 'dark' });
		await expect.poll(ground).not.toBe(light);
		// colours change over a moment
		await page.waitForTimeout(300);
		expect(await serious(page, 'color-contrast'), `${view}, dark`).toEqual([]);
		await page.setViewportSize({ width: 390, height: 844 });
		await page.waitForTimeout(150);
		expect(await tooWide(), `${view} at 390 px`).toBeLessThanOrEqual(0);
	}
});
