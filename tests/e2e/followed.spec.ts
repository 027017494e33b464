/** The screens of Key in, followed by a person who reads them and presses what they say on a stand-in that lies in another window. */
import type { Browser, Page } from '@playwright/test';
import { addZone, expect, makeSite, open, saved, test } from './bench';
import { doSaid, keyAll, openAtOnce, panel, showsValue, shown, strokesIn } from './standIn';

const WEEK =
	'Mon-Fri;0:00;6:00;E\nMon-Fri;6:00;8:30;C\nMon-Fri;8:30;16:00;E\nMon-Fri;16:00;22:30;C\nMon-Fri;22:30;24:00;E\nSat+Sun;0:00;8:00;E\nSat+Sun;8:00;9:30;C\nSat+Sun;9:30;24:00;E';

async function wantWeek(page: Page, table: string) {
	await page.getByRole('button', { name: 'Table' }).click();
	await page.getByLabel('Table of the wanted week: day, from, to, level').fill(table);
	// the head still says when what came before was saved
	const kept = page.waitForResponse((answer) => answer.request().method() === 'PUT' && answer.ok());
	await page.getByRole('button', { name: 'Use this table' }).click();
	await kept;
	await saved(page);
}

/** A window of its own, with a clock that the test moves on. */
async function standInWindow(browser: Browser, url: string, address: string) {
	const window = await browser.newContext({ baseURL: url });
	const standIn = await window.newPage();
	await openAtOnce(standIn, address);
	await expect(panel(standIn)).toBeVisible();
	await standIn.clock.pauseAt(Date.now() + 60_000);
	return standIn;
}

/** What the screen says that the display shows now; nothing where it does not know. */
const said = async (page: Page) => (await page.locator('.ask .now > p').allInnerTexts()).join('');

/** Presses on the stand-in what the screen of a value says, and confirms the value. What the screen says that the display shows stands there. */
async function follow(page: Page, standIn: Page) {
	const instruction = page.locator('.ask .instruction');
	// from its normal display: whoever is elsewhere leaves it alone until it is there
	if ((await instruction.locator('.from').count()) > 0) await standIn.clock.fastForward(300_000);
	const [, first, shows] =
		/^(It|After the first keys it) shows (.+?)( and blinks.*)?\.$/.exec(await said(page)) ?? [];
	const value = await instruction.locator('.value').evaluate((node) => node.firstChild!.textContent!.trim());
	if (first === 'It') expect(await showsValue(standIn, shows!), `${value}: ${shows}`).toBe(true);
	for (const [n, part] of (await instruction.locator('.keys > span').all()).entries()) {
		for (const stroke of await strokesIn(part))
			await doSaid(standIn, stroke, () => showsValue(standIn, value), value);
		if (n === 0 && first && first !== 'It')
			expect(await showsValue(standIn, shows!), `${value}: ${shows}`).toBe(true);
	}
	await page.keyboard.press('Enter');
}

/** Keys all by the text of the screens; gives how many values there were. */
async function followAll(page: Page, standIn: Page) {
	const head = page.locator('main').getByRole('status').first();
	let values = 0;
	for (; !(await page.getByRole('heading', { name: 'All keyed in' }).isVisible()); values++) {
		const left = await head.innerText();
		expect(left).toMatch(/^\d+ left/);
		await follow(page, standIn);
		await expect(head).not.toHaveText(left);
		expect(values).toBeLessThan(150);
	}
	for (const stroke of await strokesIn(page.locator('.leave')))
		await doSaid(standIn, stroke, () => Promise.resolve(true));
	return values;
}

for (const [name, width] of [
	['Six-step room stat', 390],
	['Four-step floor stat', 1280],
	['Two-channel programmer', 1280],
	['Slider stat', 1280],
	// from its file, which says its states itself
	['Mains stat with a swap key', 390]
] as const)
	test(`${name}: what the screens say, pressed on a stand-in, is the planned week`, async ({
		page,
		browser,
		installation
	}) => {
		if (name === 'Mains stat with a swap key') {
			await open(page, '/controls');
			await page.getByLabel('Control file').setInputFiles('tests/leaflets/A.json');
			await expect(page.getByText(`${name} is among your own now.`)).toBeVisible();
		}
		await makeSite(page, 'Followed');
		await addZone(page, 'Hall', name);
		await wantWeek(
			page,
			name === 'Two-channel programmer' ? WEEK.replace(/;C/g, ';On').replace(/;E/g, ';Off') : WEEK
		);
		const zone = page.url().replace(/week.*$/, '');
		const standIn = await standInWindow(browser, installation.url, `${zone}rehearse`);
		await page.setViewportSize({ width, height: 844 });
		await open(page, `${zone}key-in`);
		await page.getByRole('button', { name: 'Factory settings, or just reset' }).click();
		const values = await followAll(page, standIn);
		expect(values).toBeGreaterThan(4);
		await expect(standIn.getByText('It holds the whole week.')).toBeVisible();
		await standIn.context().close();
	});

