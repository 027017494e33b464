import { Op } from 'sequelize';
import type { Database, Readable } from '../db';
import { siteFromRow, zoneFromRow, type StoredSite, type StoredZone } from './rows';
import { whileUntouched } from './untouched';

/** The site with this id, deleted or not; null if there is none. */
export async function findSite(from: Readable, id: string): Promise<StoredSite | null> {
	const row = await from.sites.get(id);
	return row && siteFromRow(row);
}

/** A site's zones in their order; those removed only if asked for. Read anew only when the site was touched since. */
export function zonesOf(db: Database, site: StoredSite, removed = false): Promise<readonly StoredZone[]> {
	return whileUntouched(db, site, removed ? 'zones removed' : 'zones', () => zonesRead(db, site, removed));
}

/** A site's zones as they stand at this moment, whatever changed since the site was read: for what is written on top of them. */
export async function zonesRead(from: Readable, site: StoredSite, removed = false): Promise<StoredZone[]> {
	const rows = await from.zones.all({
		where: { siteId: site.id, deletedAt: removed ? { [Op.ne]: null } : null },
		order: [
			['position', 'ASC'],
			['createdAt', 'ASC']
		]
	});
	return Promise.all(rows.map((row) => zoneFromRow(row, site.profiles)));
}

/** The zone with this id on this site, removed or not; null if there is none. */
export async function findZone(from: Readable, site: StoredSite, id: string): Promise<StoredZone | null> {
	const row = await from.zones.one({ id, siteId: site.id });
	return row && zoneFromRow(row, site.profiles);
}
