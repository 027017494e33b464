import { shippedProfiles } from '../../src/core/control';
import { alive, expect, test } from './bench';
import { ask, doWay, fingers, next, nextByKeyboard, openAtOnce, panel, shown } from './standIn';

test('a holiday is set on the stand-in: by touch on a phone, and by the keyboard alone', async ({ page }) => {
	await page.setViewportSize({ width: 390, height: 844 });
	await openAtOnce(page, '/rehearse?control=six-step-room-stat');
	await page.getByLabel('What to do').selectOption('set a holiday');
	for (const step of [next, nextByKeyboard]) {
		await expect(ask(page)).toContainText(
			/^ ?They leave now and are back \w{3} \d+ \w{3} \d\d:\d\d; \d+\.0.°C meanwhile\./
		);
		for (let n = 0; n < 40 && !(await ask(page).innerText()).includes('It is away'); n++) await step(page);
		await expect(ask(page)).toContainText('On holiday; comes back automatically in time.');
		await expect(ask(page)).toContainText(/\d+ press.*no slip/);
		await expect(panel(page)).toContainText(/away to \w{3} \d+ \w{3}/);
		await page.getByRole('button', { name: 'Another' }).first().press('Enter');
	}
});

test('a slip is found by reading the week off the stand-in, and put right, by the keyboard alone', async ({
	page
}) => {
	await openAtOnce(page, '/rehearse?control=heat-and-cool-stat');
	await page.getByLabel('What to do').selectOption('find the slip');
	await expect(ask(page)).toContainText('One value of this week is keyed in wrong');
	await expect(ask(page).locator('kbd')).toHaveCount(0);
	const card = new Map<string, string[]>();
	for (const group of await page
		.getByRole('region', { name: 'The week as it is on the card' })
		.locator('> div')
		.all()) {
		const days = (await group.getByRole('heading').innerText()).split(', ').map((day) => day.slice(0, 3));
		const lines = await group.locator('dd').allInnerTexts();
		for (const day of days) card.set(day, lines);
	}
	expect(card.size).toBe(7);
	const press = async (name: string) => {
		await panel(page).getByRole('button', { name, exact: true }).focus();
		await page.keyboard.press('Space');
	};
	// the way to the week, then each field of each day is read
	await press('Menu');
	await press('Next');
	const steps = ['up', 'out', 'in', 'night'];
	let found = 0;
	for (let day = 0; day < 7; day++) {
		for (let n = 0; n < 12; n++) {
			const [head, value] = await shown(page);
			const [, name, step] = /^(\w{3}) (\w+)$/.exec(head!)!;
			const line = card.get(name!)![steps.indexOf(step!)]!;
			if (line !== 'no step') {
				const planned = line.split(' ')[n % 3]!;
				const reads = value!.replace(' °C', '').replace('°C', '').trim();
				for (let turns = 0; turns < 3 && (await shown(page))[1]!.replace(/ ?°C/, '') !== planned; turns++) {
					if (turns === 0) found++;
					await press(reads < planned ? 'Warmer' : 'Cooler');
				}
			}
			await press('Next');
			// a step that was cleared is passed over as a whole
			if ((await shown(page))[0] === head && line === 'no step') break;
			if (line === 'no step') n += 2;
		}
		await press('Day');
	}
	expect(found).toBe(1);
	await press('Menu');
	await expect(ask(page)).toContainText('It holds the week as it is on the card.');
	await expect(ask(page)).toContainText(
		/It holds .*Found and put right: \d+ presses in .*\. \d+ would have done/s
	);
});

test('each family at its stand-in: boost, away, hold and manual, the lock and its end, and as new again', async ({
	page
}) => {
	await page.clock.install();
	for (const { id, name, panel: its, habits, operation } of shippedProfiles.filter(
		(one) => one.panel !== null
	)) {
		const { keys, hand, boosts, modes, lock, resets, rest } = its!;
		await page.goto(`/rehearse?control=${id}`);
		await alive(page);
		await expect(page.getByRole('heading', { name: `${name}, practised` })).toBeVisible();
		const keyed = page.getByRole('button', { name: 'Fill in for me' });
		if (await keyed.isVisible()) await keyed.click();
		// of a control of two channels what the other one does stands behind it
		const foot = async () => (await shown(page))[2]!.split(' · ')[0]!;
		const atRest = await foot();
		for (const [act, says] of [
			['boost', /^boost to /],
			['hold', /^held$/],
			['away', /^away$/],
			['advance', /^next step to /]
		] as const) {
			if (!hand[act]) continue;
			await doWay(page, keys, hand[act]);
			expect(await foot(), `${id}: ${act}`).toMatch(says);
			// the same once more ends it; a boost in steps once its steps are through
			const times = act === 'boost' && habits.boost!.ends === 'after-steps' ? habits.boost!.mostSteps : 1;
			for (let n = 0; n < times; n++) await doWay(page, keys, hand[act]);
			expect(await foot(), `${id}: ${act} ended`).toBe(atRest);
		}
		for (const way of boosts) {
			await doWay(page, keys, way);
			expect(await foot(), `${id}: boost of the other channel`).toMatch(/ boost to /);
			for (let n = 0; n < habits.boost!.mostSteps; n++) await doWay(page, keys, way);
			expect(await foot(), id).toBe(atRest);
		}
		if (modes) {
			for (const mode of [...modes.names.keys()].slice(1)) {
				await doWay(page, keys, modes.next ? [modes.next] : modes.each[mode]!);
				expect(await foot(), id).toBe(modes.names[mode]);
			}
			await doWay(page, keys, modes.next ? [modes.next] : modes.each[0]!);
			expect(await foot(), id).toBe(modes.names[0]);
		}
		if (lock) {
			expect(operation.lock, id).not.toBeNull();
			const takeCode = () =>
				doWay(
					page,
					keys,
					Array.from({ length: lock.code?.digits ?? 0 }, () => lock.code!.take)
				);
			await doWay(page, keys, lock.way);
			// the code that it comes with is taken as it stands
			await takeCode();
			await expect(panel(page).getByLabel('locked'), id).toBeVisible();
			const [before, after] = [await shown(page), keys.filter(({ kind }) => kind !== 'slide')];
			for (const { print } of after) await fingers(page, [print], ['pointerdown', 'pointerup']);
			expect((await shown(page))[0]!.replace(/\d\d:\d\d.*/, ''), id).toBe(
				before[0]!.replace(/\d\d:\d\d.*/, '')
			);
			await doWay(page, keys, lock.ends);
			await takeCode();
			await expect(panel(page).getByLabel('locked'), id).toBeHidden();
		}
		if (resets.all) {
			await expect(ask(page), id).toContainText('It holds the whole week.');
			await doWay(page, keys, resets.all);
			await expect(ask(page), id).toContainText('must show');
		}
		expect(rest === null || keys.some(({ id: key }) => key === rest.up)).toBe(true);
	}
});
