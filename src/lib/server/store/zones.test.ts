import { describe, expect, it } from 'vitest';
import { nothingNoted } from '$core/plan';
import { db, siteWithZones } from '../../../../tests/support/database';
import {
	addZone,
	findSite,
	noteFields,
	noteKeyed,
	orderZones,
	readSiteAsJob,
	removeZone,
	restoreZone,
	saveZone,
	zonesOf,
	findZone,
	saveZones
} from '.';

describe('a zone', () => {
	it('edited in two windows: the second to save is told, and what the first saved stands', async () => {
		const { site, zones } = await siteWithZones();
		const { id, zone } = zones[0]!;
		expect(await saveZone(db, site, id, 1, { ...zone, name: 'First' })).toEqual({
			kind: 'saved',
			revision: 2
		});
		const second = await saveZone(db, site, id, 1, { ...zone, name: 'Second' });
		expect(second).toMatchObject({ kind: 'conflict', current: { revision: 2, zone: { name: 'First' } } });
		expect(await saveZone(db, site, id, 2, { ...zone, name: 'Second' })).toEqual({
			kind: 'saved',
			revision: 3
		});
	});

	it('saved by ten windows at once takes exactly one', async () => {
		const { site, zones } = await siteWithZones();
		const { id, zone } = zones[0]!;
		const outcomes = await Promise.all(
			Array.from({ length: 10 }, (_, i) => saveZone(db, site, id, 1, { ...zone, name: `Window ${i}` }))
		);
		expect(outcomes.filter((one) => one.kind === 'saved')).toHaveLength(1);
	});

	it('takes keyed values from two devices at once and forgets one taken back', async () => {
		const { site, zones } = await siteWithZones();
		const { id } = zones[0]!;
		await Promise.all([
			noteKeyed(db, site, id, { 'setting/unit': '1', 'setting/clock': '2' }),
			noteKeyed(db, site, id, { 'read/mode/after': '3' })
		]);
		expect(await noteKeyed(db, site, id, { 'setting/clock': null })).toEqual({
			'setting/unit': '1',
			'read/mode/after': '3'
		});
	});

	it('is not put back to what a phone sent first and the network delivered last', async () => {
		const { site, zones } = await siteWithZones();
		const { id } = zones[0]!;
		const phone = (number: number) => ({ from: 'phone', number });
		await noteKeyed(db, site, id, { 'setting/unit': '°C', 'setting/clock': '24 h' }, phone(2));
		await noteKeyed(db, site, id, { 'setting/plain': 'On' }, { from: 'other phone', number: 1 });
		expect(
			await noteKeyed(db, site, id, { 'setting/unit': '°F', 'setting/grouping': '7-day' }, phone(1))
		).toEqual({
			'setting/unit': '°C',
			'setting/clock': '24 h',
			'setting/plain': 'On',
			'setting/grouping': '7-day'
		});
		expect(await noteKeyed(db, site, id, { 'setting/unit': null }, phone(3))).not.toHaveProperty(
			'setting/unit'
		);
	});

	it('is added behind another, moved, removed and put back in its place', async () => {
		const { site, zones } = await siteWithZones();
		const made = await addZone(
			db,
			site,
			{ zone: { ...zones[1]!.zone, name: 'New' }, keyed: {}, onSite: nothingNoted },
			zones[1]!.id
		);
		const added = made.kind === 'added' ? made.id : '';
		const names = async () =>
			(await zonesOf(db, (await findSite(db, site.id))!)).map(({ zone }) => zone.name);
		expect((await names()).indexOf('New')).toBe(2);
		await removeZone(db, site, added);
		expect(await names()).not.toContain('New');
		await restoreZone(db, site, added);
		expect((await names()).indexOf('New')).toBe(2);
		await orderZones(db, site, [added]);
		expect((await names())[0]).toBe('New');
		await removeZone(db, site, added);
		expect(await saveZone(db, site, added, 1, zones[0]!.zone)).toEqual({ kind: 'gone' });
	});
});

describe('looks at a clock', () => {
	const look = (at: string) => ({ at, errorSeconds: 40, daysAhead: 0, set: false, lost: false });
	const [first, second] = [look('2099-01-05T09:00:00.000Z'), look('2099-01-05T09:01:00.000Z')] as const;

	it('noted while the week is being changed elsewhere stop nobody from saving, and can be taken back', async () => {
		const { site, zones } = await siteWithZones();
		const { id, zone } = zones[0]!;
		const shown = async () =>
			(await findZone(db, site, id))!.zone.clockReadings.slice(zone.clockReadings.length);
		await noteFields(db, site, id, [{ key: 'clockReadings', value: [first], base: [] }]);
		expect(await shown()).toEqual([first]);
		// a page that was loaded before, and one that was loaded after
		expect(await saveZone(db, site, id, 1, { ...zone, name: 'Before' })).toMatchObject({ kind: 'saved' });
		const after = (await findZone(db, site, id))!;
		expect(await saveZone(db, site, id, 2, { ...after.zone, name: 'After' })).toMatchObject({
			kind: 'saved'
		});
		expect(await saveZones(db, site, [{ id, revision: 3, zone: { ...after.zone, name: 'Both' } }])).toEqual({
			kind: 'saved'
		});
		expect(await shown()).toEqual([first]);
		// two people on two devices
		await Promise.all([
			noteFields(db, site, id, [{ key: 'clockReadings', value: [first, second], base: [first] }]),
			noteFields(db, site, id, [{ key: 'clockReadings', value: [], base: [first] }])
		]);
		expect(await shown()).toEqual([second]);
		expect((await readSiteAsJob(db, site.id))!.zones[0]!.clockReadings.at(-1)).toEqual(second);
	});
});
