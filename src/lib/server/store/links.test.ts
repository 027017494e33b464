import { afterEach, describe, expect, it, vi } from 'vitest';
import { db, demoJob, siteWithZones } from '../../../../tests/support/database';
import {
	createLink,
	createSite,
	findSite,
	deleteSite,
	linksOf,
	MOST_LINKS,
	purgeDeleted,
	reportByLink,
	revokeLink,
	saveZone,
	zonesOfLink,
	linkOpened
} from '.';

afterEach(() => {
	vi.useRealTimers();
});

describe('a customer’s link', () => {
	it('opens its own site until it is over, and nobody can tell why another does not', async () => {
		const { id } = await siteWithZones();
		const { token, endsAt } = (await createLink(db, id, 30))!;
		expect(token).toMatch(/^[A-Za-z0-9_-]{32}$/);
		expect((await linkOpened(db, token))?.siteId).toBe(id);
		const wrong = `${token.slice(0, -1)}${token.endsWith('A') ? 'B' : 'A'}`;
		for (const other of [wrong, '', token.slice(1), `${token}x`, "' OR 1=1 --"])
			expect(await linkOpened(db, other)).toBeNull();
		vi.useFakeTimers({ now: Date.parse(endsAt) - 1, toFake: ['Date'] });
		expect((await linkOpened(db, token))?.siteId).toBe(id);
		vi.setSystemTime(Date.parse(endsAt));
		expect(await linkOpened(db, token)).toBeNull();
		expect(await linksOf(db, id)).toMatchObject([{ revoked: false, over: false }]);
		vi.setSystemTime(Date.parse(endsAt) + 1);
		expect(await linksOf(db, id)).toMatchObject([{ over: true }]);
	});

	it('is stored so that a copy of the database opens nothing', async () => {
		const { id } = await siteWithZones();
		const made = await Promise.all([1, 2, 3, 4, 5].map(() => createLink(db, id, 1)));
		expect(new Set(made.map((link) => link!.token)).size).toBe(5);
		const rows = JSON.stringify(await db.links.all());
		for (const link of made) expect(rows).not.toContain(link!.token);
	});

	it('opens with so many and no more, until one is ended', async () => {
		const { id } = await siteWithZones();
		const made = await Promise.all(Array.from({ length: MOST_LINKS + 5 }, () => createLink(db, id, 1)));
		expect(made.filter((link) => link !== null)).toHaveLength(MOST_LINKS);
		await revokeLink(db, id, made[0]!.id);
		expect(await createLink(db, id, 1)).not.toBeNull();
		expect(await createLink(db, id, 1)).toBeNull();
	});

	it('is ended by its own site alone, at once', async () => {
		const { id } = await siteWithZones();
		const other = await createSite(db, demoJob('kelter-court'));
		const { token, id: link } = (await createLink(db, id, 30))!;
		for (const none of [link.slice(0, 8), '', '%'.repeat(16)])
			expect(await revokeLink(db, id, none)).toBe(false);
		expect(await revokeLink(db, other, link)).toBe(false);
		expect((await linkOpened(db, token))?.siteId).toBe(id);
		expect([await revokeLink(db, id, link), await revokeLink(db, id, link)]).toEqual([true, false]);
		expect(await linkOpened(db, token)).toBeNull();
		expect(await linksOf(db, id)).toMatchObject([{ id: link, revoked: true }]);
	});

	it('shows the zones of its dwelling and no other’s, and no report goes to another', async () => {
		const { id, zones } = await siteWithZones();
		const site = (await findSite(db, id))!;
		for (const [i, { id: zoneId, revision, zone }] of zones.entries())
			await saveZone(db, site, zoneId, revision, {
				...zone,
				dwelling: i === 0 ? 'Flat 1' : i === 1 ? 'Flat 2' : ''
			});
		const shown = async (dwelling: string) => {
			const { token } = (await createLink(db, id, 30, dwelling))!;
			return (await zonesOfLink(db, token))?.zones.map(({ zone }) => zone.dwelling) ?? null;
		};
		expect(await shown('Flat 1')).toEqual(['Flat 1']);
		expect(await shown('Flat 2')).toEqual(['Flat 2']);
		expect(new Set(await shown(''))).toEqual(new Set(['']));
		expect(await shown('Flat 3')).toBeNull();
		const { token } = (await createLink(db, id, 30, 'Flat 2'))!;
		const report = { room: 1, said: 'cold', caller: 'B', facts: [] };
		expect(await reportByLink(db, token, report)).toBe('room');
		expect(await reportByLink(db, token, { ...report, room: 0 })).toBe('kept');
		const rows = await db.calls.all({ where: { siteId: id } });
		expect(rows.map(({ zoneId }) => zoneId)).toEqual([zones[1]!.id]);
	});

	it('goes with its site', async () => {
		const { id } = await siteWithZones();
		const { token } = (await createLink(db, id, 365))!;
		await deleteSite(db, id);
		await purgeDeleted(db, new Date(Date.now() + 40 * 86_400_000));
		expect(await linkOpened(db, token)).toBeNull();
	});
});
