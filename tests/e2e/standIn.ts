import type { Locator, Page } from '@playwright/test';
import type { PanelGesture, PanelKey } from '../../src/core/control';
import { RUN_EVERY_MS } from '../../src/lib/ui/panel/fingers';
import { expect, open } from './bench';

/** Opens a page whose clock the test moves on: a key held for ten seconds takes no time. */
export async function openAtOnce(page: Page, path: string) {
	await page.clock.install();
	await open(page, path);
}

/** Moves the page's clock on by at least so many ms, whatever of them a slow machine has lost since. */
async function passes(page: Page, ms: number) {
	const now = () => page.evaluate(() => performance.now());
	const until = (await now()) + ms;
	for (let left = ms; left > 0; left = until - (await now())) await page.clock.runFor(Math.ceil(left));
}

/** Fingers put on keys, held for so many seconds and a moment, and lifted. */
export async function hold(page: Page, prints: readonly string[], seconds: number) {
	await fingers(page, prints, ['pointerdown']);
	await passes(page, seconds * 1000 + 100);
	await fingers(page, prints, ['pointerup']);
}

/** A finger at one key of the stand-in: a tap, or held so many ms. */
export async function touch(key: Locator, heldMs = 0, pointerId = 1) {
	await key.dispatchEvent('pointerdown', { button: 0, pointerId });
	if (heldMs > 0) await passes(key.page(), heldMs);
	await key.dispatchEvent('pointerup', { button: 0, pointerId, bubbles: true });
}

export const ask = (page: Page) => page.locator('.ask');
export const panel = (page: Page) => page.getByRole('group', { name: /^Simulator: / });

/** A stroke as it stands on a page: the words on its keys and what is said of them, `hold 5 s`, `held`, `to Off`, `3 times`. */
export interface Said {
	readonly keys: readonly string[];
	readonly says: string;
}

/** The strokes that a part of a page shows, in their order. */
export const strokesIn = (part: Locator): Promise<Said[]> =>
	part.locator('.stroke').evaluateAll((all) =>
		all.map((stroke) => ({
			keys: [...stroke.querySelectorAll('kbd')].map((key) => key.textContent.trim()),
			says: (stroke.querySelector('kbd ~ span, :scope > span:not(:has(kbd))')?.textContent ?? '')
				.replace(/\s+/g, ' ')
				.replace(/,\s*$/, '')
				.trim()
		}))
	);

/** What the rehearsal asks for first; `says` is null where it asks for nothing. */
const asked = async (page: Page): Promise<{ keys: readonly string[]; says: string | null }> =>
	(await strokesIn(ask(page)))[0] ?? { keys: [], says: null };

/** Fingers put on keys, or lifted from them, so many times over, however slow the machine is in between. */
export const fingers = (
	page: Page,
	prints: readonly string[],
	types: readonly ('pointerdown' | 'pointerup')[],
	times = 1
) =>
	panel(page).evaluate(
		(root, { prints, types, times }) => {
			const keys = [...root.querySelectorAll('button')];
			for (let n = 0; n < times; n++)
				for (const type of types)
					prints.forEach((print, i) =>
						keys
							.find((key) => key.textContent.trim() === print)!
							.dispatchEvent(new PointerEvent(type, { button: 0, pointerId: i + 1, bubbles: true }))
					);
		},
		{ prints, types, times }
	);

/** What stands on the display of the stand-in: the line above, the value, the line below. */
export const shown = (page: Page): Promise<string[]> =>
	panel(page)
		.locator('.display p')
		.evaluateAll((lines) => lines.map((line) => (line as HTMLElement).innerText.replace(/\s+/g, ' ').trim()));

/** Whether the display of the stand-in shows a value now, with its unit or without. */
export async function showsValue(page: Page, value: string) {
	const plain = (text: string) => text.replace(/\s/g, '');
	const lines = (await shown(page)).map(plain);
	return ['', '°C', '°F'].some((unit) => lines.includes(plain(value) + unit));
}

/** How often a key is pressed by what is said of it. */
const timesSaid = (says: string) => (says === 'twice' ? 2 : says.endsWith('times') ? parseInt(says) : 1);

/** What a line of a display shows as a number: minutes of a time of day, else the figure; NaN where it is none. */
function figureOf(line: string): number {
	const [, hour, minute, half] = /(\d+):(\d\d)\s*([ap]m)?/i.exec(line) ?? [];
	if (hour === undefined) return Number(/\d+(\.\d+)?/.exec(line)?.[0] ?? NaN);
	const h = half ? (Number(hour) % 12) + (/p/i.test(half) ? 12 : 0) : Number(hour);
	return h * 60 + Number(minute);
}

