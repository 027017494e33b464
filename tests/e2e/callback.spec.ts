import { addZone, expect, makeSite, open, test } from './bench';

test('a call is taken on a phone: what was said, the one question, its answers, what to do', async ({
	page
}) => {
	await page.setViewportSize({ width: 390, height: 844 });
	await makeSite(page, 'Call Yard');
	await addZone(page, 'Parlour', 'Day-by-day panel stat');
	await open(page, page.url().replace(/week.*$/, 'callback'));
	const headline = page.getByRole('status').filter({ hasText: /Take down|Perhaps|likely|certainly/ });
	await expect(headline).toContainText('Take down what was said');
	await page.getByRole('button', { name: 'Never warm' }).click();
	const said = page.getByRole('region', { name: 'What was said' });
	await expect(said.getByText('never warm, every day')).toBeVisible();
	await page.getByLabel('about', { exact: true }).fill('09:00');
	await page.getByLabel('about', { exact: true }).press('Tab');
	await said.getByRole('button', { name: 'Take back: comes on at 09:00, every day' }).click();
	await expect(said.getByText('comes on at 09:00, every day')).toHaveCount(0);

	// answered as somebody would whose stat was left on manual, turned down
	const answers = [
		'somebody was at its keys',
		'manual, or held',
		'only this room',
		'the right time',
		'every day',
		'hot'
	];
	const asked = page.getByRole('region', { name: 'Ask now' });
	for (let n = 0; n < 4 && (await asked.isVisible()); n++) {
		for (const name of answers) {
			const answer = asked.getByRole('button', { name, exact: true });
			if (await answer.isVisible()) {
				await answer.click();
				break;
			}
		}
	}
	await expect(headline).toContainText('Almost certainly: It was left on manual, turned down.');
	await expect(page.getByRole('region', { name: 'What to do' })).toContainText(
		'Press Mode until it shows Automatic.'
	);
	await expect(page.getByRole('region', { name: 'What would explain it' }).getByRole('img')).toBeVisible();
});
