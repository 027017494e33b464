import { expect, it } from 'vitest';
import { zoneCard } from '$core/keying';
import { db, demoJob, siteWithZones } from '../../../../tests/support/database';
import { blankProfile } from '$core/control';
import { newZone, nothingNoted } from '$core/plan';
import {
	addZone,
	changeSite,
	createControl,
	findSite,
	findZone,
	noteKeyed,
	profileOf,
	readFirm,
	replaceSite,
	saveControl,
	saveFirm,
	saveZone,
	siteMark,
	takeUp,
	zonesOf
} from '.';
import { summarise } from './summary';

/** The values that a zone's card asks for, as they are noted when keyed. */
async function values(site: Awaited<ReturnType<typeof siteWithZones>>['site'], id: string) {
	const { zone } = (await findZone(db, site, id))!;
	const { card } = zoneCard(zone, profileOf(zone, site.profiles));
	return card.items.map((item): [string, string] => [item.id, item.shows]);
}

it('a desk’s save beside a phone’s notes: the count of keyed values is right, round after round', async () => {
	const { site, zones } = await siteWithZones();
	const { id } = zones[0]!;
	for (let round = 0; round < 13; round++) {
		const { zone, revision } = (await findZone(db, site, id))!;
		const keys = await values(site, id);
		const [from, to] = [round % keys.length, (round + 3) % keys.length];
		await Promise.all([
			saveZone(db, site, id, revision, { ...zone, name: `Round ${round}` }),
			noteKeyed(db, site, id, Object.fromEntries(keys.slice(Math.min(from, to), Math.max(from, to)))),
			noteKeyed(db, site, id, Object.fromEntries(keys.slice(0, round)))
		]);
		const after = (await findZone(db, site, id))!;
		expect(after.zone.name).toBe(`Round ${round}`);
		expect(after.summary, `round ${round}`).toEqual(
			await summarise(after.zone, after.keyed, profileOf(after.zone, site.profiles))
		);
	}
	await noteKeyed(db, site, id, Object.fromEntries(await values(site, id)));
	const { summary } = (await findZone(db, site, id))!;
	expect(summary.done).toBe(summary.of);
});

it('two edits of a site at once both stand; one that knew an older version hears so', async () => {
	const { id, site } = await siteWithZones();
	for (let round = 0; round < 30; round++) {
		await Promise.all([
			changeSite(db, id, { note: `note ${round}` }),
			changeSite(db, id, { place: `place ${round}` })
		]);
		expect((await findSite(db, id))!.site).toMatchObject({ note: `note ${round}`, place: `place ${round}` });
	}
	await Promise.all([
		changeSite(db, id, { supply: { electricW: 9000 } }),
		changeSite(db, id, { supply: { windowMinutes: 30 } })
	]);
	expect((await findSite(db, id))!.site.supply).toMatchObject({ electricW: 9000, windowMinutes: 30 });
	expect(await changeSite(db, id, { note: 'late' }, site.revision)).toMatchObject({ kind: 'conflict' });
	expect(await changeSite(db, id, { timeZone: 'Nowhere/None' })).toMatchObject({ kind: 'refused' });
});

it('a job file put in the place of a site that somebody works on is refused, and nothing of it is stored', async () => {
	const { id, site, zones } = await siteWithZones();
	const mark = siteMark(site);
	await noteKeyed(db, site, zones[0]!.id, { 'setting/unit': '°C' });
	expect(await replaceSite(db, id, demoJob('osier-lane-reading-room'), mark)).toMatchObject({
		kind: 'refused'
	});
	const now = (await findSite(db, id))!;
	expect((await zonesOf(db, now)).map((zone) => zone.id)).toEqual(zones.map((zone) => zone.id));
	expect(await replaceSite(db, id, demoJob('osier-lane-reading-room'), siteMark(now))).toMatchObject({
		kind: 'saved'
	});
});

it('a control taken up while its zone is saved: the zone keeps both, and no window saves over it unawares', async () => {
	const own = blankProfile('Hall dial', 'events');
	const control = await createControl(db, own);
	const { site } = await siteWithZones();
	const made = await addZone(db, site, { zone: newZone('Porch', own), keyed: {}, onSite: nothingNoted });
	const id = made.kind === 'added' ? made.id : '';
	for (let round = 1; round <= 8; round++) {
		await saveControl(db, control, round, { ...own, summary: `Version ${round}.` });
		const at = (await findZone(db, site, id))!;
		const [saved, taken] = await Promise.all([
			saveZone(db, site, id, at.revision, { ...at.zone, note: `note ${round}` }),
			takeUp(db, control)
		]);
		expect(taken).toEqual({ sites: 1, zones: 1 });
		const after = (await findZone(db, (await findSite(db, site.id))!, id))!;
		if (saved.kind === 'saved') expect(after.zone.note).toBe(`note ${round}`);
		else expect(saved).toMatchObject({ kind: 'conflict' });
		expect(profileOf(after.zone, (await findSite(db, site.id))!.profiles).summary).toBe(`Version ${round}.`);
	}
});

it('a firm changed in two windows takes the first, and says so to the second', async () => {
	const firm = { ...(await readFirm(db)), name: 'Tilling & Daughter' };
	expect((await saveFirm(db, firm, 0)).kind).toBe('saved');
	expect((await saveFirm(db, { ...firm, name: 'Other' }, 0)).kind).toBe('conflict');
	expect((await readFirm(db)).name).toBe('Tilling & Daughter');
});

it('what no card of a control could ask for is not kept, and of very much the oldest goes', async () => {
	const { site, zones } = await siteWithZones();
	const { id } = zones[0]!;
	const many = Object.fromEntries(Array.from({ length: 60_000 }, (_, i) => [`note/${i}`, 'x']));
	expect(await noteKeyed(db, site, id, many)).toEqual({});
	const letters = (i: number) =>
		[...i.toString(26)].map((figure) => String.fromCharCode(97 + parseInt(figure, 26))).join('');
	const likely = Object.fromEntries(
		Array.from({ length: 60_000 }, (_, i) => [`every-day/6/C/24/0/1/${letters(i)}`, '06:00'])
	);
	const grouping = profileOf(zones[0]!.zone, site.profiles).groupings[0]!.id;
	const kept = await noteKeyed(
		db,
		site,
		id,
		Object.fromEntries(
			Object.entries(likely).map(([key, value]) => [key.replace('every-day', grouping), value])
		)
	);
	expect(Object.keys(kept!)).toHaveLength(1200);
});
