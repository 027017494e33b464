import { describe, expect, it } from 'vitest';
import { blankProfile, findProfile, type ControlProfile } from '$core/control';
import { newZone, nothingNoted } from '$core/plan';
import { db, demoJob } from '../../../../tests/support/database';
import {
	addZone,
	carriedBySites,
	countUses,
	createControl,
	createSite,
	deleteControl,
	findControl,
	findSite,
	listControls,
	ownProfilesFor,
	readSiteAsJob,
	restoreControl,
	saveControl,
	takeUp,
	usesOf,
	zonesOf
} from '.';

const own = (part: Partial<ControlProfile> = {}): ControlProfile => ({
	...blankProfile('Hall dial', 'events'),
	...part
});

/** A site with one zone on a control of one's own. */
async function siteOn(profile: ControlProfile) {
	const id = await createSite(db, { ...demoJob('osier-lane-reading-room'), zones: [], visits: [] });
	const site = (await findSite(db, id))!;
	const zone = { ...newZone('Porch', profile), grouping: profile.groupings.at(-1)!.id };
	await addZone(db, site, { zone, notes: null, onSite: nothingNoted });
	return { id, read: async () => (await findSite(db, id))! };
}

describe('a control of the installation’s own', () => {
	it('is kept once however often it comes in, and beside another of the same name', async () => {
		expect(await createControl(db, own())).toBe('hall-dial');
		expect(await createControl(db, own())).toBe('hall-dial');
		expect(await createControl(db, own({ summary: 'Another one.' }))).toBe('hall-dial-2');
		expect(await createControl(db, own({ summary: 'Another one.' }))).toBe('hall-dial-2');
		// one that ships keeps its name
		expect(await createControl(db, findProfile('six-step-room-stat')!)).toBe('six-step-room-stat-2');
		expect((await listControls(db)).map(({ id }) => id).sort()).toEqual([
			'hall-dial',
			'hall-dial-2',
			'six-step-room-stat-2'
		]);
	});

	it('changed in two windows takes the first, deleted it is gone until it is put back or comes in again', async () => {
		const id = await createControl(db, own());
		expect(await saveControl(db, id, 1, own({ summary: 'First' }))).toEqual({ kind: 'saved', revision: 2 });
		expect(await saveControl(db, id, 1, own({ summary: 'Second' }))).toMatchObject({
			kind: 'conflict',
			current: { revision: 2, profile: { summary: 'First' } }
		});
		// its id stays whatever the document says
		await saveControl(db, id, 2, own({ id: 'other', summary: 'Third' }));
		expect((await findControl(db, id))!.profile).toMatchObject({ id, summary: 'Third' });
		expect([await deleteControl(db, id), await deleteControl(db, id)]).toEqual([true, false]);
		expect(await saveControl(db, id, 3, own())).toEqual({ kind: 'gone' });
		expect((await listControls(db, true)).map((one) => one.id)).toEqual([id]);
		expect([await restoreControl(db, id), await restoreControl(db, id)]).toEqual([true, false]);
		await deleteControl(db, id);
		expect(await createControl(db, own({ summary: 'Fourth' }))).toBe(id);
		expect((await findControl(db, id))!.profile.summary).toBe('Fourth');
	});

	it('is copied onto the site that uses it: later changes touch its zones only when they are taken up', async () => {
		const id = await createControl(db, own());
		const { id: siteId, read } = await siteOn(own());
		expect((await countUses(db)).get(id)).toBe(1);
		expect(await usesOf(db, id)).toMatchObject([{ siteId, zone: { name: 'Porch' }, current: true }]);
		// it loses the grouping and the unit that the zone has chosen
		const changed = own({
			groupings: own().groupings.slice(0, 1),
			temperature: { minC: 5, maxC: 30, stepC: 1, units: ['F'] }
		});
		await saveControl(db, id, 1, changed);
		expect(await usesOf(db, id)).toMatchObject([{ current: false }]);
		expect((await ownProfilesFor(db, await read()))[0]!.groupings).toHaveLength(2);
		expect((await zonesOf(db, await read()))[0]!.zone.options.unit).toBe('C');
		expect(await takeUp(db, id)).toEqual({ sites: 1, zones: 1 });
		expect(await takeUp(db, id)).toEqual({ sites: 0, zones: 0 });
		const zone = (await zonesOf(db, await read()))[0]!;
		expect(zone).toMatchObject({ revision: 2, zone: { options: { unit: 'F' }, grouping: null } });
		expect(await usesOf(db, id)).toMatchObject([{ current: true }]);
	});

	it('that came with a site’s file is known there alone, and travels on with it', async () => {
		const id = await createControl(db, own());
		const { id: siteId, read } = await siteOn(own());
		await deleteControl(db, id);
		expect(await carriedBySites(db)).toMatchObject([{ profile: { id }, siteName: (await read()).site.name }]);
		expect((await readSiteAsJob(db, siteId))!.profiles.map((one) => one.id)).toEqual([id]);
		const elsewhere = await createSite(db, demoJob());
		const zone = { zone: newZone('Loft', own()), notes: null, onSite: nothingNoted };
		expect(await addZone(db, { id: elsewhere }, zone)).toEqual({ kind: 'refused', because: 'control' });
		expect(await addZone(db, await read(), zone)).toMatchObject({ kind: 'added' });
	});
});
