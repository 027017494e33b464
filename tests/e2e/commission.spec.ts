import type { Page } from '@playwright/test';
import { findProfile, type ControlProfile } from '../../src/core/control';
import { expect, open, saved, test, keyIn } from './bench';
import { doWay, fingers, keyAll, openAtOnce, shown } from './standIn';

/** What the week of a stand-in shows, read value by value off its display with its own keys: by group of days, what is cleared left out. */
async function readOff(page: Page, { panel: its }: ControlProfile): Promise<string[][]> {
	const { keys, program } = its!;
	await doWay(page, keys, program!.way);
	const groups: string[][] = [];
	const [firstDay] = await shown(page);
	for (let day = 0; day < 8; day++) {
		const [heading, value] = await shown(page);
		if (day > 0 && heading === firstDay) break;
		const values: string[] = [];
		let [moved, at] = [false, { heading, value }];
		for (let n = 0; n < 100 && !(moved && at.heading === heading); n++) {
			if (!at.value!.startsWith('--')) values.push(at.value!.replace(/ ?°[CF]$/, ''));
			await doWay(page, keys, [program!.take]);
			const [next, shows] = await shown(page);
			moved ||= next !== heading;
			at = { heading: next, value: shows };
		}
		groups.push(values);
		await doWay(page, keys, [program!.day]);
	}
	await doWay(page, keys, program!.leave);
	return groups;
}

/** Minutes pass at the stand-in. */
const minutes = (page: Page, n: number) => page.clock.runFor(n * 60_000);

test('a house is commissioned against stand-ins: each keyed by its card, read back from its display, tested by its heat, signed off', async ({
	page,
	context,
	installation
}) => {
	page.setDefaultTimeout(45_000);
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Osier Lane/ }).click();
	await expect(page.locator('tbody th a').first()).toBeVisible();
	const site = new URL(page.url()).pathname;
	const zones = await page
		.locator('tbody th a')
		.evaluateAll((all) => all.map((a) => a.getAttribute('href')!));
	expect(zones).toHaveLength(2);
	const wall = await context.newPage();
	for (const [n, id] of ['six-step-room-stat', 'switch-timer'].entries()) {
		const profile = findProfile(id)!;
		const zone = zones[n]!.replace(/\/week$/, '');
		await openAtOnce(wall, `${zone}/rehearse`);
		await keyAll(wall);
		// what was keyed is noted as the card asks for it
		await open(page, `${zone}/key-in`);
		const all = await keyIn(page, 'Factory settings, or just reset');
		if (all > 0) await saved(page);

		// read off the display, held against what the plan says it must show
		const read = await readOff(wall, profile);
		await open(page, `${zone}/read-back`);
		const sections = page
			.locator('main section[aria-label]')
			.filter({ has: page.getByRole('button', { name: /^(shows this|as planned)$/ }) });
		const names = await sections.evaluateAll((found) => found.map((one) => one.getAttribute('aria-label')!));
		const days = names.filter((name) => name !== 'Settings');
		expect(read, id).toHaveLength(days.length);
		for (const [i, name] of days.entries()) {
			const section = page.getByRole('region', { name, exact: true });
			const opened = section.getByRole('button', { name: /^Shows otherwise/ });
			if (await opened.isVisible()) await opened.click();
			const planned = await section
				.locator('.row input')
				.evaluateAll((fields) => fields.map((one) => (one as HTMLInputElement).value));
			expect(read[i]!.slice(0, planned.length), `${id}, ${name}`).toEqual(planned);
		}
		for (const name of names)
			await page
				.getByRole('region', { name, exact: true })
				.getByRole('button', { name: 'shows this' })
				.click();
		await saved(page);
	}

	// the test of each: what is done at the stand-in is seen there before it is said to be seen
	const nextStep = () => page.getByRole('button', { name: /^(Next|Skip)$/ }).click();
	const seen = () => page.getByRole('button', { name: 'Seen', exact: true }).click();
	await open(page, `${site}/visit`);
	await page.getByRole('button', { name: 'Begin a visit' }).click();
	await saved(page);
	for (const [n, id] of ['six-step-room-stat', 'switch-timer'].entries()) {
		const { keys, rest, modes } = findProfile(id)!.panel!;
		await openAtOnce(wall, `${zones[n]!.replace(/\/week$/, '')}/rehearse`);
		await wall.getByRole('button', { name: 'Fill in for me' }).click();
		const print = (key: string) => keys.find((one) => one.id === key)!.print;
		const turn = (up: boolean) =>
			rest
				? fingers(wall, [print(up ? rest.up : rest.down)], ['pointerdown', 'pointerup'], 40)
				: doWay(wall, keys, modes!.each[modes!.names.indexOf(up ? 'On' : 'Off')]!);
		const room = wall.getByRole('region', { name: 'The room that it heats' });
		for (
			let step = 0;
			step < 12 && !(await page.getByRole('button', { name: 'Seen', exact: true }).isVisible());
			step++
		)
			await nextStep();
		await turn(true);
		await seen();
		await minutes(wall, 2);
		await expect(room).toContainText('it heats');
		await seen();
		await seen();
		await turn(false);
		await seen();
		await minutes(wall, 2);
		await expect(room).toContainText('no heat');
		await seen();
		// back on its program, by a change of mode and back where it was changed by hand
		if (rest) for (const _ of modes!.names) await doWay(wall, keys, [modes!.next!]);
		else await doWay(wall, keys, modes!.each[0]!);
		expect((await shown(wall))[2]).toBe(modes!.names[0]);
		await seen();
		await expect(page.getByText('It heats when it is asked to')).toBeVisible();
		await nextStep();
		const told = page.getByRole('group', { name: /change the clock by hand/ });
		if (findProfile(id)!.habits.clock.summerTime === 'by-hand')
			await told.getByRole('button', { name: 'yes' }).click();
		await nextStep();
	}
	const signOff = page.getByRole('button', { name: 'Sign off', exact: true });
	const who = page.getByLabel('Who', { exact: true });
	await expect(async () => {
		if (!(await who.isVisible())) await nextStep();
		await expect(who).toBeVisible({ timeout: 1000 });
	}).toPass();
	await expect(page.getByRole('heading', { name: 'Ready to sign off' })).toBeVisible();
	await who.fill('R. Tilling');
	await signOff.last().click();
	await expect(page.getByText('R. Tilling, signed off').first()).toBeVisible();
});
