import { describe, expect, it } from 'vitest';
import { shippedProfiles } from '$core/control';
import { inDwelling, MOST_ZONES, newZone } from '$core/plan';
import { lastWhole } from '$core/record';
import { db, siteWithZones } from '../../../../tests/support/database';
import {
	addZones,
	checksOfZone,
	endVisit,
	findSite,
	noteFields,
	readFirm,
	signersOf,
	visitsOf,
	zonesInList,
	zonesOf
} from '.';

const profile = (id: string) => shippedProfiles.find((one) => one.id === id)!;
const stat = profile('six-step-room-stat');
const programmer = profile('two-channel-programmer');
const AT = '2026-11-25T08:00:00.000Z';
/** A flat with a stat and a programmer with both of its channels. */
const flat = (dwelling: string, from: number) => {
	const boiler = newZone('Boiler', programmer);
	const water = newZone('Water', programmer);
	return [
		{ zone: newZone('Lounge', stat), hangsOn: from },
		{ zone: boiler, hangsOn: from + 1 },
		{ zone: { ...water, options: { ...water.options, channel: 1 } }, hangsOn: from + 1 }
	].map(({ zone, hangsOn }) => ({ zone: inDwelling(zone, dwelling, 'Flat A'), hangsOn }));
};
const named = async (siteId: string) =>
	(await zonesOf(db, (await findSite(db, siteId))!)).map(({ zone }) => zone.name);

describe('many zones at once', () => {
	it('come together, each dwelling on controls of its own, in their order after those that are there', async () => {
		const { id, zones } = await siteWithZones();
		const came = await addZones(db, { id }, [...flat('Flat 1', 0), ...flat('Flat 2', 2)]);
		expect(came).toMatchObject({ kind: 'added', ids: { length: 6 } });
		const now = await zonesOf(db, (await findSite(db, id))!);
		const fresh = now.slice(zones.length);
		expect(fresh.map(({ zone }) => zone.name)).toEqual([
			'Flat 1 Lounge',
			'Flat 1 Boiler',
			'Flat 1 Water',
			'Flat 2 Lounge',
			'Flat 2 Boiler',
			'Flat 2 Water'
		]);
		const boxes = fresh.map(({ boxId }) => boxId);
		expect(boxes[1]).toBe(boxes[2]);
		expect(new Set(boxes).size).toBe(4);
		// both channels know what a grouping costs the other
		expect(fresh[1]!.zone.otherChannels).not.toBeNull();
		expect(fresh[0]!.summary.left).toBeGreaterThan(0);
	});

	it('none is taken where one cannot be, and it is said which', async () => {
		const { id, zones } = await siteWithZones();
		const before = await named(id);
		const lost = { ...newZone('Attic', stat), control: 'nobody-knows-it' };
		const cases = [
			[[...flat('Flat 1', 0), { zone: lost, hangsOn: 9 }], 'control', 3],
			// a channel twice, and another control on the same wall
			[[flat('Flat 1', 0)[1]!, flat('Flat 1', 0)[1]!], 'channel', 1],
			[[flat('Flat 1', 0)[0]!, { ...flat('Flat 1', 0)[2]!, hangsOn: 0 }], 'channel', 1],
			[
				Array.from({ length: MOST_ZONES - zones.length + 1 }, (_, i) => ({
					zone: newZone(`Room ${i}`, stat),
					hangsOn: i
				})),
				'full',
				0
			]
		] as const;
		for (const [sent, because, index] of cases)
			expect(await addZones(db, { id }, sent)).toEqual({ kind: 'refused', because, index });
		expect(await named(id)).toEqual(before);
		expect(await addZones(db, { id: 'none' }, flat('Flat 1', 0))).toEqual({ kind: 'gone' });
	});
});

describe('a dwelling signed off by itself', () => {
	it('is kept with its own zones, while the visit goes on at the others', async () => {
		const { id, zones: there } = await siteWithZones();
		await addZones(db, { id }, [...flat('Flat 1', 0), ...flat('Flat 2', 2)]);
		const site = (await findSite(db, id))!;
		const zones = (await zonesOf(db, site)).slice(there.length);
		await noteFields(db, site, zones[3]!.id, [{ key: 'foundIn', value: 'manual', base: null }]);
		const sign = (dwelling: string) =>
			endVisit(db, site, { who: 'R. Tilling', note: '', signedOff: true, dwelling });

		// what is wrong elsewhere does not stop it; what is wrong here does, and is said
		const stopped = await sign('Flat 1');
		expect(stopped.kind).toBe('stopped');
		const sentences = stopped.kind === 'stopped' ? stopped.sentences : [];
		expect(sentences.every((one) => one.startsWith('Flat 1 '))).toBe(true);

		// let pass with a reason, check by check
		for (const stored of zones.slice(0, 3)) {
			const stops = checksOfZone(stored, site, await readFirm(db), Date.now(), {});
			const value = stops
				.filter(({ severity }) => severity === 'stop')
				.map(({ id: check }) => ({ check, reason: 'The tenant moves in later', at: AT }));
			await noteFields(db, site, stored.id, [{ key: 'overruled', value, base: [] }]);
		}
		expect(await sign('Flat 1')).toMatchObject({ kind: 'kept' });
		expect(await sign('Flat 9')).toEqual({ kind: 'gone' });

		const visits = await visitsOf(db, id);
		const { visit } = visits.at(-1)!;
		expect([visit.dwelling, ...visit.zones.map(({ zone }) => zone.name)]).toEqual([
			'Flat 1',
			'Flat 1 Lounge',
			'Flat 1 Boiler',
			'Flat 1 Water'
		]);
		expect(lastWhole(visits)?.id).toBe(lastWhole(visits.slice(0, -1))?.id);
		// devices that know the visit before go on noting: it has not ended
		expect((await findSite(db, id))!.visitOpenSince).not.toBeNull();
		const after = lastWhole(visits)?.id ?? null;
		expect(
			await noteFields(db, site, zones[3]!.id, [{ key: 'foundNote', value: 'x', base: '' }], after)
		).toMatchObject({ kind: 'noted' });

		const signers = await signersOf(db, id);
		expect(signers('Flat 1')).toBe('R. Tilling');
		expect(signers('Flat 2')).toBe(lastWhole(visits)?.visit.signedOff ? lastWhole(visits)!.visit.who : null);
		const now = (await findSite(db, id))!;
		const listed = await zonesInList(db, now, await zonesOf(db, now));
		const signed = (name: string) => listed.find((one) => one.name === name)!.signed;
		expect(signed('Flat 1 Water')).toMatch(/\d/);
		expect(signed('Flat 2 Water')).toBeNull();
	});
});
