import { createHash, randomBytes } from 'node:crypto';
import type { Database, Readable } from '../db';
import type { StoredSite, StoredZone } from './rows';
import { findSite, zonesOf } from './siteReads';

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

/** As many links of a dwelling may open at a time. */
export const MOST_LINKS = 20;

/** A customer's link as the office sees it; its token is nowhere but with the customer. */
export interface CustomerLink {
	readonly id: string;
	readonly createdAt: string;
	readonly endsAt: string;
	readonly revoked: boolean;
	readonly over: boolean;
	/** The dwelling whose pages it shows. */
	readonly dwelling: string;
}

/** Makes a link to the customer pages of one dwelling of a site that nobody can guess, for so many days. The token is returned once; null where {@link MOST_LINKS} open already. */
export async function createLink(
	db: Database,
	siteId: string,
	days: number,
	dwelling = ''
): Promise<{ readonly token: string; readonly id: string; readonly endsAt: string } | null> {
	const token = randomBytes(24).toString('base64url');
	const now = new Date();
	const endsAt = new Date(now.getTime() + days * 86_400_000);
	const hash = hashOf(token);
	const made = await db.write(async (tx) => {
		const open = (await linksOf(tx, siteId)).filter(
			(one) => one.dwelling === dwelling && !one.revoked && !one.over
		);
		if (open.length >= MOST_LINKS) return false;
		await tx.links.create({ hash, siteId, dwelling, createdAt: now, endsAt, revokedAt: null });
		return true;
	});
	return made ? { token, id: hash.slice(0, 16), endsAt: endsAt.toISOString() } : null;
}

/** The links of a site, the latest first. */
export async function linksOf(from: Readable, siteId: string): Promise<CustomerLink[]> {
	const rows = await from.links.all({ where: { siteId }, order: [['createdAt', 'DESC']] });
	return rows.map(({ hash, dwelling, createdAt, endsAt, revokedAt }) => ({
		dwelling,
		id: hash.slice(0, 16),
		createdAt: createdAt.toISOString(),
		endsAt: endsAt.toISOString(),
		revoked: revokedAt !== null,
		over: endsAt.getTime() < Date.now()
	}));
}

/** Ends a link now. Returns whether there was one. */
export async function revokeLink(db: Database, siteId: string, id: string): Promise<boolean> {
	return db.write(async (tx) => {
		const rows = await tx.links.all({ where: { siteId, revokedAt: null } });
		const row = rows.find((one) => one.hash.startsWith(id) && id.length === 16);
		return row ? (await tx.links.update({ revokedAt: new Date() }, { hash: row.hash })) > 0 : false;
	});
}

/** The site and its dwelling that a token opens; null for one that is unknown, over or revoked: nobody can tell which. */
export async function linkOpened(
	from: Readable,
	token: string
): Promise<{ readonly siteId: string; readonly dwelling: string } | null> {
	if (!/^[A-Za-z0-9_-]{32}$/.test(token)) return null;
	const row = await from.links.get(hashOf(token));
	return row && row.revokedAt === null && row.endsAt.getTime() > Date.now()
		? { siteId: row.siteId, dwelling: row.dwelling }
		: null;
}

/** The zones that a token shows, with their site: those of its dwelling and no other; null where it opens nothing. */
export async function zonesOfLink(
	db: Database,
	token: string
): Promise<{ readonly site: StoredSite; readonly zones: readonly StoredZone[] } | null> {
	const opened = await linkOpened(db, token);
	const site = opened && (await findSite(db, opened.siteId));
	if (!site || site.deletedAt) return null;
	const zones = (await zonesOf(db, site)).filter(({ zone }) => zone.dwelling === opened.dwelling);
	return zones.length > 0 ? { site, zones } : null;
}
