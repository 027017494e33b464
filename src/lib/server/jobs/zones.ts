import { Op } from 'sequelize';
import type { JobZone } from '$core/formats';
import type { Keyed } from '$core/keying';
import {
	MOST_ZONES,
	noteOnSite,
	type OnSite,
	type OnSiteConflict,
	type OnSiteEdit,
	type Zone
} from '$core/plan';
import type { Database } from '../db';
import { zoneFromRow, type StoredSite, type StoredZone } from './rows';
import { touchSite, zoneRow } from './sites';
import { profileOf, summarise } from './summary';

/** The zone with this id on this site, removed or not; null if there is none. */
export async function findZone(db: Database, site: StoredSite, id: string): Promise<StoredZone | null> {
	const row = await db.zones.findOne({ where: { id, siteId: site.id } });
	return row ? zoneFromRow(row.get(), site.profiles) : null;
}

/** Adds a zone after the given one (or last). Returns its id, or null when the site is full. */
export async function addZone(
	db: Database,
	site: StoredSite,
	jobZone: JobZone,
	after: string | null = null
): Promise<string | null> {
	return db.write(async (transaction) => {
		const rows = await db.zones.findAll({
			where: { siteId: site.id, deletedAt: null },
			order: [['position', 'ASC']],
			transaction
		});
		if (rows.length >= MOST_ZONES) return null;
		const index = rows.findIndex((row) => row.get().id === after);
		const position = index < 0 ? rows.length : index + 1;
		for (const [i, row] of rows.entries())
			await row.update({ position: i < position ? i : i + 1 }, { transaction });
		const row = zoneRow(site.id, position, jobZone, site);
		await db.zones.create(row, { transaction });
		await touchSite(db, site.id, transaction);
		return row.id;
	});
}

/** The zone as it is stored: looks at its clock that were noted on site stand there alone, so that they can be taken back. */
export function apartFrom(onSite: OnSite, zone: Zone): Zone {
	const there = new Set(onSite.clockReadings.map((reading) => reading.at));
	return { ...zone, clockReadings: zone.clockReadings.filter((reading) => !there.has(reading.at)) };
}

/** What came of saving a zone: saved under a new revision, or changed by someone else meanwhile, or gone. */
export type Saved =
	| { readonly kind: 'saved'; readonly revision: number }
	| { readonly kind: 'conflict'; readonly current: StoredZone }
	| { readonly kind: 'gone' };

/**
 * Saves a zone if it still stands at the revision that the person's window knew. When another
 * window saved in between, nothing is written and the caller gets what stands there now.
 */
export async function saveZone(
	db: Database,
	site: StoredSite,
	id: string,
	revision: number,
	zone: Zone
): Promise<Saved> {
	const before = await findZone(db, site, id);
	if (!before || before.deletedAt) return { kind: 'gone' };
	const saved = await db.write(async (transaction) => {
		const [count] = await db.zones.update(
			{
				document: apartFrom(before.onSite, zone),
				summary: summarise(zone, before.keyed, profileOf(zone, site.profiles)),
				revision: revision + 1,
				updatedAt: new Date()
			},
			{ where: { id, siteId: site.id, revision, deletedAt: null }, transaction }
		);
		if (count === 1) await touchSite(db, site.id, transaction);
		return count === 1;
	});
	if (saved) return { kind: 'saved', revision: revision + 1 };
	const current = await findZone(db, site, id);
	return current && !current.deletedAt ? { kind: 'conflict', current } : { kind: 'gone' };
}

/**
 * Saves several zones of a site together, each on the revision given, or none of them. Returns the name of
 * the first that has been changed or removed meanwhile; null when all are saved.
 */
export async function saveZones(
	db: Database,
	site: StoredSite,
	changes: readonly { id: string; revision: number; zone: Zone }[]
): Promise<string | null> {
	class Refused extends Error {}
	try {
		await db.write(async (transaction) => {
			for (const { id, revision, zone } of changes) {
				const row = await db.zones.findOne({ where: { id, siteId: site.id, deletedAt: null }, transaction });
				if (!row || row.get().revision !== revision) throw new Refused(zone.name);
				const { keyed, onSite } = zoneFromRow(row.get(), site.profiles);
				await row.update(
					{
						document: apartFrom(onSite, zone),
						summary: summarise(zone, keyed, profileOf(zone, site.profiles)),
						revision: revision + 1,
						updatedAt: new Date()
					},
					{ transaction }
				);
			}
			await touchSite(db, site.id, transaction);
		});
		return null;
	} catch (error) {
		if (error instanceof Refused) return error.message;
		throw error;
	}
}

