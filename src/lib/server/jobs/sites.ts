import { randomUUID } from 'node:crypto';
import { Op, type Transaction } from 'sequelize';
import { writeJobFile, type Job, type JobZone } from '$core/formats';
import type { Site } from '$core/plan';
import type { Database } from '../db';
import type { ZoneRow } from '../db/database';
import { siteFromRow, zoneFromRow, type StoredSite, type StoredZone } from './rows';
import { profileOf, summarise } from './summary';

/** How long a deleted site or zone can be put back before it is purged at start. */
export const KEPT_DAYS = 30;

/** A site in the list of jobs, with what is left to do on it. */
export interface SiteListed {
	readonly id: string;
	readonly name: string;
	readonly place: string;
	readonly updatedAt: string;
	readonly deletedAt: string | null;
	readonly zones: number;
	readonly zonesKeyed: number;
	readonly valuesLeft: number;
	readonly zonesMisfit: number;
}

/** Row of a new zone. */
export function zoneRow(
	siteId: string,
	position: number,
	jobZone: JobZone,
	job: Pick<StoredSite, 'profiles'>
): ZoneRow {
	const { keyed, ...zone } = jobZone;
	const now = new Date();
	return {
		id: randomUUID(),
		siteId,
		position,
		document: zone,
		keyed,
		summary: summarise(zone, keyed, profileOf(zone, job.profiles)),
		revision: 1,
		createdAt: now,
		updatedAt: now,
		deletedAt: null
	};
}

/** Stores a job as a new site, all or nothing, and returns its id. */
export async function createSite(db: Database, job: Job): Promise<string> {
	const id = randomUUID();
	const now = new Date();
	const rows = job.zones.map((zone, position) => zoneRow(id, position, zone, job));
	await db.write(async (transaction) => {
		await db.sites.create(
			{
				id,
				document: job.site,
				profiles: job.profiles,
				revision: 1,
				createdAt: now,
				updatedAt: now,
				deletedAt: null
			},
			{ transaction }
		);
		await db.zones.bulkCreate(rows, { transaction });
	});
	return id;
}

/** The site with this id, deleted or not; null if there is none. */
export async function findSite(db: Database, id: string): Promise<StoredSite | null> {
	const row = await db.sites.findByPk(id);
	return row ? siteFromRow(row.get()) : null;
}

/** A site's zones in their order; those removed only if asked for. */
export async function zonesOf(db: Database, site: StoredSite, removed = false): Promise<StoredZone[]> {
	const rows = await db.zones.findAll({
		where: { siteId: site.id, deletedAt: removed ? { [Op.ne]: null } : null },
		order: [
			['position', 'ASC'],
			['createdAt', 'ASC']
		]
	});
	return rows.map((row) => zoneFromRow(row.get(), site.profiles));
}

/** All sites, the latest touched first, or those deleted in the last {@link KEPT_DAYS} days. */
export async function listSites(db: Database, deleted = false): Promise<SiteListed[]> {
	const rows = await db.sites.findAll({
		where: { deletedAt: deleted ? { [Op.ne]: null } : null },
		order: [[deleted ? 'deletedAt' : 'updatedAt', 'DESC']]
	});
	const sites = rows.map((row) => siteFromRow(row.get()));
	const zoneRows = await db.zones.findAll({
		where: { siteId: sites.map((site) => site.id), deletedAt: null }
	});
	const bySite = new Map(sites.map((site) => [site.id, { site, zones: [] as StoredZone[] }]));
	for (const row of zoneRows) {
		const { site, zones } = bySite.get(row.get().siteId)!;
		zones.push(zoneFromRow(row.get(), site.profiles));
	}
	return sites.map((site) => {
		const { zones } = bySite.get(site.id)!;
		return {
			id: site.id,
			name: site.site.name,
			place: site.site.place,
			updatedAt: site.updatedAt,
			deletedAt: site.deletedAt,
			zones: zones.length,
			zonesKeyed: zones.filter(({ summary }) => summary.done === summary.of).length,
			valuesLeft: zones.reduce((sum, { summary }) => sum + summary.of - summary.done, 0),
			zonesMisfit: zones.filter(({ summary }) => summary.coldMinutes + summary.warmMinutes > 0).length
		};
	});
}