/** Lets what runs on while a key is held run until `isThere`: far from the wanted value it is looked at less often, near it at every step. */
async function runOn(page: Page, wanted: string, isThere: () => Promise<boolean>) {
	// a day has so many minutes
	for (let n = 0; n < 1440; n++) {
		const before = await shown(page);
		await page.clock.runFor(RUN_EVERY_MS);
		if (await isThere()) return;
		const after = await shown(page);
		const line = after.findIndex((text, i) => text !== before[i]);
		if (line < 0) continue;
		const now = figureOf(after[line]!);
		const steps = Math.floor((figureOf(wanted) - now) / (now - figureOf(before[line]!)));
		if (steps > 2 && steps < 300) await page.clock.runFor(RUN_EVERY_MS * (steps - 1));
		if (await isThere()) return;
	}
}

/** Does a stroke as it stands on a page, in keys and words; a key that is held until the wanted value is there is let go by `isThere`. */
export async function doSaid(
	page: Page,
	{ keys, says }: Said,
	isThere: () => Promise<boolean>,
	wanted = ''
): Promise<void> {
	const [once, shows] = says.split(/ ?until it shows /);
	if (shows !== undefined) {
		for (let n = 0; n < 60 && !(await showsValue(page, shows)); n++)
			await doSaid(page, { keys, says: once! }, isThere);
		return;
	}
	const seconds = Number(/\d+/.exec(says)?.[0] ?? 0);
	if (says.startsWith('wait')) return page.clock.runFor(seconds * 1000 + 500);
	if (says.startsWith('to '))
		return panel(page)
			.getByRole('radio', { name: says.slice(3), exact: true })
			.click();
	if (/^(hold|together)/.test(says)) return hold(page, keys, seconds);
	if (says === 'held') {
		await fingers(page, keys, ['pointerdown']);
		if (!(await isThere())) await runOn(page, wanted, isThere);
		return fingers(page, keys, ['pointerup']);
	}
	await fingers(page, keys, ['pointerdown', 'pointerup'], timesSaid(says));
}

/** Does the first thing that the rehearsal asks for, as it stands there in keys and words. */
export async function next(page: Page) {
	const { keys, says } = await asked(page);
	if (says === null) return;
	const [, wanted] = /must show\s+(\S+)/.exec(await ask(page).innerText()) ?? [];
	// let go as soon as something else is asked for: the value is there, or nearly
	await doSaid(
		page,
		{ keys, says },
		async () => {
			const now = await asked(page);
			return now.says !== 'held' || now.keys[0] !== keys[0];
		},
		wanted
	);
}

/** Does the first thing that is asked for by the keyboard alone: the key is come to, and pressed by Space as often as it says. */
export async function nextByKeyboard(page: Page) {
	const { keys, says } = await asked(page);
	if (says === null) return;
	const seconds = Number(/\d+/.exec(says)?.[0] ?? 0);
	if (says.startsWith('wait')) return page.clock.runFor(seconds * 1000 + 500);
	const key = panel(page).getByRole('button', { name: keys[0]!, exact: true });
	await key.focus();
	if (says.startsWith('hold')) {
		await page.keyboard.down('Space');
		await passes(page, seconds * 1000 + 100);
		return page.keyboard.up('Space');
	}
	for (let n = timesSaid(says); n > 0; n--) await page.keyboard.press('Space');
}

/** Does a way at the stand-in: gestures of a panel one after another. */
export async function doWay(page: Page, keys: readonly PanelKey[], way: readonly PanelGesture[]) {
	const print = (id: string) => keys.find((key) => key.id === id)!.print;
	for (const gesture of way) {
		if (gesture.do === 'hold') await hold(page, gesture.keys.map(print), gesture.seconds);
		else if (gesture.do === 'set')
			await panel(page).getByRole('radio', { name: gesture.to, exact: true }).click();
		else if (gesture.do === 'tap') {
			const held = gesture.held.map((id) =>
				panel(page).getByRole('button', { name: print(id), exact: true })
			);
			for (const [i, key] of held.entries())
				await key.dispatchEvent('pointerdown', { button: 0, pointerId: 9 + i });
			await passes(page, 1000);
			await fingers(page, [print(gesture.key)], ['pointerdown', 'pointerup']);
			for (const [i, key] of held.entries())
				await key.dispatchEvent('pointerup', { button: 0, pointerId: 9 + i, bubbles: true });
		} else await fingers(page, [print(gesture.key)], ['pointerdown', 'pointerup'], gesture.times);
	}
}

/** Keys the whole card by what is asked for. */
export async function keyAll(page: Page) {
	await expect(ask(page).locator('.stroke').first()).toBeVisible();
	for (let n = 0; n < 400; n++) {
		if (await page.getByText('It holds the whole week.').isVisible()) return;
		await next(page);
	}
	throw new Error(`not in after 400 strokes: ${await ask(page).innerText()}`);
}
