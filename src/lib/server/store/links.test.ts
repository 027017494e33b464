import { afterEach, describe, expect, it, vi } from 'vitest';
import { db, demoJob, siteWithZones } from '../../../../tests/support/database';
import {
	createLink,
	createSite,
	deleteSite,
	linksOf,
	MOST_LINKS,
	purgeDeleted,
	revokeLink,
	siteOfLink
} from '.';

afterEach(() => {
	vi.useRealTimers();
});

describe('a customer’s link', () => {
	it('opens its own site until it is over, and nobody can tell why another does not', async () => {
		const { id } = await siteWithZones();
		const { token, endsAt } = (await createLink(db, id, 30))!;
		expect(token).toMatch(/^[A-Za-z0-9_-]{32}$/);
		expect(await siteOfLink(db, token)).toBe(id);
		const wrong = `${token.slice(0, -1)}${token.endsWith('A') ? 'B' : 'A'}`;
		for (const other of [wrong, '', token.slice(1), `${token}x`, "' OR 1=1 --"])
			expect(await siteOfLink(db, other)).toBeNull();
		vi.useFakeTimers({ now: Date.parse(endsAt) - 1, toFake: ['Date'] });
		expect(await siteOfLink(db, token)).toBe(id);
		vi.setSystemTime(Date.parse(endsAt));
		expect(await siteOfLink(db, token)).toBeNull();
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
		expect(await siteOfLink(db, token)).toBe(id);
		expect([await revokeLink(db, id, link), await revokeLink(db, id, link)]).toEqual([true, false]);
		expect(await siteOfLink(db, token)).toBeNull();
		expect(await linksOf(db, id)).toMatchObject([{ id: link, revoked: true }]);
	});

	it('goes with its site', async () => {
		const { id } = await siteWithZones();
		const { token } = (await createLink(db, id, 365))!;
		await deleteSite(db, id);
		await purgeDeleted(db, new Date(Date.now() + 40 * 86_400_000));
		expect(await siteOfLink(db, token)).toBeNull();
	});
});
