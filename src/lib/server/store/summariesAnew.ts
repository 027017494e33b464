import type { Database } from '../db';
import { changeWithin } from './change';
import { zoneAt, zoneOf } from './documents';
import { profileOf } from '$core/control';
import { summarise, SUMMARY_VERSION } from './summary';

/** Makes the summaries anew that an earlier version of the computation has left, zone by zone, while others are answered. Returns how many. */
export async function summariesAnew(db: Database): Promise<number> {
	const old = await db.query<{ id: string; siteId: string }>(
		"SELECT id, siteId FROM zones WHERE deletedAt IS NULL AND summary ->> '$.version' IS NOT :version",
		{ version: SUMMARY_VERSION }
	);
	for (const { id, siteId } of old) {
		const at = await zoneAt(db, siteId, id);
		if (!at) continue;
		await summarise(at.zone, at.notes, profileOf(at.zone, at.site.profiles));
		await db.write((tx) => changeWithin(tx, zoneOf(siteId, id), null, (_, { notes }) => ({ notes })));
	}
	return old.length;
}
