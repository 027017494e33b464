import { Op } from 'sequelize';
import type { Database, Readable, ZoneRow } from '../db';
import { amongChannels, seen, type Seen } from './boxes';
import { siteFromRow, zoneFromSeen, type StoredSite, type StoredZone } from './rows';
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
	const boxes = new Map((await from.boxes.all({ where: { siteId: site.id } })).map((box) => [box.id, box]));
	const byBox = new Map<string, Seen[]>();
	for (const row of rows) {
		const one = seen(row, boxes.get(row.boxId)!);
		byBox.set(row.boxId, [...(byBox.get(row.boxId) ?? []), one]);
	}
	const all = new Map<string, Seen>();
	for (const zones of byBox.values())
		for (const one of removed ? zones : await amongChannels(zones, site.profiles)) all.set(one.row.id, one);
	return Promise.all(rows.map((row) => zoneFromSeen(all.get(row.id)!, site.profiles)));
}

/** A zone from its row, with what its control's other channels ask. */
export async function zoneOfRow(from: Readable, site: StoredSite, row: ZoneRow): Promise<StoredZone> {
	const box = (await from.boxes.get(row.boxId))!;
	const live =
		row.deletedAt === null ? await from.zones.all({ where: { boxId: row.boxId, deletedAt: null } }) : [row];
	const among = await amongChannels(
		live.map((one) => seen(one, box)),
		site.profiles
	);
	return zoneFromSeen(
		among.find((one) => one.row.id === row.id)!,
		site.profiles
	);
}

/** The zone with this id on this site, removed or not; null if there is none. */
export async function findZone(from: Readable, site: StoredSite, id: string): Promise<StoredZone | null> {
	const row = await from.zones.one({ id, siteId: site.id });
	return row && zoneOfRow(from, site, row);
}