test('on a phone a control in use is read first, two values are corrected, what differs is keyed, all is read back', async ({
	page,
	browser,
	installation
}) => {
	await makeSite(page, 'Read first');
	await addZone(page, 'Hall', 'Four-step floor stat');
	await wantWeek(page, WEEK);
	const zone = page.url().replace(/week.*$/, '');
	// the control as it hangs there holds this week; what lies in the other window knows nothing of what is wanted later
	await open(page, `${zone}rehearse`);
	const exercise = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Save as an exercise' }).click();
	const standIn = await standInWindow(browser, installation.url, '/rehearse');
	await standIn.getByLabel('An exercise’s file').setInputFiles(await (await exercise).path());
	await keyAll(standIn);

	await open(page, `${zone}week`);
	const weekend = WEEK.split('\n').slice(-3).join('\n');
	const [saturday, sunday] = ['Sat', 'Sun'].map((day) => weekend.replaceAll('Sat+Sun', day));
	await wantWeek(
		page,
		WEEK.replace(weekend, `${saturday!.replaceAll(';8:00', ';9:00')}\n${sunday!.replaceAll('9:30', '10:00')}`)
	);
	await page.setViewportSize({ width: 390, height: 844 });
	await open(page, `${zone}key-in`);
	await page.getByRole('button', { name: 'In use: read it first' }).click();

	/** Pages through one group by the keys that stand above it; gives what the display showed otherwise than the page. */
	const pageThrough = async (part: ReturnType<Page['locator']>, correct: boolean) => {
		const runs = part.locator('.paging .strokes');
		const to = await strokesIn(runs.first());
		const on = (await runs.count()) > 1 ? await strokesIn(runs.last()) : [];
		let otherwise = 0;
		// whoever looks away from it for a while finds it at its normal display
		await standIn.clock.fastForward(300_000);
		const fields = part.locator('.row input');
		for (let n = 0; n < (await fields.count()); n++) {
			for (const stroke of n === 0 ? to : on) await doSaid(standIn, stroke, () => Promise.resolve(true));
			const here = await fields.nth(n).inputValue();
			if (await showsValue(standIn, here)) continue;
			otherwise++;
			if (!correct) continue;
			const [, value] = await shown(standIn);
			await fields.nth(n).fill(value!.replace(/\s*°[CF]$/, ''));
			await fields.nth(n).press('Enter');
		}
		return otherwise;
	};
	let corrected = 0;
	const go = page.locator('.read .go');
	for (let n = 0; n < 20; n++) {
		const heading = await page.locator('.read > h2').innerText();
		if (!heading.startsWith('Read it first')) break;
		corrected += await pageThrough(page.locator('.read'), true);
		const at = await page.locator('.read > p').first().innerText();
		await go.click();
		await expect(page.locator('.read > p').first()).not.toHaveText(at);
	}
	expect(corrected).toBe(2);
	await expect(page.locator('.read > h2')).toHaveText('2 values differ');
	await go.click();
	expect(await followAll(page, standIn)).toBe(2);

	await page.getByRole('link', { name: 'Read it back', exact: true }).click();
	const sets = page.locator('.set.here');
	const turn = page.locator('.turn [role=status]');
	await expect(turn).toBeVisible();
	for (let n = 0; n < 12; n++) {
		expect(await pageThrough(sets, false)).toBe(0);
		for (const tick of await sets.getByRole('button', { name: 'shows this' }).all()) await tick.click();
		const on = page.locator('.turn').getByRole('button', { name: 'Next' });
		if (await on.isDisabled()) break;
		const now = await turn.innerText();
		await on.click();
		await expect(turn).not.toHaveText(now);
	}
	await expect(page.getByText('The display shows what is planned.')).toBeVisible();
	await standIn.context().close();
});
