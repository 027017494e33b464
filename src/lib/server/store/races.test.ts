import { expect, it } from 'vitest';
import { MOST_VALUES, replayed, satisfies, zoneCard, type Goal, type Notes } from '$core/keying';
import { db, demoJob, siteWithZones } from '../../../../tests/support/database';
import { blankProfile, profileOf } from '$core/control';
import { newZone, nothingNoted } from '$core/plan';
import {
	addZone,
	changeSite,
	createControl,
	findSite,
	findZone,
	noteAtControl,
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
	return card.items.map(({ goal }) => goal);
}

it('a desk’s save beside a phone’s notes: the count of what is left is right, round after round', async () => {
	const { site, zones } = await siteWithZones();
	const { id } = zones[0]!;
	await noteAtControl(db, site, id, [{ what: 'found', found: 'as-new' }]);
	for (let round = 0; round < 13; round++) {
		const { zone, revision } = (await findZone(db, site, id))!;
		const goals = await values(site, id);
		const at = round % (goals.length - 3);
		await Promise.all([
			saveZone(db, site, id, revision, { ...zone, name: `Round ${round}` }),
			noteAtControl(db, site, id, [{ what: 'keyed', goals: goals.slice(at, at + 3) }]),
			noteAtControl(db, site, id, [{ what: 'keyed', goals: goals.slice(0, round + 1) }])
		]);
		const after = (await findZone(db, site, id))!;
		expect(after.zone.name).toBe(`Round ${round}`);
		expect(after.summary, `round ${round}`).toEqual(
			await summarise(after.zone, after.notes, profileOf(after.zone, site.profiles))
		);
	}
	await noteAtControl(db, site, id, [{ what: 'keyed', goals: await values(site, id) }]);
	expect((await findZone(db, site, id))!.summary.left).toBe(0);
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
	await noteAtControl(db, site, zones[0]!.id, [{ what: 'found', found: 'in-use' }]);
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
	const made = await addZone(db, site, { zone: newZone('Porch', own), notes: null, onSite: nothingNoted });
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

it('what no card of a control could ask for is not kept, and of very much only what it came to', async () => {
	const { site, zones } = await siteWithZones();
	const { id } = zones[0]!;
	const impossible: Goal = { of: 'menu', id: 'no-such-entry', position: 1 };
	expect((await noteAtControl(db, site, id, [{ what: 'keyed', goals: [impossible] }]))!.acts).toEqual([]);
	const goals = (await values(site, id)).slice(0, 20);
	let kept: Notes | undefined;
	for (let n = 0; n < 8; n++)
		kept = await noteAtControl(
			db,
			site,
			id,
			Array.from({ length: 20 }, () => ({ what: 'keyed', goals }) as const)
		);
	expect(kept!.acts.flatMap((act) => act.goals).length).toBeLessThanOrEqual(MOST_VALUES);
	const profile = profileOf(zones[0]!.zone, site.profiles);
	const { known } = replayed(profile, kept!, zoneCard(zones[0]!.zone, profile).card.operated.options);
	for (const goal of goals)
		if (goal.of !== 'mode' && goal.of !== 'copy') expect(satisfies(profile, known, goal)).toBe(true);
});
