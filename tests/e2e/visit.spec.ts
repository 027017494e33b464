import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { addZone, alive, expect, keyIn, makeSite, onOverview, open, saved, test } from './bench';

const next = (page: Page) => page.getByRole('button', { name: /^(Next|Skip)$/ }).click();
const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).first().click();

async function passTest(page: Page) {
	for (let i = 0; i < 6; i++) await page.getByRole('button', { name: 'Seen', exact: true }).click();
	await expect(page.getByText('It heats when it is asked to')).toBeVisible();
}

test('a site from empty to signed off on a phone, with the network gone in the middle; then found again in the record', async ({
	page,
	installation
}) => {
	page.setDefaultTimeout(45_000);
	await page.setViewportSize({ width: 390, height: 844 });
	await open(page, '/');
	await page.getByLabel('New site').fill('Gannet Cottage');
	await page.getByRole('button', { name: 'Add site' }).click();
	await onOverview(page, 'Gannet Cottage');
	await page.getByLabel('New zone').fill('Parlour');
	await page.getByLabel('Its control').selectOption({ label: 'Radio stat and receiver' });
	await page.getByRole('button', { name: 'Add zone' }).click();
	await expect(page.getByRole('heading', { name: 'Parlour, the week' })).toBeVisible();
	// a week that nobody drew could not be signed off: this one is to be so
	await press(page, 'Eco all week is what they want');
	await saved(page);
	const site = new URL(page.url()).pathname.replace(/\/zones.*/, '');

	await open(page, `${site}/visit`);
	await expect(page.getByText('This visit works without a connection')).toBeVisible();
	await page.evaluate(() => navigator.serviceWorker.ready);
	await expect
		.poll(() =>
			page.evaluate(async () =>
				(await (await caches.open('pages')).keys())
					.map((one) => new URL(one.url).pathname)
					.sort()
					.join()
			)
		)
		.toMatch(/key-in\/__data\.json.*read-back\/__data\.json/);
	await press(page, 'manual');
	await page.getByLabel('What it showed, what was said').fill('Lamp green, cold since Sunday');
	await page.getByLabel('What it showed, what was said').press('Tab');
	await next(page);
	await expect(page.getByRole('heading', { name: 'Parlour: set these first' })).toBeVisible();

	// the network is gone
	await saved(page);
	await installation.stop();
	await page.getByRole('group', { name: 'Frost protection' }).getByRole('button', { name: 'on' }).click();
	for (const [shown, right] of [
		['20.5', '20,1'],
		['20.9', '20.4'],
		['21.0', '20.5']
	] as const) {
		await page.getByLabel('The control shows').fill(shown);
		await page.getByLabel('The control shows').press('Tab');
		await page.getByLabel('The thermometer shows').fill(right);
		await page.getByLabel('The thermometer shows').press('Tab');
		await press(page, 'Add the reading');
	}
	await expect(page.getByText(/^Offset -0\.5\sK, spread 0\.06\sK of 3 readings/)).toBeVisible();
	await page.getByLabel('Offset keyed').fill('-0.5');
	await page.getByLabel('Offset keyed').press('Tab');
	await press(page, 'paired');
	await page.getByLabel('Batteries fitted on').fill(new Date().toISOString().slice(0, 10));
	await page.getByLabel('Batteries fitted on').press('Tab');
	await expect(page.getByText(/kept here: no connection/)).toBeVisible();
	// reloaded without a network, it stands where it was, with what was noted
	await page.reload();
	await expect(page.getByRole('heading', { name: 'Parlour: set these first' })).toBeVisible();
	await expect(page.getByText(/^Offset -0\.5\sK/)).toBeVisible();
	await next(page);
	await expect(page.getByText("By this device's own clock: there is no connection.")).toBeVisible();
	await press(page, 'It is set now');
	await next(page);
	await page.getByRole('link', { name: 'Key in, one value at a time' }).click();
	await keyIn(page, 'Factory settings, or just reset');
	await page.goBack();
	await expect(page.getByRole('heading', { name: 'Parlour: key in' })).toBeVisible();
	await expect(page.locator('main p', { hasText: /^\s*keyed in\s*$/ })).toBeVisible();
	await page.getByRole('link', { name: 'Read back from the display' }).click();
	await expect(page.getByRole('heading', { name: 'Parlour, read back' })).toBeVisible();
	await page.goBack();
	await next(page);
	await passTest(page);
	await next(page);
	await expect(
		page.getByRole('group', { name: 'It is left in' }).getByRole('button', { name: 'automatic' })
	).toHaveAttribute('aria-pressed', 'true');
	await page
		.getByRole('group', { name: /change the clock by hand/ })
		.getByRole('button', { name: 'yes' })
		.click();

	await page.getByLabel('What it shows').fill('left on automatic');
	await page.getByLabel('What it shows').press('Tab');
	await page.getByLabel('Pictures to keep').setInputFiles({
		name: 'left.jpg',
		mimeType: 'image/jpeg',
		buffer: await sharp({ create: { width: 320, height: 240, channels: 3, background: '#8a8' } })
			.jpeg()
			.withExif({ IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 3230/100' } })
			.toBuffer()
	});
	await expect(page.getByText('left on automatic, waits here')).toBeVisible();

	// it is back
	await installation.start();
	await saved(page);
	await expect(page.getByText('left on automatic, waits here')).toBeHidden();
	await expect(page.getByRole('img', { name: 'left on automatic' })).toBeVisible();
	await next(page);
	await page.reload();
	await expect(page.getByRole('heading', { name: 'Ready to sign off' })).toBeVisible();
	await page.getByLabel('Who').fill('R. Tilling');
	await page.getByLabel('Note of the visit').fill('New batteries, offset, week keyed');
	await page.getByRole('button', { name: 'Sign off', exact: true }).last().click();
	await expect(page.getByText('R. Tilling, signed off')).toBeVisible();
	await page.reload();
	await expect(page.getByText('New batteries, offset, week keyed')).toBeVisible();
	await expect(page.getByRole('heading', { name: /Nothing changed from/ })).toBeVisible();
	const picture = page.getByRole('img', { name: 'Parlour: left on automatic' });
	await expect(picture).toBeVisible();
	const kept = await (await page.request.get((await picture.getAttribute('src'))!)).body();
	expect((await sharp(kept).metadata()).exif).toBeUndefined();
	const record = (
		await (await page.request.get(`/api/v1/jobs/${site.split('/')[2]}/record.pdf`)).body()
	).toString('latin1');
	expect(record).toContain('/Subtype /Image');

	// the next visit starts with nothing found, tested or left; batteries and offset stay
	await open(page, `${site}/visit`);
	await expect(page.getByText(/^Signed off .*, R\. Tilling\.$/)).toBeVisible();
	await page.getByRole('button', { name: 'Begin a visit' }).click();
	await saved(page);
	await page.reload();
	const steps = page.getByRole('navigation', { name: 'Steps at this control' });
	await expect(steps.getByRole('button', { name: /^Test/ })).toHaveText(/–\s*$/);
	await steps.getByRole('button', { name: /^Settings/ }).click();
	await expect(page.getByLabel('Batteries fitted on')).not.toHaveValue('');
	await open(page, '/');
	await expect(page.getByRole('listitem').filter({ hasText: 'Gannet Cottage' })).toContainText(
		'Visit not finished.'
	);
});

test('what stops the sign-off stops it, until it is overruled with a reason; a changed week is shown and an old one put back', async ({
	page,
	installation
}) => {
	await installation.loadDemo();
	await open(page, '/');
	await page.getByRole('link', { name: /Osier Lane/ }).click();
	await expect(page.locator('tbody th a').first()).toBeVisible();
	const site = new URL(page.url()).pathname;
	await open(page, `${site}/checks`);
	await expect(page.getByRole('heading', { name: /\d+ before sign-off/ })).toBeVisible();
	const refused = await page.request.post(`/api/v1/jobs/${site.split('/')[2]}/visits`, {
		data: { who: 'R. Tilling', note: '', signedOff: true }
	});
	expect(refused.status()).toBe(409);
	expect(JSON.stringify(await refused.json())).toContain('functional test');

	const unfold = async () => {
		const closed = page.locator('.bx--accordion__heading[aria-expanded="false"]');
		while ((await closed.count()) > 0) await closed.first().click();
	};
	await unfold();
	for (
		let left = 20;
		left > 0 && (await page.getByRole('button', { name: 'Accept', exact: true }).count()) > 0;
		left--
	) {
		const before = await page.getByRole('button', { name: 'Accept', exact: true }).count();
		await page.getByRole('button', { name: 'Accept', exact: true }).first().click();
		await expect(page.getByRole('button', { name: 'Accept with this reason' })).toBeDisabled();
		await page.getByLabel('Why it may stay so').fill('Boiler away for repair until Friday');
		await page.getByRole('button', { name: 'Accept with this reason' }).click();
		await expect(page.getByRole('button', { name: 'Accept', exact: true })).toHaveCount(before - 1);
		await unfold();
	}
	await expect(page.getByRole('heading', { name: 'Ready to sign off' })).toBeVisible();
	await page.getByRole('link', { name: 'Go on with the visit' }).click();
	await press(page, 'Sign off');
	await page.getByLabel('Who').fill('R. Tilling');
	await page.getByRole('button', { name: 'Sign off', exact: true }).last().click();
	await expect(page.getByText(/Accepted: Boiler away for repair until Friday/).first()).toBeVisible();

	// the week is changed, seen in the record, and put back
	await open(page, site);
	await page.getByRole('link', { name: /^Reading room six-step/ }).click();
	await alive(page);
	await page.getByRole('button', { name: /^Saturday:/ }).focus();
	await page.keyboard.press('Insert');
	await page.keyboard.press('f');
	await saved(page);
	await open(page, `${site}/record`);
	await expect(page.getByRole('heading', { name: /1 zone changed from/ })).toBeVisible();
	await page.getByRole('button', { name: 'What changed, in words' }).click();
	await expect(page.getByText(/^Sat: .* → /)).toBeVisible();
	await page.getByRole('button', { name: /^Put this week of .* back$/ }).click();
	await expect(page.getByRole('heading', { name: /Nothing changed from/ })).toBeVisible();
});

test('a visit that was saved and not signed off is gone on with on another day, with all that was found', async ({
	page
}) => {
	await makeSite(page, 'Dunlin Cottage');
	await addZone(page, 'Parlour', 'Six-step room stat');
	const visit = `${new URL(page.url()).pathname.split('/zones')[0]!}/visit`;
	await open(page, visit);
	const found = page.getByLabel('What it showed, what was said');
	await found.fill('lamp out');
	await found.press('Tab');
	await saved(page);
	await page.getByRole('button', { name: /^Sign off/ }).click();
	await page.getByLabel('Who').fill('R. Tilling');
	await page.getByRole('button', { name: 'Save without sign-off' }).click();
	await page.waitForURL(/record$/);
	await open(page, visit);
	await page.getByRole('button', { name: 'Go on with it' }).click();
	await expect(found).toHaveValue('lamp out');
	await page.reload();
	await expect(found).toHaveValue('lamp out');
});