/** A site as a job document, or null. */
export async function readSiteAsJob(db: Database, id: string): Promise<Job | null> {
	const stored = await findSite(db, id);
	if (!stored || stored.deletedAt) return null;
	const zones = await zonesOf(db, stored);
	const job: Job = {
		format: 'fond-quarter/job',
		version: 1,
		site: stored.site,
		profiles: [...stored.profiles],
		zones: zones.map(({ zone, keyed }) => ({ ...zone, keyed: { ...keyed } }))
	};
	return JSON.parse(writeJobFile(job)) as Job;
}

/** Puts a whole job in the place of a site's content, all or nothing. Returns whether the site was there at that revision. */
export async function replaceSite(
	db: Database,
	id: string,
	job: Job,
	revision: number | null
): Promise<boolean> {
	const rows = job.zones.map((zone, position) => zoneRow(id, position, zone, job));
	return db.write(async (transaction) => {
		const now = new Date();
		const [count] = await db.sites.update(
			{
				document: job.site,
				profiles: job.profiles,
				revision: db.sequelize.literal('revision + 1') as unknown as number,
				updatedAt: now
			},
			{ where: { id, deletedAt: null, ...(revision === null ? {} : { revision }) }, transaction }
		);
		if (count === 0) return false;
		await db.zones.update({ deletedAt: now }, { where: { siteId: id, deletedAt: null }, transaction });
		await db.zones.bulkCreate(rows, { transaction });
		return true;
	});
}

/** Changes a site's own fields. */
export async function updateSite(db: Database, id: string, site: Site): Promise<boolean> {
	const [count] = await db.sites.update(
		{
			document: site,
			revision: db.sequelize.literal('revision + 1') as unknown as number,
			updatedAt: new Date()
		},
		{ where: { id, deletedAt: null } }
	);
	return count > 0;
}

/** Copies a site under the name "… (copy)" without what was keyed, and returns the copy's id; null if there is none. */
export async function duplicateSite(db: Database, id: string): Promise<string | null> {
	const job = await readSiteAsJob(db, id);
	if (!job) return null;
	const name = `${job.site.name.slice(0, 72)} (copy)`;
	return createSite(db, {
		...job,
		site: { ...job.site, name },
		zones: job.zones.map((zone) => ({ ...zone, keyed: {} }))
	});
}

/** Deletes a site so that it can be put back. Returns whether it was there. */
export async function deleteSite(db: Database, id: string): Promise<boolean> {
	const [count] = await db.sites.update({ deletedAt: new Date() }, { where: { id, deletedAt: null } });
	return count > 0;
}

/** Puts a deleted site back. Returns whether it was there. */
export async function restoreSite(db: Database, id: string): Promise<boolean> {
	const [count] = await db.sites.update({ deletedAt: null }, { where: { id, deletedAt: { [Op.ne]: null } } });
	return count > 0;
}

/** Notes that something on the site was changed, for the order of the list. */
export async function touchSite(db: Database, id: string, transaction?: Transaction): Promise<void> {
	await db.sites.update({ updatedAt: new Date() }, { where: { id }, transaction });
}

/** Removes for good what (sites, zones, own controls) was deleted more than {@link KEPT_DAYS} days ago. */
export async function purgeDeleted(db: Database, now = new Date()): Promise<void> {
	const before = { [Op.lt]: new Date(now.getTime() - KEPT_DAYS * 86_400_000) };
	await db.write(async (transaction) => {
		await db.zones.destroy({ where: { deletedAt: before }, transaction });
		await db.sites.destroy({ where: { deletedAt: before }, transaction });
		await db.controls.destroy({ where: { deletedAt: before }, transaction });
	});
}
