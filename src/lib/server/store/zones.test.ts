import { describe, expect, it } from 'vitest';
import type { Goal, GoalOf, Note } from '$core/keying';
import { nothingNoted, type OnSiteEdit } from '$core/plan';
import { db, reopen, siteWithZones } from '../../../../tests/support/database';
import {
	addZone,
	findSite,
	noteFields,
	noteAtControl,
	noteKeyedBefore,
	orderZones,
	readSiteAsJob,
	removeZone,
	restoreZone,
	saveZone,
	zonesOf,
	findZone,
	saveZones
} from '.';

const keyed = (goal: Goal): Note => ({ what: 'keyed', goals: [goal] });
const unit: GoalOf<'option'> = { of: 'option', id: 'unit', position: 0 };
const clock: Goal = { of: 'option', id: 'clock', position: 0 };
const mode: Goal = { of: 'mode', name: 'Auto', when: 'after' };

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

	it('takes what two devices key at once, and forgets what is taken back', async () => {
		const { site, zones } = await siteWithZones();
		const { id } = zones[0]!;
		await Promise.all([
			noteAtControl(db, site, id, [keyed(unit), keyed(clock)]),
			noteAtControl(db, site, id, [{ what: 'read', goals: [mode] }])
		]);
		const left = await noteAtControl(db, site, id, [{ what: 'not-keyed', goals: [clock] }]);
		expect(left!.acts.map(({ what, goals }) => [what, ...goals]).sort()).toEqual([
			['keyed', unit],
			['read', mode]
		]);
	});

	it.each(['at once', 'after a new start'])(
		'is not put back to what a phone sent before, delivered twice or last, %s',
		async (when) => {
			const { site, zones } = await siteWithZones();
			const { id } = zones[0]!;
			const by = (number: number, from = 'phone') => ({ from, number, atMs: number });
			const first = { ...keyed(unit), by: by(1) };
			const note = async (...notes: Note[]) =>
				(await noteAtControl(db, site, id, notes))!.acts.map(({ by, goals }) => [by.number, ...goals]);
			await note(first);
			await note({ ...keyed(clock), by: by(2) });
			const third = await note({ ...keyed({ ...unit, position: 1 }), by: by(3) });
			if (when === 'after a new start') await reopen();
			expect(await note(first)).toEqual(third);
			// another device's own first is none of it, and goes where it was made
			expect(await note({ ...keyed(mode), by: by(1, 'tablet') })).toEqual([
				third[0],
				[1, mode],
				third[1],
				third[2]
			]);
			expect(await note({ ...keyed(mode), by: by(1, 'tablet') })).toHaveLength(4);
		}
	);

	it('takes what the version before left waiting in a browser, once', async () => {
		const { site, zones } = await siteWithZones();
		const { id } = zones[0]!;
		const sent = { from: 'phone', number: 7 };
		await noteKeyedBefore(db, site, id, { 'setting/unit': '°C', 'no/such/value': '1' }, sent);
		await noteAtControl(db, site, id, [{ what: 'not-keyed', goals: [unit] }]);
		expect(await noteKeyedBefore(db, site, id, { 'setting/unit': '°C' }, sent)).toBe(true);
		expect((await findZone(db, site, id))!.notes!.acts).toEqual([]);
		expect(await noteKeyedBefore(db, site, 'gone', { 'setting/unit': '°C' })).toBe(false);
	});

	it('keeps the field that was noted last on one device, whatever comes in again or out of its order', async () => {
		const { site, zones } = await siteWithZones();
		const { id } = zones[0]!;
		const edit = (number: number, value: string, base: string): OnSiteEdit => ({
			key: 'foundNote',
			value,
			base,
			by: { from: 'phone', number }
		});
		const [a, b, again] = [edit(1, 'A', ''), edit(2, 'B', 'A'), edit(3, 'A', 'B')];
		const noted = async (...edits: OnSiteEdit[]) => {
			const came = await noteFields(db, site, id, edits);
			return came.kind === 'noted' ? [came.onSite.foundNote, came.conflicts.length] : came.kind;
		};
		expect(await noted(a)).toEqual(['A', 0]);
		// its answer was lost: all of it is sent once more
		expect(await noted(a, b)).toEqual(['B', 0]);
		expect(await noted(a)).toEqual(['B', 0]);
		expect(await noted(a, b, again)).toEqual(['A', 0]);
		expect(await noted(b)).toEqual(['A', 0]);
		// what was refused was not heard
		const wrong = { ...edit(4, 'x'.repeat(5000), 'A') };
		expect(await noted(wrong)).toBe('refused');
		expect(await noted(edit(4, 'C', 'A'))).toEqual(['C', 0]);
		// what somebody else noted otherwise is offered until its answer came through
		const late = { ...edit(5, 'D', 'A') };
		expect([await noted(late), await noted(late)]).toEqual([
			['C', 1],
			['C', 1]
		]);
	});

	it('is added behind another, moved, removed and put back in its place', async () => {
		const { site, zones } = await siteWithZones();
		const made = await addZone(
			db,
			site,
			{ zone: { ...zones[1]!.zone, name: 'New' }, notes: null, onSite: nothingNoted },
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
