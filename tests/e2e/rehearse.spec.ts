import { shippedProfiles } from '../../src/core/control';
import { addZone, alive, expect, makeSite, open, saved, test } from './bench';
import { ask, keyAll, next, openAtOnce, panel, touch } from './standIn';

test('a card is keyed into the stand-in on a phone: thrown out once, a slip put right, the score at the end', async ({
	page
}) => {
	await page.setViewportSize({ width: 390, height: 844 });
	await openAtOnce(page, '/rehearse?control=line-voltage-stat');
	await expect(ask(page)).toContainText('must show');
	await next(page);
	await expect(page.getByText(/^menu closes in \d+ s$/)).toBeVisible();
	// too slow: the menu leaves by itself, and the way is told from rest again
	await page.clock.runFor(40_000);
	await expect(page.getByText('at rest')).toBeVisible();
	await touch(panel(page).getByRole('button', { name: 'Day', exact: true }));
	await expect(page.getByText('1 slip so far')).toBeVisible();
	await keyAll(page);
	await expect(ask(page)).toContainText(/\d+ presses? .* 1 slip/);
	await expect(ask(page)).toContainText(/The menu closed \d times?/);
	await expect(panel(page)).toContainText('Heat');
	await page.getByRole('button', { name: 'Once more' }).click();
	await expect(page.getByText('no slip so far')).toBeVisible();
});

/** Forms of program and peculiarities that no other test keys into a stand-in: others by what the screen says in followed.spec, all by the unit tests. */
const KEYED = [
	'heat-and-cool-stat',
	'hour-strip-keypad',
	'step-timer',
	'block-copy-floor-stat',
	'climate-clock'
];
for (const { id, name } of shippedProfiles.filter(({ id }) => KEYED.includes(id)))
	test(`${name}: keyed by its card on its stand-in`, async ({ page }) => {
		await openAtOnce(page, `/rehearse?control=${id}`);
		await keyAll(page);
		await expect(ask(page)).toContainText('no slip');
	});

test('a zone’s card is rehearsed, and asks for nothing that the stand-in holds already', async ({ page }) => {
	await page.clock.install();
	await makeSite(page, 'Rehearsal');
	await addZone(page, 'Hall', 'Plain stat');
	await page.goto(page.url().replace(/week.*$/, 'key-in'));
	await page.getByRole('button', { name: 'Factory settings, or just reset' }).click();
	await expect(page.locator('.keys .stroke').first()).toBeVisible();
	await open(page, page.url().replace(/key-in.*$/, 'rehearse'));
	await keyAll(page);
	await expect(page.getByRole('link', { name: 'To the card' })).toHaveAttribute('href', /key-in$/);
});

test('a zone’s card is an exercise for others: saved as a file with something broken, opened elsewhere, asked about, put right by the keyboard', async ({
	page
}) => {
	await makeSite(page, 'Class Yard');
	await addZone(page, 'Reading room', 'Hour-strip keypad');
	await openAtOnce(page, page.url().replace(/week.*$/, 'rehearse'));
	await page.getByLabel('Break something').selectOption({ label: 'its clock is an hour off' });
	const saved = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Save as an exercise' }).click();
	const file = await (await saved).path();

	await open(page, '/rehearse');
	const picker = page.getByLabel('An exercise’s file');
	await picker.setInputFiles({ name: 'none.json', mimeType: 'application/json', buffer: Buffer.from('{}') });
	await expect(page.getByRole('alert')).toContainText('none.json');
	await picker.setInputFiles(file);
	await expect(page.getByRole('heading', { name: 'Reading room, practised' })).toBeVisible();
	const trouble = page.getByRole('region', { name: 'What goes wrong' });
	await expect(trouble).toContainText('“It comes on at the wrong times.”');
	await expect(trouble).not.toContainText('Still to put right');
	await page.getByRole('button', { name: 'Ask the household' }).press('Enter');
	const ask1 = page.getByRole('button', { name: 'Ask them' });
	for (let n = 0; n < 9 && (await ask1.isVisible()); n++) await ask1.press('Enter');
	await expect(page.getByRole('region', { name: 'Asking the household' })).toContainText(
		'that is it. Now put it right by its keys.'
	);
	const ahead = /Clock 1 h fast/.test(await trouble.innerText());

	// by the keyboard alone: a key held is held by Space
	const key = (name: string) => panel(page).getByRole('button', { name, exact: true });
	await key('Clock').focus();
	await page.keyboard.down('Space');
	await page.waitForTimeout(3300);
	await page.keyboard.up('Space');
	// over midnight an hour is a day too
	const hour = Number(
		new Intl.DateTimeFormat('en-GB', {
			hour: '2-digit',
			hourCycle: 'h23',
			timeZone: 'Europe/London'
		}).format()
	);
	if (hour === (ahead ? 23 : 0)) await key(ahead ? '−' : '+').press('Space');
	await key('OK').press('Space');
	await key(ahead ? '−' : '+').press('Space');
	await key('OK').press('Space');
	await key('OK').press('Space');
	await expect(trouble).toContainText('Put right: its clock is an hour off.');
});

test('the keys of a control that nobody shipped are described in plain words, and work at once', async ({
	page
}) => {
	await openAtOnce(page, '/controls');
	await page.getByLabel('New control, by what it is').fill('Chapel stat');
	await page.getByRole('button', { name: 'changes at times of day' }).click();
	await alive(page);
	await page.getByRole('button', { name: 'Change: Its keys' }).click();
	await page.getByRole('button', { name: 'Start with the usual keys' }).click();
	await expect(panel(page)).toBeVisible();
	const keys = page.getByLabel('Its keys, by the words on them');
	await keys.fill('Set, Raise, Take, Lower, Weekday; Slider: Run / Off');
	await keys.press('Tab');
	await expect(panel(page).getByRole('button', { name: 'Raise', exact: true })).toBeVisible();
	const way = page.getByLabel('The way to the week');
	await way.fill('Clock 3 s');
	await way.press('Tab');
	await expect(
		page.getByText('“Clock” is none of its keys: Set, Raise, Take, Lower, Weekday, Slider.')
	).toBeVisible();
	await way.fill('hold Weekday 3 s');
	await way.press('Tab');
	await expect(page.getByText('Hold Weekday 3 s.').first()).toBeVisible();
	// tried at once beside it
	await touch(panel(page).getByRole('button', { name: 'Weekday', exact: true }), 3200);
	await expect(panel(page)).toContainText('step 1');
	await touch(panel(page).getByRole('button', { name: 'Raise', exact: true }));
	await expect(panel(page)).toContainText('00:10');
	await expect(page.getByText(/\d+ values, \d+ presses from factory settings\./)).toBeVisible();
	await saved(page);
	await page.locator('main').getByRole('link', { name: 'Practise' }).click();
	await expect(page.getByRole('heading', { name: 'Chapel stat, practised' })).toBeVisible();
	for (let n = 0; n < 8; n++) await next(page);
	await expect(page.getByText('no slip so far')).toBeVisible();
	await expect(panel(page)).toContainText(/step \d/);
});
