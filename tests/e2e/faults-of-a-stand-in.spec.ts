import { expect, test } from './bench';
import { ask, fingers, hold, openAtOnce, panel } from './standIn';

test('a stand-in is keyed by itself, runs two days in its room, is broken, and put right by its keys', async ({
	page
}) => {
	await page.setViewportSize({ width: 390, height: 844 });
	await openAtOnce(page, '/rehearse?control=hour-strip-keypad');
	await expect(ask(page)).toContainText('must show');
	await page.getByRole('button', { name: 'Fill in for me' }).click();
	await expect(ask(page)).toContainText('It holds the whole week.');
	const room = page.getByRole('region', { name: 'The room that it heats' });
	await page.getByLabel('On to').selectOption({ label: 'Monday, 05:30' });
	await expect(panel(page)).toContainText('05:30');
	await page.getByLabel('On to').selectOption({ label: 'Monday, 08:00' });
	await expect(room.getByRole('img', { name: /^The last two days: the room between/ })).toBeVisible();
	await expect(panel(page)).toContainText('08:00');

	// an hour off: found, and mended at the clock's own place
	const trouble = page.getByRole('region', { name: 'What goes wrong' });
	await page.getByLabel('Break something').selectOption({ label: 'its clock is an hour off' });
	await expect(trouble).toContainText('“It comes on at the wrong times.”');
	await expect(trouble).toContainText('Still to put right: its clock.');
	const isLate = /09:0/.test(await panel(page).innerText());
	await hold(page, ['Clock'], 3);
	await fingers(page, ['OK'], ['pointerdown', 'pointerup']);
	await fingers(page, [isLate ? '−' : '+'], ['pointerdown', 'pointerup']);
	await fingers(page, ['OK'], ['pointerdown', 'pointerup'], 2);
	await expect(trouble).toContainText('Put right: its clock is an hour off.');

	// one that is to be found says what the household says, and no more until it is asked for
	await page.getByLabel('Break something').selectOption({ label: 'at random, to be found' });
	await expect(trouble).toContainText('The household says:');
	await expect(trouble).not.toContainText('Still to put right');
	// asked by telephone, it answers; what it is stands first, or is told to be something else
	await trouble.getByRole('button', { name: 'Ask the household' }).click();
	const asking = page.getByRole('region', { name: 'Asking the household' });
	const ask1 = asking.getByRole('button', { name: 'Ask them' });
	for (let n = 0; n < 9 && (await ask1.isVisible()); n++) await ask1.click();
	await expect(asking).toContainText(/After|Without/);
	await trouble.getByRole('button', { name: 'What is it?' }).click();
	await expect(trouble).toContainText('Still to put right');
	await trouble.getByRole('button', { name: 'Give up and fill in' }).click();
	await expect(trouble.getByLabel('Break something')).toBeVisible();

	// its log is a file that a measured room is read from
	const file = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Its log as a file' }).click();
	expect((await file).suggestedFilename()).toBe('simulator-log.csv');
});