/**
 * Notes values as keyed (or, with null, as not keyed). Merges with what another device notes at the
 * same time. Returns the whole of what is keyed now, or null if the zone is gone.
 */
export async function noteKeyed(
	db: Database,
	site: StoredSite,
	id: string,
	changes: Readonly<Record<string, string | null>>
): Promise<Keyed | null> {
	return db.write(async (transaction) => {
		const row = await db.zones.findOne({ where: { id, siteId: site.id, deletedAt: null }, transaction });
		if (!row) return null;
		const before = zoneFromRow(row.get(), site.profiles);
		const keyed = Object.fromEntries(
			Object.entries({ ...before.keyed, ...changes }).filter(
				(entry): entry is [string, string] => entry[1] !== null
			)
		);
		const summary = summarise(before.zone, keyed, profileOf(before.zone, site.profiles));
		await row.update({ keyed, summary, updatedAt: new Date() }, { transaction });
		await touchSite(db, site.id, transaction);
		return keyed;
	});
}

/** What came of noting fields on site: what is noted now and what two people noted differently; or why a value was refused. */
export type Noted =
	| { readonly kind: 'noted'; readonly onSite: OnSite; readonly conflicts: readonly OnSiteConflict[] }
	| { readonly kind: 'refused'; readonly sentence: string }
	| { readonly kind: 'gone' };

/** Notes fields found or done at a zone's control, merged with what other devices note. */
export async function noteFields(
	db: Database,
	site: StoredSite,
	id: string,
	edits: readonly OnSiteEdit[]
): Promise<Noted> {
	return db.write(async (transaction): Promise<Noted> => {
		const row = await db.zones.findOne({ where: { id, siteId: site.id, deletedAt: null }, transaction });
		if (!row) return { kind: 'gone' };
		const result = noteOnSite(zoneFromRow(row.get(), site.profiles).onSite, edits);
		if ('refused' in result) return { kind: 'refused', sentence: result.refused };
		await row.update({ onSite: result.noted, updatedAt: new Date() }, { transaction });
		await touchSite(db, site.id, transaction);
		// a clock set on a round opens no visit
		if (edits.some(({ key }) => key !== 'clockReadings'))
			await db.sites.update(
				{ visitOpenSince: new Date() },
				{ where: { id: site.id, visitOpenSince: null }, transaction }
			);
		return { kind: 'noted', onSite: result.noted, conflicts: result.conflicts };
	});
}

/** Sets when a zone was removed, or that it is not. Returns whether that was a change. */
async function setRemoved(
	db: Database,
	site: StoredSite,
	id: string,
	deletedAt: Date | null
): Promise<boolean> {
	return db.write(async (transaction) => {
		const [count] = await db.zones.update(
			{ deletedAt },
			{ where: { id, siteId: site.id, deletedAt: deletedAt ? null : { [Op.ne]: null } }, transaction }
		);
		if (count > 0) await touchSite(db, site.id, transaction);
		return count > 0;
	});
}

/** Removes a zone so that it can be put back. */
export async function removeZone(db: Database, site: StoredSite, id: string): Promise<boolean> {
	return setRemoved(db, site, id, new Date());
}

/** Puts a removed zone back in its place. */
export async function restoreZone(db: Database, site: StoredSite, id: string): Promise<boolean> {
	return setRemoved(db, site, id, null);
}

/** Puts the site's zones in this order; zones not named keep their order behind the named ones. */
export async function orderZones(db: Database, site: StoredSite, order: readonly string[]): Promise<void> {
	await db.write(async (transaction) => {
		const rows = await db.zones.findAll({
			where: { siteId: site.id, deletedAt: null },
			order: [['position', 'ASC']],
			transaction
		});
		const place = (id: string) => {
			const index = order.indexOf(id);
			return index < 0 ? order.length : index;
		};
		const sorted = [...rows].sort((a, b) => place(a.get().id) - place(b.get().id));
		for (const [position, row] of sorted.entries()) await row.update({ position }, { transaction });
		await touchSite(db, site.id, transaction);
	});
}
